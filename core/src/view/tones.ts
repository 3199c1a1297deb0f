import { bareScheme, type Coat, type Scheme, type SurfaceLook } from '../document';
import type { PartReport } from '../parts';
import type { Tone } from './shaded';

/** How glossy and how much of a metal each surface is; as it looks, no source. */
export const surfaceTones: Readonly<Record<SurfaceLook, Omit<Tone, 'rgb'>>> = {
  matt: { gloss: 0.06, metal: 0 },
  satin: { gloss: 0.3, metal: 0 },
  gloss: { gloss: 0.85, metal: 0 },
  metallic: { gloss: 0.6, metal: 1 },
  pearl: { gloss: 0.55, metal: 0.4 },
  bare: { gloss: 0.1, metal: 0 },
  leather: { gloss: 0.2, metal: 0 },
  wood: { gloss: 0.22, metal: 0 },
};

export const rgbOf = (hex: string): [number, number, number] => [
  parseInt(hex.slice(1, 3), 16),
  parseInt(hex.slice(3, 5), 16),
  parseInt(hex.slice(5, 7), 16),
];

/** What a piece or a detail is painted: as its own area says, else as the rest. */
export const coatOf = ({ base, areas }: Scheme, id: string): Coat =>
  [...areas].reverse().find((a) => a.of !== 'edge' && a.id === id) ?? base;

/** The colours that the sheets of a part come in, by piece and by the detail that lays one. */
export function sheetColours({ pieces }: Pick<PartReport, 'pieces'>): ReadonlyMap<string, string> {
  return new Map(
    pieces.flatMap(({ id, featureId, foamColour }): [string, string][] => [
      [id, foamColour],
      ...(featureId === undefined ? [] : [[featureId, foamColour] as [string, string]]),
    ]),
  );
}

/** How what is shown of a part looks in its scheme; what is not painted has the colour of its sheet. */
export function toneIn(
  part: Pick<PartReport, 'pieces'>,
  scheme: Scheme = bareScheme,
): (shown: { id: string }) => Tone {
  const sheets = sheetColours(part);
  return ({ id }) => {
    const { colour, surface } = coatOf(scheme, id);
    const shown = surface === 'bare' ? (sheets.get(id) ?? colour) : colour;
    return { rgb: rgbOf(shown), ...surfaceTones[surface] };
  };
}
