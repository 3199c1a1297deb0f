import type { Coat, Part, Scheme } from '../document';
import { colourName, lightness } from '../materials';
import { triangleArea } from '../geometry';
import { eachOf } from '../panel';
import type { PartReport } from './partReport';

/** A colour that is painted: how, on what, and on how much of one copy. */
export interface PaintedColour extends Coat {
  /** Its plain name, and how it takes the light. */
  name: string;
  /** What it goes on in words; all of it for the base. */
  on: string[];
  areaMm2: number;
}

const words = ({ colour, surface }: Coat): string =>
  `${colourName(colour)}, ${surface === 'bare' ? 'bare foam' : surface}`;

const sameCoat = (a: Coat, b: Coat): boolean => a.colour === b.colour && a.surface === b.surface;

/** Both faces of a detail are in its mesh; one is painted. */
function detailMm2(part: Pick<PartReport, 'extras' | 'extraRuns'>, id: string): number {
  const { points, triangles } = part.extras;
  return part.extraRuns
    .filter((r) => r.id === id)
    .reduce((sum, { from, to }) => {
      for (let t = from; t < to; t++) {
        const [a, b, c] = triangles[t]!;
        sum += triangleArea(points[a]!, points[b]!, points[c]!) / 2;
      }
      return sum;
    }, 0);
}

/** The colours of a scheme in the order they are painted: the base, then what differs. Bare foam is not painted. */
export function coloursOf(
  { scheme }: Pick<Part, 'scheme'>,
  report: Pick<PartReport, 'pieces' | 'panels' | 'extras' | 'extraRuns' | 'painted'>,
): PaintedColour[] {
  if (!scheme) return [];
  const found: PaintedColour[] = [];
  const add = (coat: Coat, on: string, areaMm2: number): void => {
    const known = found.find((f) => sameCoat(f, coat));
    if (known) {
      if (!known.on.includes(on)) known.on.push(on);
      known.areaMm2 += areaMm2;
    } else found.push({ colour: coat.colour, surface: coat.surface, name: words(coat), on: [on], areaMm2 });
  };
  for (const area of scheme.areas) {
    if (sameCoat(area, scheme.base)) continue;
    const piece = report.pieces.find((p) => p.id === area.id);
    if (area.of === 'piece' && piece) add(area, piece.name, piece.areaMm2 * eachOf(piece));
    if (area.of === 'detail') {
      const mm2 = detailMm2(report, area.id);
      if (report.extraRuns.some((r) => r.id === area.id)) add(area, 'details', mm2);
    }
  }
  const rest = found.reduce((sum, f) => sum + f.areaMm2, 0);
  const whole = report.painted.reduce((sum, p) => sum + p.areaMm2, 0);
  const base: PaintedColour = {
    colour: scheme.base.colour,
    surface: scheme.base.surface,
    name: words(scheme.base),
    on: [],
    areaMm2: Math.max(0, whole - rest),
  };
  return [base, ...inPaintOrder(found)].filter((c) => c.surface !== 'bare');
}

/** Light before dark, and metal last, since it goes over black. */
export const inPaintOrder = (colours: readonly PaintedColour[]): PaintedColour[] =>
  [...colours].sort(
    (a, b) =>
      Number(a.surface === 'metallic') - Number(b.surface === 'metallic') ||
      lightness(b.colour) - lightness(a.colour),
  );

/** How many colours a scheme paints. */
export function colourCount({ base, areas }: Scheme): number {
  const painted = [base, ...areas].filter((c) => c.surface !== 'bare');
  return new Set(painted.map((c) => `${c.colour} ${c.surface}`)).size;
}
