import { byId, findIn } from '@fomrik/core/units';
import { type PartReport, standardKinds } from '@fomrik/core/parts';
import { applyChanges, type Circuit, type Feature, type Part } from '@fomrik/core/document';
import type { CircuitReport } from '@fomrik/core/circuit';
import type { Vec3 } from '@fomrik/core/geometry';
import { nearestOn } from '@fomrik/core/panel';
import type { Draft } from 'immer';
import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { FlatPieces } from '../../parts/FlatPieces';
import { Empty } from '../../parts/Empty';
import { LazySolid } from '../../parts/LazySolid';
import type { Played } from '../../parts/Halos';
import { usePart } from '../../parts/usePart';
import { dragEnd, useBuild } from '../../store/build';
import { toast } from 'sonner';
import { askLights, useReport } from '../../store/report';
import { useView } from '../../store/view';
import { ChannelsButton } from './ChannelsButton';
import { CircuitFields } from './CircuitFields';
import { Glow } from './Glow';
import { PackChoices } from './PackChoices';
import { Places } from './Places';
import { Readings } from './Readings';
import { InsideFeatures } from './InsideFeatures';
import { insideHandles } from './insideHandles';
import { putIn } from './putIn';
import { RoomSlice } from './RoomSlice';
import { RunChart } from './RunChart';
import { Schematic } from './Schematic';
import { Methods } from './Methods';

