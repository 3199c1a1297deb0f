import type { Check, Proposal, Feature, PanelSpot } from '../../document';
import { common, contains, dot3, signedArea, sub3, type Vec2 } from '../../geometry';
import { isRigid } from '../../materials';
import {
  FLOOR_MM,
  footprintOutline,
  layersUnder,
  onGrid,
  type Panel,
  pocketCut,
  type Shape,
} from '../../panel';
import { byId, trimNumber, findIn, itemAt } from '../../units';
import { type FoamOf, featurePath, type LaidPart, panelOf } from '../contract';
import type { Footing } from './device';

/** A pocket is cut this much under what goes in, each side, in foam, and over it in rigid sheet (common practice; from memory). */
const UNDER_MM = 1;
const OVER_MM = 0.5;
/** Least foam between a pocket and an edge or a channel, mm; common practice, no source. */
const WALL_MM = 6;

interface Sized {
  /** Of the cut, where a feature makes more than one. */
  id?: string;
  widthMm: number;
  lengthMm: number;
  deepMm: number;
  name: string;
  shape?: Shape;
}

/** The layers a device is let into, cut for it; the same panels where it does not lie in a lamination. */
export function deviceCut(
  panels: readonly Panel[],
  { id, place }: Pick<Feature, 'id' | 'place'>,
  { widthMm, lengthMm, deepMm, name, shape, id: cutId = id }: Sized,
  foamOf: FoamOf,
): readonly Panel[] {
  if (place.on !== 'panel') return panels;
  return pocketCut(panels, place.panel, { x: place.u, y: place.v }, foamOf, {
    id: cutId,
    of: id,
    name,
    deepMm,
    outlineIn: (foam) => {
      const more = isRigid(foam.kind) ? 2 * OVER_MM : -2 * UNDER_MM;
      return footprintOutline({
        at: { x: 0, y: 0 },
        widthMm: Math.max(2, widthMm + more),
        lengthMm: Math.max(2, lengthMm + more),
        turnDeg: place.turnDeg,
        shape,
      });
    },
  });
}

const clearOf = (outline: readonly Vec2[], from: readonly Vec2[]): boolean =>
  common([[...outline]], [[...from]]).every((r) => Math.abs(signedArea(r)) < 1);

/**
 * What is wrong with a pocket in a lamination: too deep for the layers under it, a wall too thin, or a stick, another
 * pocket or an opening in its way. Nothing where the device does not lie in one. `others` take less room.
 */
