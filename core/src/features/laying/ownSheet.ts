import { choice, type FoamField } from '../../document';
import { catalogue, type FoamSheet } from '../../materials';
import type { LaidPart } from '../contract';

/** What a detail is cut from: the foam of its part, or another. */
export const madeOf = choice(
  'madeOf',
  'Cut from',
  [['part', 'foam of the part'], ...catalogue.foams.map((f) => [f.id, f.name] as const)],
  'The foam of the part, or another: thin and dense for trims, soft for pads.',
  'Foam',
  { open: true, foams: true },
);

/** The thickness of it. */
export const thicknessOf = (
  help: string,
  rest: Partial<Pick<FoamField, 'usualMm' | 'own' | 'group'>> = {},
): FoamField<'foamMm'> => ({
  type: 'foam',
  key: 'foamMm',
  label: 'Thickness',
  help,
  group: 'Foam',
  own: false,
  of: 'madeOf',
  ...rest,
});

/** The sheet a detail is cut from. */
export const ownSheet = (
  on: Pick<LaidPart, 'ply' | 'sheet'>,
  { madeOf: foamId, foamMm }: { madeOf?: string | number; foamMm: number },
): FoamSheet =>
  on.sheet({
    foamId: foamId === undefined || foamId === 'part' ? on.ply.foamId : String(foamId),
    nominalMm: foamMm === 0 ? on.ply.nominalMm : foamMm,
  });