/** What lights up, from what, for how long, and where it all sits. */
export function Inside() {
  const { part, made, change, drag } = usePart();
  const body = useReport((s) => s.report!.body);
  const circuits = useReport((s) => s.report!.circuits);
  const chosen = useView((v) => v.circuitId);
  const effects = useBuild((s) => s.doc.circuits);
  const [dark, setDark] = useState(false);
  const [gaps, setGaps] = useState(false);
  if (!part) return <Empty what="light" />;
  if (!made) return <p className="p-4 text-soft">Calculating…</p>;
  const dropped = (p: Vec3): void => {
    const { inHand } = useView.getState();
    const kind = inHand === undefined ? undefined : standardKinds.features.get(inHand);
    useView.setState({ inHand: undefined });
    const spot = kind && nearestOn(made.surfaces, p);
    if (kind && spot) void putIn(part, made, kind, spot);
  };
  const inside = part.features.filter((f) => standardKinds.features.get(f.kind)?.station === 'inside');
  if (inside.length === 0) return <Dark part={part} made={made} />;
  const glowing = part.features.filter((f) => standardKinds.features.get(f.kind)?.glows);
  const own = circuits.filter((c) => c.partIds.includes(part.id));
  const circuit = byId(own, chosen) ?? own[0];
  return (
    <div className="grid h-full min-h-[640px] grid-cols-[5fr_6fr] grid-rows-[minmax(0,1.1fr)_minmax(0,1fr)]">
      <div className="relative min-h-0 border-b border-r border-hair bg-paper">
        <LazySolid
          made={made}
          body={body}
          seeThrough
          dark={dark}
          played={playedOf(own, effects, part.id)}
          onDropped={(spot) => dropped(spot)}
          wires={own.flatMap((c) => c.runs.filter((r) => r.partId === part.id).map((r) => r.points))}
          handles={dark ? [] : insideHandles(part, made, drag, change, dragEnd)}
        />
        <button
          type="button"
          className="btn absolute left-2 top-2 bg-paper"
          aria-pressed={dark}
          title="Only what is lit"
          onClick={() => setDark(!dark)}
        >
          {dark ? 'Lights on in the room' : 'In the dark'}
        </button>
        <p
          className={`pointer-events-none absolute bottom-1 left-2 text-[12px] ${dark ? 'text-white' : 'text-soft'}`}
        >
          Drag lamps (round), pack (box) and switch over the shell; drag a new one here from its button.
        </p>
      </div>
      <div className="min-h-0 overflow-auto border-b border-hair p-3">
        <InsideFeatures part={part} made={made} change={change} />
        <CircuitFields part={part} chosen={circuit?.id} />
      </div>
      {made.rooms.some((r) => r.solid) ? (
        <div className="grid min-h-0 grid-rows-[3fr_2fr] border-r border-hair p-2">
          <FlatPieces made={made} onEdge={() => undefined} />
          <RoomSlice made={made} />
        </div>
      ) : (
        <div className="relative min-h-0 border-r border-hair p-2">
          {gaps ? <FlatPieces made={made} onEdge={() => undefined} gap /> : <RoomSlice made={made} />}
          {made.wear && (
            <button
              type="button"
              className="btn absolute right-2 top-2 min-h-7 px-2"
              aria-pressed={gaps}
              onClick={() => setGaps(!gaps)}
            >
              {gaps ? 'Sections' : 'Gap map'}
            </button>
          )}
        </div>
      )}
      <div className="flex min-h-0 flex-col overflow-hidden p-2">
        <Tabs.Root defaultValue="circuit" className="flex min-h-0 flex-1 flex-col">
          <Tabs.List aria-label="About the circuit" className="mb-1 flex gap-3 border-b border-hair">
            {[
              ['circuit', 'Circuit'],
              ['hours', 'Hours'],
              ['packs', 'Packs'],
              ['methods', 'Methods'],
              ['meter', 'Bench meter'],
              ['places', 'Places'],
              ...(glowing.length > 0 ? [['glow', 'Glow']] : []),
            ].map(([value, words]) => (
              <Tabs.Trigger
                key={value}
                value={value!}
                className="border-b-2 border-transparent px-1 pb-1 text-[13.5px] data-[state=active]:border-teal data-[state=active]:font-medium"
              >
                {words}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <Tabs.Content value="circuit" className="relative min-h-0 flex-1">
            <Schematic circuit={circuit} />
            {circuit?.runs.some((r) => r.partId === part.id) && (
              <div className="absolute right-1 top-0">
                <ChannelsButton part={part} circuit={circuit} change={change} />
              </div>
            )}
          </Tabs.Content>
          <Tabs.Content value="hours" className="min-h-0 flex-1">
            <RunChart circuit={circuit} />
          </Tabs.Content>
          <Tabs.Content value="packs" className="min-h-0 flex-1 overflow-auto">
            <PackChoices circuit={circuit} onTake={(packId) => circuit && takePack(circuit, packId)} />
          </Tabs.Content>
          <Tabs.Content value="methods" className="min-h-0 flex-1 overflow-auto">
            <Methods key={circuit?.id} circuit={circuit} />
          </Tabs.Content>
          <Tabs.Content value="meter" className="min-h-0 flex-1 overflow-auto">
            <Readings circuit={circuit} />
          </Tabs.Content>
          <Tabs.Content value="places" className="min-h-0 flex-1 overflow-auto">
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
          </Tabs.Content>
          <Tabs.Content value="glow" className="min-h-0 flex-1 overflow-auto">
            {glowing.map((f) => (
              <Glow
                key={f.id}
                feature={f}
                onTake={(params) =>
                  change((p) => {
                    const own = byId(p.features, f.id);
                    if (own) Object.assign(own.params, params);
                  })
                }
              />
            ))}
          </Tabs.Content>
        </Tabs.Root>
      </div>
    </div>
  );
}

/** What is shown in the dark as it is played: never what flashes too often. */
const playedOf = (made: readonly CircuitReport[], circuits: readonly Circuit[], partId: string): Played[] =>
  made.flatMap((c) => {
    const effect = byId(circuits, c.id)?.effect;
    if (!effect || effect.kind === 'steady' || c.flashes > 3) return [];
    return [{ effect, ids: c.lamps.filter((l) => l.partId === partId).map((l) => l.item.id) }];
  });

/** Another pack in the same place, as one step. */
function takePack(circuit: CircuitReport, packId: string): void {
  const { source } = circuit;
  const { doc, update } = useBuild.getState();
  const index = doc.parts.findIndex((p) => p.id === source?.partId);
  const path = source?.item.choose;
  if (!path || index < 0) return;
  const next = applyChanges(doc, [{ path: ['parts', index, ...path], value: packId }]);
  update((d) => void (d.parts = next.parts as Draft<typeof d.parts>));
}

/** A part with nothing in it yet. */
function Dark({ part, made }: { part: Part; made: PartReport }) {
  const update = useBuild((s) => s.update);
  const [busy, setBusy] = useState(false);
  const light = async (): Promise<void> => {
    setBusy(true);
    const found = await askLights(part.id);
    setBusy(false);
    if (!found.ok) {
      toast.error(`Not lit: ${found.message}`);
      return;
    }
    const lights = found.value;
    update((d) => {
      const target = findIn(d.parts, (p) => p.id === part.id);
      target.features.push(...(lights.features as Draft<Feature>[]));
      target.params = lights.params as Draft<Part>['params'];
      d.circuits.push(lights.circuit as Draft<Circuit>);
    });
    if (lights.changed.length > 0)
      toast(`${part.name} was changed to make room: ${lights.changed.join(', ')}.`);
  };
  return (
    <div className="m-8 max-w-md">
      <h2 className="text-xl">{part.name} is dark</h2>
      <p className="my-2 text-soft">
        {made.templates.length > 0 && made.pieces.length === 0
          ? 'Holes are planned before anything is drilled. It begins with three amber lamps and a switch in its largest wall, the pack in its room.'
          : made.pieces.length > 0
            ? 'Lamps, switch and pack are planned now, before foam is cut. They begin as three amber lamps on its largest piece, the pack where there is most room.'
            : 'Light, switch and pack begin in the room it has; each can be moved or changed.'}
      </p>
      <button type="button" className="btn btn-main" disabled={busy} onClick={() => void light()}>
        {busy ? 'Finding room…' : 'Light it'}
      </button>
    </div>
  );
}
