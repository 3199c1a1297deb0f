import type { Dimension } from '@fomrik/core/dimensions';
import { besideOf } from '@fomrik/core/carry';
import type { HandDart, Part, Row, RowsField } from '@fomrik/core/document';
import type { Vec3 } from '@fomrik/core/geometry';
import { nearestOn } from '@fomrik/core/panel';
import { formOf, type PartReport, standardKinds } from '@fomrik/core/parts';
import { byId, counted, findIn, firstOf, itemAt } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useMemo, useState } from 'react';
import { useShallow } from 'zustand/react/shallow';
import { Bench } from '../../bench/Bench';
import type { DrawerTab } from '../../bench/Drawer';
import { PaneChoice, ViewBar } from '../../bench/ViewBar';
import { addFeature } from '../../inspector/featureActions';
import { fieldsThatCount, tableKey } from '../../inspector/FormGroups';
import { Empty } from '../../parts/Empty';
import { featureHandles } from '../../parts/featureHandles';
import { FlatPieces } from '../../parts/FlatPieces';
import { LazySolid } from '../../parts/LazySolid';
import { LightsOff } from '../../parts/light/LightsOff';
import { usePlayed } from '../../parts/light/played';
import { useShines } from '../../parts/light/useShines';
import { Legend } from '../../parts/Legend';
import { isWide, RowsTable } from '../../parts/RowsTable';
import { useDimensions, useShownDimension } from '../../parts/useDimensions';
import { FoldBar } from '../../parts/FoldBar';
import { useWorked } from '../../parts/useWorked';
import { usePart } from '../../parts/usePart';
import { dragEnd } from '../../store/build';
import { askFolding, useReport } from '../../store/report';
import { selectEdge, useSelected } from '../../store/selection';
import { useView } from '../../store/view';
import { FigureBench } from './FigureBench';
import { FitTab } from './FitTab';
import { slideEnd } from '../../parts/slideEnd';
import { setAt, slid, valueHandles } from '../../parts/valueHandles';
import { OutlinePane } from './OutlinePane';
import { SectionPane } from './SectionPane';
import { ThicknessTrial } from './ThicknessTrial';
import { WholeBuild } from './WholeBuild';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** Solid and flat side by side at full height; thickness, fit and wide lists in the drawer. */
export function Shape() {
  const { part, made, change, drag } = usePart();
  if (!part) return <Empty what="shape" />;
  if (!made) return <p className="p-4 text-soft">Calculating…</p>;
  return <ShapeOf part={part} made={made} change={change} drag={drag} />;
}

/** The drawn field of a selected detail. */
function drawnIn(part: Part, featureId: string | undefined): RowsField | undefined {
  const feature = byId(part.features, featureId);
  return (
    feature &&
    standardKinds.features
      .get(feature.kind)
      ?.fields.find((f): f is RowsField => f.type === 'rows' && f.draws !== undefined)
  );
}

interface ShapeOfProps {
  part: Part;
  made: PartReport;
  change: Changer;
  drag: Changer;
}

function ShapeOf({ part, made, change, drag }: ShapeOfProps) {
  const flatPane = useView((v) => v.panes['flat']);
  const dimensions = useDimensions(part);
  const dimension = useShownDimension(part.id, dimensions);
  const form = formOf(standardKinds, part.form);
  const fields = fieldsThatCount(form, part);
  const featureId = useSelected((s) => (s.featureIds.length === 1 ? s.featureIds[0] : undefined));
  const shape = drawnIn(part, featureId);
  const drawn = shape ?? fields.find((f): f is RowsField => f.type === 'rows' && f.draws !== undefined);
  const section = flatPane === 'section' && made.zone !== undefined;
  const outline = drawn && flatPane !== 'flat' && !section ? drawn : undefined;
  const onDarts = (pieceId: string, darts: HandDart[], done: boolean): void => {
    (done ? change : drag)((p) => {
      p.darts = [...p.darts.filter((d) => d.pieceId !== pieceId), { pieceId, darts }];
    });
    if (done) dragEnd();
  };
  return (
    <Bench
      station="shape"
      panes={[
        {
          id: 'solid',
          label: 'the solid',
          share: 48,
          bar: <ViewBar made={made} on="solid" />,
          picture: <SolidPane {...{ part, made, change, drag, dimensions, dimension }} />,
        },
        {
          id: 'flat',
          label: section ? 'the section' : outline ? outline.label.toLowerCase() : 'the flat pieces',
          share: 52,
          bar: (
            <>
              {(drawn !== undefined || made.zone !== undefined) && (
                <PaneChoice
                  pane="flat"
                  choices={[
                    ...(drawn ? [['outline', drawn.label] as const] : []),
                    ['flat', 'Flat'],
                    ...(made.zone === undefined ? [] : [['section', 'Section'] as const]),
                  ]}
                />
              )}
              {!outline && !section && <ViewBar made={made} on="flat" />}
            </>
          ),
          picture: section ? (
            <SectionPane made={made} />
          ) : outline ? (
            <OutlinePane
              key={shape ? featureId : part.id}
              part={part}
              form={form}
              field={outline}
              {...(shape && featureId && { featureId })}
              change={change}
              drag={drag}
            />
          ) : (
            <>
              <FlatPieces
                made={made}
                onEdge={(pointed) => useView.setState({ pointed })}
                onSelect={selectEdge}
                onDarts={onDarts}
                grips={{ part, drag, change, end: dragEnd }}
                dimension={dimension}
                onSlide={(d, value) => drag((p) => setAt(p, d, () => slid(d, dimensions, value)))}
                onSlid={slideEnd}
              />
              <Legend />
            </>
          ),
        },
      ]}
      drawer={[...tables(fields, part, change), trial(form.sheets === 'one', made, change), fit(made)]}
    />
  );
}