export function pocketChecks(
  on: LaidPart,
  feature: Pick<Feature, 'id' | 'place'>,
  footing: Footing,
  sized: Sized,
  others: readonly Proposal[] = [],
): Check[] {
  const { name, deepMm } = sized;
  const { id, place } = feature;
  if (!footing.room.solid || !footing.laid || place.on !== 'panel') return [];
  const checks: Check[] = [];
  // In whichever layer it is: a stick in its channel, another pocket, an opening.
  const layers = layersUnder(
    footing.laid.panel,
    on.panels.map((l) => l.panel),
    (p) => findIn(on.panels, (l) => l.panel === p).foam.thicknessMm.value,
  );
  const clear = (): Proposal[] =>
    clearSpots(layers, feature, place, sized).map(([u, v]) => ({
      label: `Move it to ${Math.round(u * 100)} % across, ${Math.round(v * 100)} % up`,
      changes: [{ path: featurePath(on, { id }, 'place'), value: { ...place, u, v } }],
    }));
  const { plate } = panelOf(on, place.panel)!.panel;
  const own = byId(plate!.cuts, id);
  const wallMm = own ? wallOf(own.outline, plate!.outline) : 0;
  if (wallMm < WALL_MM)
    checks.push({
      id: `pocket-wall-${id}`,
      severity: own ? 'mind' : 'stop',
      station: 'inside',
      title: own
        ? `the pocket of the ${name} leaves ${trimNumber(wallMm)} mm of wall; keep ${WALL_MM} mm.`
        : `the pocket of the ${name} breaks the edge of ${footing.laid.panel.name}, and is not cut.`,
      why: 'A thin wall tears out when the thing is pushed in.',
      provenance: 'practice',
      excess: WALL_MM - wallMm,
      pieceId: footing.laid.panel.id,
      remedies: clear(),
    });
  const inWay = layers.flatMap(({ plate: layer }) => {
    const cut = byId(layer!.cuts, id);
    return cut ? layer!.cuts.filter((c) => c.of !== id && !clearOf(cut.outline, c.outline)) : [];
  })[0];
  if (inWay)
    checks.push({
      id: `pocket-way-${id}`,
      severity: 'stop',
      station: 'inside',
      title: `the pocket of the ${name} runs into ${inWay.channel ? 'the channel of a stick' : inWay.name}.`,
      why: 'Both are cut out of the same layer.',
      provenance: 'standard',
      excess: 1,
      pieceId: footing.laid.panel.id,
      remedies: clear(),
    });
  if (deepMm > footing.depthMm + 0.05)
    checks.push({
      id: `pocket-deep-${id}`,
      severity: 'stop',
      station: 'inside',
      title: `the ${name} wants a pocket ${trimNumber(deepMm)} mm deep; ${trimNumber(footing.depthMm)} mm can be cut and ${FLOOR_MM} mm left under it.`,
      why: 'What does not go in keeps the layers from closing.',
      provenance: 'practice',
      excess: deepMm - footing.depthMm,
      pieceId: footing.laid.panel.id,
      remedies: [...others],
    });
  return checks;
}

/** Spots tried along either side of a layer. */
const TRIES = 20;

/** The spots nearest to where a device is, at which its pocket keeps its walls and nothing is in its way; shares. */
function clearSpots(
  layers: readonly Panel[],
  { id }: Pick<Feature, 'id'>,
  place: PanelSpot,
  { widthMm, lengthMm }: Sized,
): [number, number][] {
  const [own] = layers;
  const print = footprintOutline({ at: { x: 0, y: 0 }, widthMm, lengthMm, turnDeg: place.turnDeg });
  const fits = (u: number, v: number): boolean => {
    const p = onGrid(own!.grid, { x: u, y: v });
    return layers.every(({ plate }) => {
      const d = sub3(p, plate!.origin);
      const at = { x: dot3(d, plate!.across), y: dot3(d, plate!.up) };
      const ring = print.map((q) => ({ x: q.x + at.x, y: q.y + at.y }));
      return (
        ring.every((q) => contains(plate!.outline, q)) &&
        wallOf(ring, plate!.outline) >= WALL_MM &&
        plate!.cuts.every((c) => c.of === id || clearOf(ring, c.outline))
      );
    });
  };
  const shares = Array.from({ length: TRIES - 1 }, (_, i) => (i + 1) / TRIES);
  const nearest = shares
    .flatMap((u) => shares.map((v): [number, number] => [u, v]))
    .sort((a, b) => Math.hypot(a[0] - place.u, a[1] - place.v) - Math.hypot(b[0] - place.u, b[1] - place.v))
    .find(([u, v]) => fits(u, v));
  return nearest ? [nearest] : [];
}

function wallOf(ring: readonly Vec2[], outline: readonly Vec2[]): number {
  let least = Infinity;
  for (const p of ring)
    for (let i = 0; i < outline.length; i++) {
      const [a, b] = [itemAt(outline, i), itemAt(outline, (i + 1) % outline.length)];
      const d = { x: b.x - a.x, y: b.y - a.y };
      const t = ((p.x - a.x) * d.x + (p.y - a.y) * d.y) / (d.x * d.x + d.y * d.y || 1);
      const k = Math.min(1, Math.max(0, t));
      least = Math.min(least, Math.hypot(p.x - a.x - k * d.x, p.y - a.y - k * d.y));
    }
  return least;
}
