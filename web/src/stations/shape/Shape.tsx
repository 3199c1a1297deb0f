import { itemAt, findIn } from '@fomrik/core/units';
import type { HandDart } from '@fomrik/core/document';
import { besideOf } from '@fomrik/core/carry';
import { nearestOn } from '@fomrik/core/panel';
import type { Vec3 } from '@fomrik/core/geometry';
import { Tabs } from 'radix-ui';
import { useMemo, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { Empty } from '../../parts/Empty';
import { FlatPieces } from '../../parts/FlatPieces';
import { LazySolid } from '../../parts/LazySolid';
import { Legend } from '../../parts/Legend';
import { usePart } from '../../parts/usePart';
import { dragEnd } from '../../store/build';
import { useReport } from '../../store/report';
import { useView, type ShapeTab } from '../../store/view';
import { BenchToggles } from './BenchToggles';
import { DetailsTab } from './DetailsTab';
import { FigureBench } from './FigureBench';
import { FitTab } from './FitTab';
import { formHandles } from './formHandles';
import { FormTab } from './FormTab';

const tabs: { key: ShapeTab; label: string }[] = [
  { key: 'form', label: 'Form and foam' },
  { key: 'details', label: 'Details and darts' },
  { key: 'fit', label: 'Fit' },
];

/** Solid and flat side by side; below, the form's values, its details, or how it fits. */
export function Shape() {
  const { part, made, change, drag } = usePart();
  const body = useReport((s) => s.report!.body);
  const { gapOpen, sightOpen, ringsOpen, figureOpen, shapeTab, drawing, seam } = useView(
    useShallow((v) => ({
      gapOpen: v.gapOpen,
      sightOpen: v.sightOpen,
      ringsOpen: v.ringsOpen,
      figureOpen: v.figureOpen,
      shapeTab: v.shapeTab,
      drawing: v.drawing,
      seam: v.seam,
    })),
  );
  const parts = useReport((s) => s.report!.parts);
  const beside = useMemo(() => (made ? besideOf(parts, made.id) : undefined), [parts, made]);
  const [gapHere, setGapHere] = useState<string | undefined>();
  if (!part) return <Empty what="shape" />;
  if (!made) return <p className="p-4 text-soft">Calculating…</p>;
  const handles = formHandles(made.grips, drag, change, dragEnd);

  const onPoint = (p: Vec3 | undefined): void => {
    const spot = p && nearestOn(made.surfaces, p);
    const gap = spot && made.wear?.standOff.find((s) => s.pieceId === spot.pieceId)?.gapMm;
    if (!spot || !gap) return setGapHere(undefined);
    const row = itemAt(gap, Math.round(spot.at.y * (gap.length - 1)));
    const mm = itemAt(row, Math.round(spot.at.x * (row.length - 1)));
    setGapHere(
      `${findIn(made.panels, (q) => q.id === spot.pieceId).name}: ${mm.toFixed(0)} mm from the clothed body`,
    );
  };
  const onPick = (p: Vec3): void => {
    const { seam: drawn } = useView.getState();
    if (drawn) {
      useView.setState({ seam: [...drawn, p] });
      return;
    }
    const spot = nearestOn(made.surfaces, p);
    const line = useView.getState().drawing;
    if (!spot || !line || (line.pieceId && line.pieceId !== spot.pieceId)) return;
    useView.setState({ drawing: { ...line, pieceId: spot.pieceId, points: [...line.points, spot.at] } });
  };
  const onDarts = (pieceId: string, darts: HandDart[], done: boolean): void => {
    (done ? change : drag)((p) => {
      p.darts = [...p.darts.filter((d) => d.pieceId !== pieceId), { pieceId, darts }];
    });
    if (done) dragEnd();
  };
  return (
    <div className="flex h-full min-h-[620px] flex-col">
      <div className="relative grid min-h-0 flex-1 grid-cols-[5fr_6fr] border-b border-hair max-[1000px]:grid-cols-1 max-[1000px]:grid-rows-[5fr_4fr]">
        <div className="relative min-h-0 border-r border-hair bg-paper max-[1000px]:border-b max-[1000px]:border-r-0">
          {figureOpen ? (
            <FigureBench />
          ) : (
            <>
              <LazySolid
                made={made}
                body={body}
                handles={handles}
                {...(beside && { beside })}
                overlays={{ gap: gapOpen, sight: sightOpen, rings: ringsOpen }}
                {...(gapOpen && { seeThrough: true, onPoint })}
                {...((drawing ?? seam) && { onPick })}
              />
              <p
                aria-live="polite"
                className="pointer-events-none absolute bottom-1 left-2 bg-paper px-1 text-[12px] text-soft"
              >
                {seam
                  ? `Press on the shell from rim to rim: ${seam.length} spots. Keep the seam below.`
                  : drawing
                    ? `Press on the shell to set points: ${drawing.points.length} set. Finish under Details.`
                    : (gapHere ??
                      `Drag to turn.${handles.length > 0 ? ' Diamonds slide edges and seams.' : ''}`)}
              </p>
            </>
          )}
          <BenchToggles made={made} />
        </div>
        <FlatPieces
          made={made}
          onEdge={(edge) => useView.setState(edge ? { edge, lastEdge: edge } : { edge })}
          {...(shapeTab === 'details' && { onDarts })}
        />
        <Legend />
      </div>
      <Tabs.Root
        value={shapeTab}
        onValueChange={(tab) => useView.setState({ shapeTab: tab as ShapeTab })}
        className="flex max-h-[54%] flex-col"
      >
        <Tabs.List aria-label="What to change" className="flex border-b border-hair px-3">
          {tabs.map((t) => (
            <Tabs.Trigger
              key={t.key}
              value={t.key}
              className="px-3 py-1 font-medium text-teal data-[state=active]:bg-foam data-[state=active]:text-white"
            >
              {t.label}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <div className="overflow-auto px-3 pb-1 pt-1.5">
          <Tabs.Content value="form">
            <FormTab part={part} made={made} change={change} drag={drag} />
          </Tabs.Content>
          <Tabs.Content value="details">
            <DetailsTab part={part} made={made} change={change} />
          </Tabs.Content>
          <Tabs.Content value="fit">
            <FitTab made={made} />
          </Tabs.Content>
        </div>
      </Tabs.Root>
    </div>
  );
}
