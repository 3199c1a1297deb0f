import type { Coat, Part, Scheme } from '../document';
import { colourName, lightness } from '../materials';
import { dist3, triangleArea } from '../geometry';
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

/** What lines and rivets of a detail cover. */
const drawnMm2 = ({ drawn }: Pick<PartReport, 'drawn'>, id: string): number =>
  drawn
    .filter((d) => d.featureId === id && d.kind !== 'hole')
    .reduce(
      (sum, { points, acrossMm }) =>
        sum +
        (points.length === 1
          ? (Math.PI * acrossMm ** 2) / 4
          : points.slice(1).reduce((mm, p, i) => mm + dist3(p, points[i]!), 0) * acrossMm),
      0,
    );

/** The colours of a scheme in the order they are painted: the base, then what differs. Bare foam is not painted. */
export function coloursOf(
  { scheme }: Pick<Part, 'scheme'>,
  report: Pick<PartReport, 'pieces' | 'panels' | 'extras' | 'extraRuns' | 'drawn' | 'painted'>,
): PaintedColour[] {
  if (!scheme) return [];
  const found: PaintedColour[] = [];
  let ofFaces = 0;
  const add = (coat: Coat, on: string, areaMm2: number, face = true): void => {
    if (face) ofFaces += areaMm2;
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
      const mm2 = detailMm2(report, area.id) + drawnMm2(report, area.id);
      if (mm2 > 0) add(area, 'details', mm2);
    }
    const edge = area.of === 'edge' && piece?.edges.find((e) => e.id === area.edge);
    // The face of an edge is not among those that are painted.
    if (piece && edge)
      add(area, `${edge.name} of ${piece.name}`, edge.lengthMm * piece.thicknessMm * eachOf(piece), false);
  }
  const whole = report.painted.reduce((sum, p) => sum + p.areaMm2, 0);
  const base: PaintedColour = {
    colour: scheme.base.colour,
    surface: scheme.base.surface,
    name: words(scheme.base),
    on: [],
    areaMm2: Math.max(0, whole - ofFaces),
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
