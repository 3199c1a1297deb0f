import type { Check } from '../../document';
import { boundsOf } from '../../geometry';
import { litFace, type LitFace } from '../../light';
import { type FoamSheet, lobes, SEEN_SHARE, throughFoam, walls } from '../../materials';
import type { LaidPanel } from '../../panel';
import { trimNumber } from '../../units';
import { featurePath, type Item, type LaidPart, type Work } from '../contract';
import type { LampParams } from './lamps';

export const CELLS = 48;
/** Fastening a lamp behind foam, min; from memory. */
const EACH_MIN = 2;

/** The foam before the lamps as light sees it: half their distance beyond the outer ones; nothing where none goes through. */
export function faceThrough(
  foam: FoamSheet,
  { pitchMm, awayMm }: Pick<LampParams, 'pitchMm' | 'awayMm'>,
  items: readonly Pick<Item, 'flat'>[],
): LitFace | undefined {
  const layer = throughFoam(foam.foamId, foam.thicknessMm.value);
  const spots = items.flatMap((i) => i.flat ?? []);
  if (!layer || spots.length === 0) return undefined;
  const b = boundsOf(spots);
  const edge = pitchMm / 2;
  return {
    widthMm: b.maxX - b.minX + 2 * edge,
    heightMm: b.maxY - b.minY + 2 * edge,
    distanceMm: Math.max(0.5, awayMm),
    sources: spots.map((p) => ({
      xMm: p.x - b.minX + edge,
      yMm: p.y - b.minY + edge,
      flux: 1,
      lobe: lobes.diffused,
    })),
    layers: [layer],
    wallReflectance: walls.plain.reflectance,
    wallDiffuse: walls.plain.diffuse,
  };
}

/** Checks of lamps that shine through foam: no light passes, too little does, or how even the glow is. */
export function throughChecks(
  on: LaidPart,
  id: string,
  laid: LaidPanel,
  params: LampParams,
  items: readonly Item[],
): Check[] {
  const face = faceThrough(laid.foam, params, items);
  const base = {
    station: 'inside' as const,
    pieceId: laid.panel.id,
    provenance: 'memory' as const,
  };
  const holes = {
    label: 'Cut a hole for every lamp',
    changes: [{ path: featurePath(on, { id }, 'params', 'shows'), value: 'hole' }],
  };
  if (!face)
    return [
      {
        ...base,
        id: `through-${id}`,
        severity: 'stop',
        title: `no light comes through the foam of ${laid.panel.name}.`,
        why: 'Closed-cell craft foam is opaque. White polyethylene and pale upholstery foam glow; others want a hole for every lamp.',
        excess: 1,
        remedies: [holes],
      },
    ];
  const { passed, evenness } = litFace(face, CELLS);
  return [
    {
      ...base,
      id: `through-${id}`,
      severity: passed < SEEN_SHARE ? 'mind' : 'note',
      title: `${trimNumber(passed * 100, 0)} % of the light comes through ${laid.panel.name}; the darkest spot between the lamps has ${trimNumber(evenness * 100, 0)} % of the mean.`,
      why: 'Cosine and inverse square from every lamp, then what the foam lets through and spreads, by its thickness. Hold a strip of it over a lamp before cutting.',
      excess: Math.max(1e-6, SEEN_SHARE - passed),
      remedies: passed < SEEN_SHARE ? [holes] : [],
    },
  ];
}

export const throughWork = ({ count, awayMm }: LampParams): Work => ({
  step: 'behind-foam',
  when: 'lit',
  verb: 'fasten',
  what: 'lamps behind the foam',
  count,
  eachMin: EACH_MIN,
  detail: `In a strip of foam glued inside, ${trimNumber(awayMm)} mm off the face they shine through; test every one before it is closed.`,
  cautions: [],
  waitMin: 0,
});
