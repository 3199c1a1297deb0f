import { applyChanges, type BuildDoc } from '@fomrik/core/document';
import { litFace } from '@fomrik/core/light';
import { newBuild, newPart, standardKinds } from '@fomrik/core/parts';
import { placesFor } from '@fomrik/core/report';
import { type Branch, junctionOf, solveNetwork } from '../core/src/circuit/nodal';

/** Sixty LEDs, each in a string of its own along a rail of wire. */
const sixty: Branch[] = [
  { id: 'pack', kind: 'source', a: 1, b: 0, volts: 4.5, ohm: 0.5 },
  ...Array.from({ length: 60 }, (_, i): Branch[] => [
    { id: 'wire', kind: 'resistor', a: 1 + i, b: 2 + i, ohm: 0.02 },
    {
      id: 'string',
      kind: 'string',
      a: 2 + i,
      b: 0,
      count: 1,
      junction: junctionOf({ forwardV: 2.1, ratedA: 0.02 }),
      ohm: 120,
    },
  ]).flat(),
];

export const solveSixty = (): unknown => solveNetwork(sixty);

/** A window of two by one decimetre, twelve lamps behind it, foil walls, two layers. */
export const glow = (): unknown =>
  litFace(
    {
      widthMm: 200,
      heightMm: 200,
      distanceMm: 20,
      sources: Array.from({ length: 12 }, (_, i) => ({
        xMm: 25 + (i % 4) * 50,
        yMm: 33 + Math.floor(i / 4) * 67,
        flux: 1,
        lobe: 1,
      })),
      layers: [
        { transmission: 0.5, spreadMm: 4 },
        { transmission: 0.5, spreadMm: 4 },
      ],
      wallReflectance: 0.85,
    },
    256,
  );

/** The best five places for the pack of the first part that has one. */
export function placesIn(doc: BuildDoc, i: number): unknown {
  const part = doc.parts.find((p) => p.features.some((f) => f.kind === 'pack'))!;
  const pack = part.features.find((f) => f.kind === 'pack')!;
  return placesFor(
    applyChanges(doc, [{ path: ['name'], value: `${doc.name} ${i}` }]),
    part.id,
    pack.id,
    'even',
  );
}

/** Two hundred parts in a row of boxes with a pack each, as a build. */
export function manyBoxes(count: number): BuildDoc {
  const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };
  const kind = standardKinds.features.get('pack')!;
  return {
    ...newBuild('Many', '2026-03-01', wearer),
    parts: Array.from({ length: count }, (_, i) => {
      const part = newPart(`box-${i}`, wearer, 'box');
      const { place, params } = kind.start({ panel: 'face', edge: '', at: { x: 0.5, y: 0.5 } });
      return {
        ...part,
        params: { ...part.params, open: 'back', heightMm: 160 + i },
        features: [{ id: `pack-${i}`, kind: kind.kind, place, params }],
      };
    }),
  };
}

/** A pack nudged along its wall: what a first answer asks anew of the space it is in. */
export const nudged = (doc: BuildDoc, i: number): BuildDoc =>
  applyChanges(doc, [{ path: ['parts', 0, 'features', 0, 'place', 'u'], value: 0.4 + (i % 10) / 100 }]);
