import type { CircuitReport } from '../circuit';
import type { Body } from '../body';
import type { PieceEdge } from '../panel';
import { drawnPieces, type PartReport } from '../parts';
import type { Step, StepAbout } from '../plan';
import { byId, counted } from '../units';
import type { Drawing } from '../view';
import { type FlatWork, flatPicture } from './flatPicture';
import { sideBySide } from './sideBySide';
import { bendInset, knifeInset, withInset } from './insets';
import { solidPicture, type SolidWork } from './solidPicture';
import { wornPicture } from './wornPicture';

/** What a picture of a step is made from. */
export interface Pictured {
  body: Body;
  parts: readonly PartReport[];
  circuits: readonly CircuitReport[];
}

/** Size of a picture, units; an inset stands beside it. */
export const WIDTH = 480;
export const HEIGHT = 320;

/** Parts that are drawn beside one another at most. */
const MOST = 6;

const always = (): boolean => true;

/** What of the flat pieces is worked on, where that is what is handled. */
const onFlat: Partial<Record<StepAbout, FlatWork>> = {
  pieces: { of: (p) => p.role !== 'lining' },
  pages: { of: (p) => p.role !== 'lining' },
  bevels: { of: (p) => p.edges.some((e) => e.bevelDeg !== 0), edge: (e) => e.bevelDeg !== 0 },
  folds: {
    of: (p) => p.marks.some((m) => m.kind === 'fold' || m.kind === 'groove'),
    mark: (m) => m.kind === 'fold' || m.kind === 'groove',
  },
  darts: { of: (p) => p.marks.some((m) => m.kind === 'dart'), mark: (m) => m.kind === 'dart' },
  laid: { of: (p) => p.role === 'laid' },
  lining: { of: (p) => p.role === 'lining' },
};

const edgesBy =
  (part: PartReport, is: (edge: PieceEdge) => boolean): NonNullable<SolidWork['edges']> =>
  (pieceId, edgeId) => {
    const edge = byId(byId(drawnPieces(part), pieceId)?.edges ?? [], edgeId);
    return edge !== undefined && is(edge);
  };

/** What of the solid is worked on. */
function onSolid(
  part: PartReport,
  { about, featureIds = [] }: Step,
  { parts, circuits }: Pictured,
): SolidWork {
  const details = (id: string): boolean => featureIds.includes(id);
  switch (about) {
    case 'seams':
      return { edges: edgesBy(part, (e) => e.joint === 'seam'), letters: true };
    case 'attached':
      return { edges: edgesBy(part, (e) => e.attached !== undefined), letters: true };
    case 'straps':
      return { edges: edgesBy(part, (e) => e.joint === 'closure' || e.attached?.by === 'strap') };
    case 'edges':
      return { edges: always, whole: true };
    case 'details':
      return featureIds.length > 0
        ? { ids: details, items: details }
        : { ids: always, items: always, whole: true };
    case 'items':
    case 'masks':
      return { items: always };
    case 'wires':
      return { items: always, circuits };
    case 'mount':
      return { ids: always, beside: parts };
    case 'bends':
    case 'surface':
    default:
      return { ids: always, whole: true };
  }
}

/** A picture in which something is picked out; what lies hidden inside has nothing to show, and the whole part stands for it. */
const picked = (drawing: Drawing): Drawing | undefined =>
  [...drawing.regions, ...drawing.lines].some((d) => d.look === 'work' || d.look === 'light')
    ? drawing
    : undefined;

/** The bevel that takes most, of a part's pieces. */
const mostBevel = (part: PartReport): number =>
  part.pieces
    .flatMap((p) => p.edges.map((e) => e.bevelDeg))
    .reduce((most, deg) => (Math.abs(deg) > Math.abs(most) ? deg : most), 0);

/** Bent on a wider radius than this a sheet is flat, mm. */
const FLAT_MM = 1500;

/**
 * The picture of a step, made from the build's own pieces and solids: the work in teal, seen from the side that shows it
 * best. Every step has one: of its part, of the parts it is done on side by side, or of the whole build.
 */
export function stepPicture(step: Step, pictured: Pictured): Drawing {
  const { body, parts } = pictured;
  const several = (step.partIds ?? []).flatMap((id) => byId(parts, id) ?? []);
  if (several.length > 1)
    return sideBySide(
      several.slice(0, MOST).map(({ id, name }, i) => ({
        drawing: stepPicture({ ...step, partIds: [id] }, pictured),
        name:
          i === MOST - 1 && several.length > MOST
            ? `${name}, and ${counted(several.length - MOST, 'part')} more`
            : name,
      })),
      WIDTH,
      HEIGHT,
    );
  const part = byId(parts, step.partIds?.[0] ?? step.partId);
  const whole = (): Drawing =>
    wornPicture(body, parts, () => (step.about === 'worn' ? 'work' : 'there'), WIDTH, HEIGHT);
  const flat = onFlat[step.about];
  if (step.about === 'pages')
    return (
      flatPicture(
        parts.flatMap((p) => p.pieces),
        flat!,
        WIDTH,
        HEIGHT,
      ) ?? whole()
    );
  if (!part) return whole();
  const thickness = part.foam.thicknessMm.value;
  const main =
    (flat && flatPicture(drawnPieces(part), flat, WIDTH, HEIGHT)) ??
    picked(solidPicture(part, onSolid(part, step, pictured), WIDTH, HEIGHT)) ??
    solidPicture(part, { ids: always, whole: true }, WIDTH, HEIGHT);
  if (step.about === 'bevels') return withInset(main, knifeInset(thickness, mostBevel(part)));
  if (step.about === 'bends' && part.tightestRadiusMm < FLAT_MM)
    return withInset(main, bendInset(thickness, part.tightestRadiusMm));
  return main;
}