/** Lists too wide for the inspector; drawn ones are tables of points as well. */
const tables = (fields: ReturnType<typeof fieldsThatCount>, part: Part, change: Changer): DrawerTab[] =>
  fields.flatMap((field) => {
    if (field.type !== 'rows' || !isWide(field)) return [];
    const rows = part.params[field.key] as Row[];
    return [
      {
        key: tableKey(field),
        label: `${field.label}: ${counted(rows.length, field.line)}`,
        content: (
          <RowsTable
            field={field}
            rows={rows}
            part={part}
            onChange={(next) => change((p) => void Object.assign(p.params, { [field.key]: next }))}
          />
        ),
      },
    ];
  });

/** Thicknesses of a part of one sheet; what every part would rather be is beside any part. */
const trial = (one: boolean, made: PartReport, change: Changer): DrawerTab =>
  one
    ? {
        key: 'trial',
        label: 'Thickness trial',
        content: (
          <>
            <ThicknessTrial
              made={made}
              onChoose={(mm) => change((p) => void (firstOf(p.stack).nominalMm = mm))}
            />
            <WholeBuild />
          </>
        ),
      }
    : { key: 'across', label: 'Across the build', content: <WholeBuild /> };

const fit = (made: PartReport): DrawerTab => ({ key: 'fit', label: 'Fit', content: <FitTab made={made} /> });

/** The solid with its grips, and what is drawn on it by pressing. */
function SolidPane({
  part,
  made,
  change,
  drag,
  dimensions,
  dimension,
}: ShapeOfProps & { dimensions: readonly Dimension[]; dimension: Dimension | undefined }) {
  const body = useReport((s) => s.report!.body);
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
      snaps: v.snaps,
    })),
  );
  const parts = useReport((s) => s.report!.parts);
  const beside = useMemo(() => besideOf(parts, made.id), [parts, made]);
  const [gapHere, setGapHere] = useState<string | undefined>();
  const folded = useWorked(
    () => (foldOpen ? askFolding(part.id) : Promise.resolve(undefined)),
    [foldOpen, made],
  );
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
    darkOpen || finishOpen || foldOpen
      ? []
      : [
          ...valueHandles(part.id, gripped, { drag, change, end: slideEnd }),
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
    const { seam: drawn, drawing: line } = useView.getState();
    if (drawn) return void useView.setState({ seam: [...drawn, p] });
    const spot = nearestOn(made.surfaces, p);
    if (!spot || !line || (line.pieceId && line.pieceId !== spot.pieceId)) return;
    useView.setState({ drawing: { ...line, pieceId: spot.pieceId, points: [...line.points, spot.at] } });
  };
  const onDropped = (p: Vec3): void => {
    const { inHand } = useView.getState();
    const kind = inHand === undefined ? undefined : standardKinds.features.get(inHand);
    useView.setState({ inHand: undefined });
    const spot = kind && nearestOn(made.surfaces, p);
    if (kind && spot) void addFeature(part, made, kind, spot);
  };
  return (
    <>
      <LazySolid
        made={made}
        body={body}
        handles={handles}
        dimension={dimension}
        dark={darkOpen}
        finished={finished}
        shine={shines.get(part.id)}
        played={played}
        folding={folding}
        {...(beside && { beside })}
        overlays={{ gap: gapOpen, sight: sightOpen, rings: ringsOpen }}
        onDropped={onDropped}
        {...(gapOpen && { seeThrough: true, onPoint })}
        {...((drawing ?? seam) && { onPick })}
      />
      {darkOpen && <LightsOff made={made} />}
      {foldOpen && <FoldBar />}
      <p
        hidden={foldOpen}
        aria-live="polite"
        className="pointer-events-none absolute bottom-1 left-2 bg-paper px-1 text-[12px] text-soft"
      >
        {seam
          ? `Press on the shell from rim to rim: ${counted(seam.length, 'spot')}. Keep the seam in the inspector.`
          : drawing
            ? `Press on the shell to set points: ${drawing.points.length} set. Finish under Details.`
            : (gapHere ?? `Drag to turn.${handles.length > 0 ? ' Drag a grip to change a value.' : ''}`)}
      </p>
    </>
  );
}
