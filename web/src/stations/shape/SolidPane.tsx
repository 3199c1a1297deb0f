import { besideOf } from '@fomrik/core/carry';
import type { Vec3 } from '@fomrik/core/geometry';
import { nearestOn } from '@fomrik/core/panel';
import { formOf, standardKinds } from '@fomrik/core/parts';
import { counted, findIn, itemAt } from '@fomrik/core/units';
import { useMemo, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { dropOn } from '../../inspector/featureActions';
import { outlineHandles } from '../../parts/outlineHandles';
import { featureHandles } from '../../parts/featureHandles';
import { FoldBar } from '../../parts/FoldBar';
import { LazySolid } from '../../parts/LazySolid';
import { LightsOff } from '../../parts/light/LightsOff';
import { usePlayed } from '../../parts/light/played';
import { useShines } from '../../parts/light/useShines';
import { slideEnd } from '../../parts/slideEnd';
import { useDimensions } from '../../parts/useDimensions';
import { type ShownPart, usePart } from '../../parts/usePart';
import { useWorked } from '../../parts/useWorked';
import { valueHandles } from '../../parts/valueHandles';
import { dragEnd } from '../../store/build';
import { askFolding, useReport } from '../../store/report';
import { useView } from '../../store/view';
import { FigureBench } from './FigureBench';

/** The solid of the chosen part, once it is worked out. */
export function SolidPane() {
  const { part, made, change, drag } = usePart();
  return part && made && <SolidOf {...{ part, made, change, drag }} />;
}

/** The solid with its grips, and what is drawn on it by pressing. */
function SolidOf({ part, made, change, drag }: ShownPart) {
  const body = useReport((s) => s.report!.body);
  const dimensions = useDimensions(part);
  const {
    gapOpen,
    sightOpen,
    ringsOpen,
    figureOpen,
    darkOpen,
    finishOpen,
    foldOpen,
    foldShare,
    apartShare,
    drawing,
    seam,
    outlining,
    snaps,
  } = useView(
    useShallow((v) => ({
      gapOpen: v.gapOpen,
      sightOpen: v.sightOpen,
      ringsOpen: v.ringsOpen,
      figureOpen: v.figureOpen,
      darkOpen: v.darkOpen,
      finishOpen: v.finishOpen,
      foldOpen: v.foldOpen,
      foldShare: v.foldShare,
      apartShare: v.apartShare,
      drawing: v.drawing,
      seam: v.seam,
      outlining: v.outlining,
      snaps: v.snaps,
    })),
  );
  const parts = useReport((s) => s.report!.parts);
  const beside = useMemo(() => besideOf(parts, made.id), [parts, made]);
  const [gapHere, setGapHere] = useState<string | undefined>();
  const folded = useWorked(foldOpen ? () => askFolding(part.id) : undefined, [foldOpen, made]);
  const folding = useMemo(
    () =>
      foldOpen && folded.value ? { pieces: folded.value, share: foldShare, apart: apartShare } : undefined,
    [foldOpen, folded.value, foldShare, apartShare],
  );
  const finished = useMemo(
    () => (finishOpen || darkOpen ? { scheme: part.scheme } : undefined),
    [finishOpen, darkOpen, part.scheme],
  );
  const shines = useShines(
    useMemo(() => [made], [made]),
    finishOpen || darkOpen,
  );
  const played = usePlayed([part.id]);
  const form = formOf(standardKinds, part.form);
  if (figureOpen) return <FigureBench />;
  // Points of an outline are dragged where it is drawn.
  const outlined = new Set(form.fields.flatMap((f) => (f.type === 'rows' && f.draws ? [f.key] : [])));
  const gripped = dimensions.filter((d) => !outlined.has(String(d.path[0])));
  const handles =
    darkOpen || finishOpen || foldOpen || outlining
      ? []
      : [
          ...valueHandles(part.id, gripped, { drag, change, end: slideEnd }),
          ...outlineHandles({ part, made, body, drag, change, end: dragEnd }),
          ...featureHandles({ part, made, station: 'shape', drag, change, end: dragEnd, snaps }),
        ];
  const onPoint = (p: Vec3 | undefined): void => {
    const spot = p && nearestOn(made.surfaces, p);
    const gap = spot && made.wear?.standOff.find((s) => s.pieceId === spot.pieceId)?.gapMm;
    if (!spot || !gap) return setGapHere(undefined);
    const row = itemAt(gap, Math.round(spot.at.y * (gap.length - 1)));
    const mm = itemAt(row, Math.round(spot.at.x * (row.length - 1)));
    const piece = findIn(made.panels, (q) => q.id === spot.pieceId).name;
    setGapHere(`${piece}: ${mm.toFixed(0)} mm from the clothed body`);
  };
  const onPick = (p: Vec3): void => {
    const { seam: drawn, outlining: set, drawing: line } = useView.getState();
    if (set) return void useView.setState({ outlining: [...set, p] });
    if (drawn) return void useView.setState({ seam: [...drawn, p] });
    const spot = nearestOn(made.surfaces, p);
    if (!spot || !line || (line.pieceId && line.pieceId !== spot.pieceId)) return;
    useView.setState({ drawing: { ...line, pieceId: spot.pieceId, points: [...line.points, spot.at] } });
  };
  return (
    <>
      <LazySolid
        made={made}
        body={body}
        handles={handles}
        dimensions={dimensions}
        dark={darkOpen}
        finished={finished}
        shine={shines.get(part.id)}
        played={played}
        folding={folding}
        {...(beside && { beside })}
        overlays={{ gap: gapOpen, sight: sightOpen, rings: ringsOpen }}
        onDropped={dropOn}
        {...(gapOpen && { seeThrough: true, onPoint })}
        {...((drawing ?? seam ?? outlining) && { onPick })}
        {...(outlining && { marked: outlining, seeThrough: true })}
      />
      {darkOpen && <LightsOff made={made} />}
      {foldOpen && <FoldBar />}
      <p
        hidden={foldOpen}
        aria-live="polite"
        className="pointer-events-none absolute bottom-1 left-2 bg-paper px-1 text-[12px] text-soft"
      >
        {outlining
          ? `Press on the wearer round the outline: ${counted(outlining.length, 'spot')}. Keep the outline in the inspector.`
          : seam
            ? `Press on the shell from rim to rim: ${counted(seam.length, 'spot')}. Keep the seam in the inspector.`
            : drawing
              ? `Press on the shell to set points: ${drawing.points.length} set. Finish under Details.`
              : (gapHere ?? `Drag to turn.${handles.length > 0 ? ' Drag a grip to change a value.' : ''}`)}
      </p>
    </>
  );
}
