import { featureIdsOf, type Feature, type Part } from '@fomrik/core/document';
import type { FeatureKind, Pointed } from '@fomrik/core/features';
import type { Vec2, Vec3 } from '@fomrik/core/geometry';
import { nearestOn } from '@fomrik/core/panel';
import { drawnPieces, freeName, type PartReport, standardKinds } from '@fomrik/core/parts';
import { byId, findIn, firstOf } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { toast } from 'sonner';
import { useBuild } from '../store/build';
import { askStart, useReport } from '../store/report';
import { selectFeature, useSelected } from '../store/selection';
import { shownDoc } from '../store/version';
import { useView } from '../store/view';

/** Where something is let go on the shell. */
export interface DropSpot {
  pieceId: string;
  at: Vec2;
}

const round = (t: number): number => Math.round(t * 1000) / 1000;

/** Where a new detail goes: where it was let go, on the selected edge, or beside what is there. */
function pointedAt(part: Part, made: PartReport, spot: DropSpot | undefined): Pointed {
  const { edge } = useSelected.getState();
  const chosen = edge && byId(drawnPieces(made), edge.pieceId)?.edges.find((e) => e.id === edge.edgeId);
  const first = made.panels[0];
  const near = part.features.find((f) => f.place.on === 'panel')?.place;
  const panel = near?.on === 'panel' ? near.panel : (first?.id ?? '');
  if (spot)
    return {
      panel: spot.pieceId,
      edge: first?.edges[0]?.id ?? '',
      at: { x: round(spot.at.x), y: round(spot.at.y) },
    };
  const at = { x: 0.5, y: 0.5 };
  if (edge && chosen) return { ...(chosen.of ?? { panel: edge.pieceId, edge: edge.edgeId }), at };
  return { panel, edge: first ? firstOf(first.edges).id : '', at };
}

/** Whether a kind has a place in a part: a piece, or a room for what lies in one. */
export const hasPlace = (kind: FeatureKind, made: PartReport): boolean =>
  (made.panels.length > 0 && kind.places.some((p) => p !== 'room')) ||
  (made.rooms.some((r) => r.panel === undefined) && kind.places.includes('room'));

/**
 * A new detail of a part, as one step and selected: where it was let go, or where it fits. A part that is all stick takes
 * it into its room. A light joins the circuit the part has.
 */
export async function addFeature(partId: string, kind: FeatureKind, spot?: DropSpot): Promise<void> {
  const { doc, update } = useBuild.getState();
  const part = byId(shownDoc(doc, useView.getState().versionId).parts, partId);
  const made = byId(useReport.getState().report?.parts ?? [], partId);
  if (!part || !made) return;
  const id = freeName(featureIdsOf(doc), `${part.id}.${kind.kind}`);
  const room = made.rooms.find((r) => r.panel === undefined);
  const inRoom = !kind.places.some((p) => p !== 'room') || made.panels.length === 0;
  const pointed = pointedAt(part, made, spot);
  const started = await askStart({
    partId: part.id,
    kind: kind.kind,
    id,
    pointed,
    // Where it was let go it stays; else the best spot is looked for.
    ...(inRoom && room && { place: { on: 'room', room: room.id, alongMm: 0, acrossMm: 0, turnDeg: 0 } }),
    ...(!inRoom && spot && { place: kind.start(pointed).place }),
  });
  if (!started.ok) {
    toast.error(`${kind.verb} was not added: ${started.message}`);
    return;
  }
  const { place, params } = started.value;
  update((d) => {
    const target = findIn(d.parts, (p) => p.id === part.id);
    target.features.push({ id, kind: kind.kind, place, params } as Draft<Feature>);
    const own = new Set(part.features.map((f) => f.id));
    const circuit = d.circuits.find((c) => own.has(c.source));
    if (kind.electric === 'load' && circuit)
      circuit.loads.push({ feature: id, currentMa: circuit.loads[0]?.currentMa ?? 20 });
  });
  selectFeature(part.id, id);
}

/** Lets go of what is dragged from the tray at a point of the chosen part's shell, in the part's space. */
export function dropOn(point: Vec3): void {
  const { inHand } = useView.getState();
  const kind = inHand === undefined ? undefined : standardKinds.features.get(inHand);
  useView.setState({ inHand: undefined });
  const { parts = [] } = useReport.getState().report ?? {};
  const made = byId(parts, useSelected.getState().partId) ?? parts[0];
  const spot = kind && made && nearestOn(made.surfaces, point);
  if (kind && spot) void addFeature(made.id, kind, spot);
}

/** Takes details out of a part; circuits they fed go with them, others let go of them. */
export function removeFeatures(partId: string, ids: readonly string[]): void {
  useBuild.getState().update((d) => {
    const target = findIn(d.parts, (p) => p.id === partId);
    target.features = target.features.filter((f) => !ids.includes(f.id));
    d.circuits = d.circuits.filter((c) => !ids.includes(c.source));
    for (const c of d.circuits) {
      c.loads = c.loads.filter((l) => !ids.includes(l.feature));
      if (c.switch && ids.includes(c.switch)) c.switch = null;
    }
  });
  useSelected.setState(({ featureIds }) => ({ featureIds: featureIds.filter((id) => !ids.includes(id)) }));
}
