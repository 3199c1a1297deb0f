import { inPart, type PartRule } from './rule';

/** Walls that light comes out of are not painted over with the rest. */
export const wallsLeftBare: PartRule = ({ part, index, context }) => {
  const { scheme, features } = part;
  if (!scheme || scheme.base.surface === 'bare' || scheme.areas.some((a) => a.surface === 'bare')) return [];
  return features.flatMap((feature, i) => {
    const coated = context.kinds.features.get(feature.kind)?.bareWalls?.(feature.params);
    return coated
      ? [
          {
            id: `painted-over:${part.id}:${feature.id}`,
            severity: 'mind' as const,
            station: 'inside' as const,
            title: `${part.name} is painted all over, and its light comes out through walls that must not be painted.`,
            why: 'Paint stops it. Under Finish, make those pieces or edges an area of bare foam, which is then masked; or plan for one thin coat.',
            provenance: 'practice' as const,
            excess: 1,
            partId: part.id,
            featureId: feature.id,
            remedies: [
              {
                label: 'Plan for one thin coat',
                changes: inPart(index, [{ path: ['features', i, 'params'], value: coated }]),
              },
            ],
          },
        ]
      : [];
  });
};
