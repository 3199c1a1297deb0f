/** What cases of bought things are made of, and how they take paint; from memory. */
export const caseMaterials = {
  hard: {
    label: 'hard plastic (ABS, polystyrene)',
    prime: 'Scuff with 220 grit, wipe, plastic primer; strong solvents craze it.',
  },
  soft: {
    label: 'soft plastic (polyethylene, polypropylene)',
    prime: 'Scuff, wipe with alcohol, adhesion promoter: without it paint peels off in sheets.',
  },
  metal: { label: 'metal', prime: 'Scuff with 180 grit, degrease, metal primer.' },
  wood: { label: 'wood', prime: 'Sand with 180 grit, seal, sand again.' },
  unknown: {
    label: 'not known',
    prime: 'Try primer where nobody looks: it holds or it crazes.',
  },
} as const;

export type CaseMaterial = keyof typeof caseMaterials;
