import type { CircuitReport } from '@fomrik/core/circuit';
import type { Dimension } from '@fomrik/core/dimensions';
import { applyChanges, type Feature, type Part } from '@fomrik/core/document';
import { type PartReport, standardKinds } from '@fomrik/core/parts';
import { byId, itemAt } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useMemo } from 'react';
import { Bench, type Pane } from '../../bench/Bench';
import type { DrawerTab } from '../../bench/Drawer';
import { PaneChoice, ViewBar } from '../../bench/ViewBar';
import { dropOn } from '../../inspector/featureActions';
import { Empty } from '../../parts/Empty';
import { featureHandles } from '../../parts/featureHandles';
import { FlatPieces } from '../../parts/FlatPieces';
import { LazySolid } from '../../parts/LazySolid';
import { LightsOff } from '../../parts/light/LightsOff';
import { usePlayed } from '../../parts/light/played';
import { useShines } from '../../parts/light/useShines';
import { MeasuringDetail } from '../../parts/Measuring';
import { useDetailDimensions } from '../../parts/useDimensions';
import { usePart } from '../../parts/usePart';
import { slideEnd } from '../../parts/slideEnd';
import { valueHandles } from '../../parts/valueHandles';
import { dragEnd, useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { useSelected } from '../../store/selection';
import type { Changer } from '../../store/version';
import { useView } from '../../store/view';
import { ChannelsButton } from './ChannelsButton';
import { Dark } from './Dark';
import { Glow } from './Glow';
import { Methods } from './Methods';
import { PackChoices } from './PackChoices';
import { Places } from './Places';
import { Readings } from './Readings';
import { RoomSlice } from './RoomSlice';
import { RunChart } from './RunChart';
import { Schematic } from './Schematic';

/** What lights up, from what, for how long, and where it all sits: the see-through solid at full height. */
export function Inside() {
  const { part, made, change, drag } = usePart();
  if (!part) return <Empty what="light" />;
  if (!made) return <p className="p-4 text-soft">Calculating…</p>;
  const inside = part.features.filter((f) => standardKinds.features.get(f.kind)?.station === 'inside');
  if (inside.length === 0) return <Dark part={part} made={made} />;
  return <InsideOf {...{ part, made, change, drag }} />;
}

interface InsideOfProps {
  part: Part;
  made: PartReport;
  change: Changer;
  drag: Changer;
}

/** Dimensions of the detail that is selected. */
interface Measured {
  details: readonly Dimension[];
}

function InsideOf({ part, made, change, drag }: InsideOfProps) {
  const circuits = useReport((s) => s.report!.circuits);
  const chosen = useSelected((s) => s.circuitId);
  const details = useDetailDimensions(part);
  const own = circuits.filter((c) => c.partIds.includes(part.id));
  const circuit = byId(own, chosen) ?? own[0];
  const panes: Pane[] = [
    {
      id: 'inside',
      label: 'the see-through solid',
      share: 62,
      bar: <ViewBar partId={part.id} on="solid" />,
      picture: <InsidePane {...{ part, made, change, drag, own, details }} />,
    },
    sectionPane({ part, made, change, drag, details }),
  ];
  return (
    <>
      <MeasuringDetail part={part} />
      <Bench station="inside" panes={panes} drawer={drawerOf({ part, change, circuit })} />
    </>
  );
}

/** Sections of what lies in rooms, the gap map, or the flat pieces. */
function sectionPane(props: InsideOfProps & Measured): Pane {
  const { made } = props;
  return {
    id: 'section',
    label: 'the sections',
    share: 38,
    bar: (
      <PaneChoice
        pane="section"
        choices={[
          ['section', 'Sections'],
          ...(made.wear ? [['gap', 'Gap map'] as const] : []),
          ['flat', 'Flat'],
        ]}
      />
    ),
    picture: <SectionPicture {...props} />,
  };
}

function SectionPicture({ part, made, change, drag, details }: InsideOfProps & Measured) {
  const shown = useView((v) => v.panes['section']);
  if (shown === 'flat' || (shown === 'gap' && made.wear))
    return (
      <FlatPieces
        made={made}
        gap={shown === 'gap'}
        grips={{ part, drag, change, end: dragEnd }}
        dimensions={details}
      />
    );
  return <RoomSlice made={made} />;
}

function InsidePane({
  part,
  made,
  change,
  drag,
  own,
  details,
}: InsideOfProps & Measured & { own: readonly CircuitReport[] }) {
  const body = useReport((s) => s.report!.body);
  const dark = useView((v) => v.darkOpen);
  const snaps = useView((v) => v.snaps);
  const finish = useView((v) => v.finishOpen);
  const shines = useShines(
    useMemo(() => [made], [made]),
    dark || finish,
  );
  const played = usePlayed([part.id]);
  const finished = useMemo(
    () => (dark || finish ? { scheme: part.scheme } : undefined),
    [dark, finish, part.scheme],
  );
  return (
    <>
      <LazySolid
        made={made}
        body={body}
        seeThrough
        dark={dark}
        finished={finished}
        shine={shines.get(part.id)}
        played={played}
        dimensions={details}
        onDropped={dropOn}
        wires={own.flatMap((c) => c.runs.filter((r) => r.partId === part.id).map((r) => r.points))}
        handles={
          (finished ?? dark)
            ? []
            : [
                ...featureHandles({ part, made, station: 'inside', drag, change, end: dragEnd, snaps }),
                ...valueHandles(part.id, details, { drag, change, end: slideEnd }),
              ]
        }
      />
      {dark && <LightsOff made={made} />}
      <p
        className={`pointer-events-none absolute bottom-1 left-2 text-[12px] ${dark ? 'text-white' : 'text-soft'}`}
      >
        Drag what is put in over the shell; drag a new one here from its picture.
      </p>
    </>
  );
}

/** What belongs to the whole circuit, and where things could go. */
function drawerOf({
  part,
  change,
  circuit,
}: {
  part: Part;
  change: Changer;
  circuit: CircuitReport | undefined;
}): DrawerTab[] {
  const glowing = part.features.filter((f) => standardKinds.features.get(f.kind)?.glows);
  return [
    {
      key: 'circuit',
      label: 'Circuit',
      content: (
        <div className="relative h-52">
          <Schematic circuit={circuit} />
          {circuit?.runs.some((r) => r.partId === part.id) && (
            <div className="absolute right-0 top-0">
              <ChannelsButton part={part} circuit={circuit} change={change} />
            </div>
          )}
        </div>
      ),
    },
    {
      key: 'hours',
      label: 'Hours',
      content: (
        <div className="h-60">
          <RunChart circuit={circuit} />
        </div>
      ),
    },
    {
      key: 'packs',
      label: 'Packs',
      content: <PackChoices circuit={circuit} onTake={(id) => circuit && takePack(circuit, id)} />,
    },
    { key: 'methods', label: 'Methods', content: <Methods key={circuit?.id} circuit={circuit} /> },
    { key: 'meter', label: 'Bench meter', content: <Readings circuit={circuit} /> },
    {
      key: 'places',
      label: 'Places',
      content: (
        <Places
          key={part.id}
          part={part}
          onPlace={(id, place) =>
            change((p) => {
              p.features = p.features.map((f) =>
                f.id === id ? { ...f, place: place as Draft<Feature>['place'] } : f,
              );
            })
          }
        />
      ),
    },
    ...(glowing.length > 0
      ? [
          {
            key: 'glow',
            label: 'Glow',
            content: glowing.map((f) => (
              <Glow
                key={f.id}
                feature={f}
                onTake={(params) =>
                  change((p) => {
                    const glow = byId(p.features, f.id);
                    if (glow) Object.assign(glow.params, params);
                  })
                }
              />
            )),
          },
        ]
      : []),
  ];
}

/** Another pack in the same place, as one step. */
function takePack(circuit: CircuitReport, packId: string): void {
  const { source } = circuit;
  const { doc, update } = useBuild.getState();
  const index = doc.parts.findIndex((p) => p.id === source?.partId);
  const path = source?.item.choose;
  if (!path || index < 0) return;
  const next = applyChanges(doc, [{ path: ['parts', index, ...path], value: packId }]);
  update((d) => void (d.parts[index] = itemAt(next.parts, index) as Draft<Part>));
}
