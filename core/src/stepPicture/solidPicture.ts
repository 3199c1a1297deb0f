import { besideOf } from '../carry';
import type { CircuitReport } from '../circuit';
import type { PartReport } from '../parts';
import { byId } from '../units';
import {
  bestEye,
  type Drawing,
  drawingOf,
  type Look,
  OTHER,
  placed,
  type ToDraw,
  shownOf,
  toScene,
  usualEye,
} from '../view';

/** What of a solid is picked out. */
export interface SolidWork {
  /** Its pieces and details, by id. */
  ids?: (id: string) => boolean;
  /** Its edges. */
  edges?: (pieceId: string, edgeId: string) => boolean;
  /** Letters are written at those that meet another. */
  letters?: true;
  /** All of it is worked on alike: it is seen from where it usually is. */
  whole?: true;
  /** What was put in, by detail: drawn through the shell. */
  items?: (featureId: string) => boolean;
  circuits?: readonly CircuitReport[];
  /** With what carries it. */
  beside?: readonly PartReport[];
}

/** A part as a solid, seen from the side that shows the work best. */
export function solidPicture(part: PartReport, work: SolidWork, width: number, height: number): Drawing {
  const place = toScene(part);
  const details = new Set(part.extraRuns.map((r) => r.id));
  const lookOf = (id: string): Look =>
    work.ids?.(id) ? 'work' : details.has(id) || id === OTHER ? 'case' : 'there';
  const own = shownOf(part).map((s) => ({ ...s, look: lookOf(s.id) }));
  const beside = work.beside && besideOf(work.beside, part.id);
  const others = beside
    ? [
        {
          id: '·beside',
          mesh: placed(beside, place),
          from: 0,
          to: beside.triangles.length,
          look: 'there' as const,
        },
      ]
    : [];
  const shown = [...own, ...others];
  const picked = part.solid.edgeLines.filter((l) => work.edges?.(l.pieceId, l.edgeId));
  const edges: ToDraw['lines'] = part.solid.edgeLines.map((l) => ({
    points: l.points.map(place),
    look: work.edges?.(l.pieceId, l.edgeId) ? 'work' : 'there',
  }));
  const drawn: ToDraw['lines'] = part.drawn.map((d) => ({
    points: d.points.map(place),
    look: d.featureId !== undefined && work.ids?.(d.featureId) ? 'work' : 'there',
  }));
  const openings: ToDraw['lines'] = part.solid.openings.map((run) => ({
    points: run.map(place),
    look: 'there',
  }));
  const wires: ToDraw['lines'] = (work.circuits ?? [])
    .flatMap((c) => c.runs.filter((r) => r.partId === part.id))
    .map((r) => ({ points: r.points.map(place), look: 'light', hidden: 'dashed' }));
  const items = part.items.filter((i) => work.items?.(i.featureId));
  const eye = work.whole
    ? usualEye
    : bestEye(shown, {
        isOf: (i) => shown[i]!.look === 'work',
        lines: [
          ...picked.map((l) => l.points.map(place)),
          ...drawn.filter((d) => d.look === 'work').map((d) => d.points),
        ],
      });
  const letters = new Map(
    picked.flatMap((l) => {
      const letter = byId(byId(part.pieces, l.pieceId)?.edges ?? [], l.edgeId)?.letter;
      return letter === undefined ? [] : [[letter, l.points[Math.floor(l.points.length / 2)]!] as const];
    }),
  );
  const drawing = drawingOf(
    {
      shown,
      lines: [...edges, ...drawn, ...openings, ...wires],
      words: work.letters
        ? [...letters].map(([text, at]) => ({ at: place(at), text, look: 'work' as const }))
        : [],
      spots: [
        ...part.drawn
          .filter((d) => d.kind === 'rivet' || d.kind === 'hole')
          .map((d) => ({
            at: place(d.points[0]!),
            acrossMm: d.acrossMm,
            look:
              d.featureId !== undefined && work.ids?.(d.featureId) ? ('work' as const) : ('there' as const),
            behind: true as const,
          })),
        ...items.map((i) => ({
          at: place(i.at),
          acrossMm: i.lamp ? Math.max(6, i.lamp.led.bodyMm) : 16,
          look: i.lamp ? ('light' as const) : ('work' as const),
          ...(!i.lamp && { text: i.name }),
        })),
      ],
    },
    eye,
    width,
    height,
  );
  return drawing;
}
