import type { Item, Probed, Work } from '../features';
import type { Check } from '../document';
import { type LaidPanel, type Mark, type Piece, footprintOutline } from '../panel';
import type { Switch } from '../materials';
import { trimNumber } from '../units';
import { unprobed } from './checks/probed';

/** A pilot keeps the drill from wandering; twist drills to there, then a step drill or hole saw. Common practice, no source. */
const PILOT_MM = 3;
const TWIST_MM = 13;
/** Holes of a row that is filed out leave this between them. */
const WEB_MM = 1;
const HOLE_MIN = 3;
const SLOT_MIN = 12;

/** The file's allowance inside the line, and the least drill for a row, mm. */
const FILE_MM = 0.5;
const LEAST_DRILL_MM = 2;

/** Holes drilled in a row inside a slot that is filed out afterwards: the widest drill that makes two or more with a web between. */
export function drilledRow(lengthMm: number, widthMm: number): { count: number; diameterMm: number } {
  const [long, wide] = [Math.max(lengthMm, widthMm), Math.min(lengthMm, widthMm)];
  const count = (d: number): number => Math.floor((long - FILE_MM - d) / (d + WEB_MM)) + 1;
  for (let d = Math.floor(2 * (wide - FILE_MM)) / 2; d >= LEAST_DRILL_MM; d -= 0.5)
    if (count(d) >= 2) return { count: count(d), diameterMm: d };
  return { count: 1, diameterMm: Math.max(1, Math.floor(2 * (wide - FILE_MM)) / 2) };
}

/** What one hole is drilled with, in order. */
export const drillsFor = (diameterMm: number): string =>
  diameterMm <= PILOT_MM
    ? `${trimNumber(diameterMm)} mm`
    : diameterMm <= TWIST_MM
      ? `${PILOT_MM} mm, then ${trimNumber(diameterMm)} mm`
      : `${PILOT_MM} mm, then a step drill or hole saw to ${trimNumber(diameterMm)} mm`;

/** The slot a switch's lever moves in, along its body; up is on. */
function slotMark({ face, name }: Switch, item: Item): Mark[] {
  if (!face || face.round || !item.flat || !item.fit) return [];
  const [a, b] = item.fit.outline;
  const turnDeg = a && b ? (Math.atan2(a.y - b.y, b.x - a.x) * 180) / Math.PI : 0;
  const { count, diameterMm } = drilledRow(face.lengthMm, face.widthMm);
  return [
    {
      kind: 'slot',
      points: footprintOutline({ at: item.flat, ...face, turnDeg }),
      text: `${name}: drill ${count} × ${trimNumber(diameterMm)} mm, file out, up is on`,
    },
  ];
}

/** What is drilled and filed in a wall for the lever or the bush of what sits behind it. */
export function cutFor(item: Item): { holes: Piece['holes']; marks: Mark[] } {
  const face = item.toggle?.face;
  if (!item.toggle || !item.flat) return { holes: [], marks: [] };
  return {
    holes: face?.round ? [{ id: item.id, kind: 'hole', centre: item.flat, diameterMm: face.widthMm }] : [],
    marks: slotMark(item.toggle, item),
  };
}

/** A wall of a bought thing as its template: what features drill and cut in it, and where levers and bushes come through. */
export function templateOf(piece: Piece, items: readonly Item[]): Piece {
  const through = items.filter((i) => i.pieceId === piece.id).map(cutFor);
  return {
    ...piece,
    template: true,
    holes: [...piece.holes, ...through.flatMap((c) => c.holes)],
    marks: [...piece.marks, ...through.flatMap((c) => c.marks)],
    note: 'A template for the case, its outer face up: tape it on, prick the middles through, drill from there. No sheet is cut for it.',
  };
}

/** Felt for before it is drilled, a place; from memory. */
const PROBE_MIN = 2;

/** What is behind a wall is found out before it is drilled. */
export function probeWork(templates: readonly Piece[], probed: readonly Probed[]): Work[] {
  const count = unprobed(templates, probed);
  return count === 0
    ? []
    : [
        {
          step: 'case-probe',
          when: 'flat',
          verb: 'probe',
          what: 'places before they are drilled',
          count,
          eachMin: PROBE_MIN,
          detail:
            'Nobody knows yet what is behind them. Cells out; look in with a torch, feel with a needle, tap, turn a 1 mm drill by hand. Note what you find as a probed spot, with a photograph: glue, a screw, a spring, a board, or nothing.',
          gate: 'A drill that meets a screw, a spring or a cell cannot be taken back.',
          cautions: ['blade'],
          waitMin: 0,
        },
      ];
}

/** What is drilled and filed in the walls of a bought thing, each size once and from small to large. */
export function drillWork(templates: readonly Piece[]): Work[] {
  const sizes = templates.flatMap((p) => p.holes.map((h) => h.diameterMm)).sort((a, b) => a - b);
  const slots = templates.flatMap((p) => p.marks.filter((m) => m.kind === 'slot'));
  const each = [...new Set(sizes)].map(
    (d) => `${sizes.filter((s) => s === d).length} of ${trimNumber(d)} mm (${drillsFor(d)})`,
  );
  const square =
    'Template taped on and its middles pricked; clamped on scrap wood with the drill square to the wall, slow, tape over the spot against splinters.';
  const holes: Work[] =
    sizes.length === 0
      ? []
      : [
          {
            step: 'case-holes',
            when: 'flat',
            verb: 'drill',
            what: 'holes in the case',
            count: sizes.length,
            eachMin: HOLE_MIN,
            detail: `${square} ${each.join('; ')}.`,
            cautions: ['drill', 'boardDust'],
            waitMin: 0,
          },
        ];
  const filed: Work[] =
    slots.length === 0
      ? []
      : [
          {
            step: 'case-slots',
            when: 'flat',
            verb: 'cut',
            what: 'slots and windows in the case',
            count: slots.length,
            eachMin: SLOT_MIN,
            detail: `${square} A row of holes inside the line, the webs cut through, then filed to the line and tried often. ${slots.map((m) => m.text).join('; ')}.`,
            cautions: ['drill', 'boardDust'],
            waitMin: 0,
          },
        ];
  return [...holes, ...filed];
}

/** Walls that are to stay whole and are cut all the same. */
export function wholeChecks(laid: readonly LaidPanel[], templates: readonly Piece[]): Check[] {
  const whole = new Set(laid.flatMap((l) => (l.panel.existing?.uncut ? [l.panel.id] : [])));
  return templates
    .filter((t) => whole.has(t.id))
    .flatMap((t): Check[] => {
      const count = t.holes.length + t.marks.filter((m) => m.kind === 'slot').length;
      return count === 0
        ? []
        : [
            {
              id: `whole-${t.id}`,
              severity: 'stop',
              station: 'inside',
              title: `${count} ${count === 1 ? 'hole is' : 'holes are'} cut in the ${t.name}, which is to stay whole.`,
              why: 'A hinge, a door or what carries the rest would give. Move them to another wall.',
              provenance: 'standard',
              excess: count,
              pieceId: t.id,
              remedies: [],
            },
          ];
    });
}
