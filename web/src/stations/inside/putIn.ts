import { findIn } from '@fomrik/core/units';
import { freeName } from '@fomrik/core/parts';
import { featureIdsOf, type Feature, type Part } from '@fomrik/core/document';
import type { FeatureKind } from '@fomrik/core/features';
import type { Vec2 } from '@fomrik/core/geometry';
import type { PartReport } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { askStart } from '../../store/report';

/** Where something is let go on the shell. */
export interface DropSpot {
  pieceId: string;
  at: Vec2;
}

/**
 * A new thing in a part, as one step: where it was let go, or in the middle of the piece the others are on. A part that
 * is all stick takes it into its room. A light joins the circuit the part has.
 */
export async function putIn(part: Part, made: PartReport, kind: FeatureKind, spot?: DropSpot): Promise<void> {
  const { doc, update } = useBuild.getState();
  const id = freeName(featureIdsOf(doc), `${part.id}.${kind.kind}`);
  const first = made.panels[0];
  const room = made.rooms.find((r) => r.panel === undefined);
  const inRoom = !kind.places.some((p) => p !== 'room') || !first;
  const near = part.features.find((f) => f.place.on === 'panel')?.place;
  const panel = spot?.pieceId ?? (near?.on === 'panel' ? near.panel : (first?.id ?? ''));
  const round = (t: number): number => Math.round(t * 1000) / 1000;
  const at = spot ? { x: round(spot.at.x), y: round(spot.at.y) } : { x: 0.5, y: 0.5 };
  const pointed = { panel, edge: first?.edges[0]?.id ?? '', at };
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
}
