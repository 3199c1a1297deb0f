import { type Field, length, type Params, type ParamsOf } from '../document';
import { boxRing, type Mesh, roundRing, stacked } from '../geometry';
import { trimNumber } from '../units';

/** A small solid for a printer that lays plastic in layers. */
export interface PrintedKind {
  kind: string;
  label: string;
  summary: string;
  fields: readonly Field[];
  defaults: Params;
  /** One or more solids, each to be printed by itself, standing on the bed. */
  solids: (params: Params) => { name: string; mesh: Mesh }[];
  /** What fits in or on it, with its play, in words. */
  fit: (params: Params) => string;
  /** How it is made without a printer. */
  instead: string;
}

const mm = (v: number): string => `${trimNumber(v, 2)} mm`;
const play = length(
  'playMm',
  'Play',
  [0, 2],
  'All round; a layer printer wants 0.2–0.3 mm for a push fit (from memory). Print one and try.',
);
const wall = length('wallMm', 'Wall', [0.8, 10], 'Two passes of a 0.4 mm nozzle make 0.8 mm.');

function define<P>(spec: {
  kind: string;
  label: string;
  summary: string;
  fields: readonly Field[];
  defaults: P;
  solids: (p: P) => { name: string; mesh: Mesh }[];
  fit: (p: P) => string;
  instead: string;
}): PrintedKind {
  return {
    ...spec,
    defaults: spec.defaults as unknown as Params,
    solids: (p) => spec.solids(p as unknown as P),
    fit: (p) => spec.fit(p as unknown as P),
  };
}

const FLANGE_MM = 2;

const bezelFields = [
  length('lampMm', 'Lamp across', [2, 120], 'Of the lamp or the ring that goes in, by caliper.'),
  length('foamMm', 'Through', [1, 60], 'Thickness of the foam it goes through.'),
  length('rimMm', 'Rim', [1, 30], 'How far the flange lies over the foam all round.'),
  wall,
  play,
] as const;

const bezel = define<ParamsOf<typeof bezelFields>>({
  kind: 'bezel',
  label: 'Bezel for a lamp',
  summary: 'A tube through the foam with a flange over its edge.',
  fields: bezelFields,
  defaults: { lampMm: 5, foamMm: 6, rimMm: 3, wallMm: 1.2, playMm: 0.2 },
  solids: ({ lampMm, foamMm, rimMm, wallMm, playMm }) => {
    const bore = lampMm / 2 + playMm;
    const tube = bore + wallMm;
    return [
      {
        name: 'bezel',
        mesh: stacked(
          [
            roundRing(tube + rimMm, 0),
            roundRing(tube + rimMm, FLANGE_MM),
            roundRing(tube, FLANGE_MM),
            roundRing(tube, FLANGE_MM + foamMm),
            roundRing(bore, FLANGE_MM + foamMm),
            roundRing(bore, 0),
          ],
          true,
        ),
      },
    ];
  },
  fit: ({ lampMm, wallMm, playMm }) =>
    `Bore ${mm(lampMm + 2 * playMm)} for a lamp of ${mm(lampMm)}; the hole in the foam is ${mm(lampMm + 2 * playMm + 2 * wallMm)}.`,
  instead: 'Without a printer: a ring punched from 2 mm foam or PVC foam board, glued over the hole.',
});

const plugFields = [
  length('boreMm', 'Bore', [4, 200], 'Of the pipe it closes, by caliper.'),
  length('deepMm', 'Reaches in', [4, 120], 'Into the pipe.'),
  length('rimMm', 'Rim', [0.5, 30], 'How far its cap lies over the pipe’s end.'),
  length('holeMm', 'Hole through', [1, 100], 'For a wire, a screw or a dowel.'),
  play,
] as const;

const plug = define<ParamsOf<typeof plugFields>>({
  kind: 'plug',
  label: 'Plug for a pipe',
  summary: 'A cap with a neck that goes into the bore, a hole through it.',
  fields: plugFields,
  defaults: { boreMm: 20.9, deepMm: 20, rimMm: 2.5, holeMm: 5, playMm: 0.2 },
  solids: ({ boreMm, deepMm, rimMm, holeMm, playMm }) => {
    const neck = Math.max(boreMm / 2 - playMm, 1);
    const hole = Math.min(holeMm / 2, neck - LEAST_WALL_MM / 2);
    return [
      {
        name: 'plug',
        mesh: stacked(
          [
            roundRing(boreMm / 2 + rimMm, 0),
            roundRing(boreMm / 2 + rimMm, 2 * FLANGE_MM),
            roundRing(neck, 2 * FLANGE_MM),
            roundRing(neck, 2 * FLANGE_MM + deepMm),
            roundRing(hole, 2 * FLANGE_MM + deepMm),
            roundRing(hole, 0),
          ],
          true,
        ),
      },
    ];
  },
  fit: ({ boreMm, holeMm, playMm }) =>
    `Neck ${mm(boreMm - 2 * playMm)} in a bore of ${mm(boreMm)}; hole ${mm(Math.min(holeMm, boreMm - 2 * playMm - LEAST_WALL_MM))}.`,
  instead: 'Without a printer: discs of foam board glued to a dowel, sanded to the bore.',
});

/** Thinner than this a printed wall does not hold, mm. */
const LEAST_WALL_MM = 1;

const socketFields = [
  length('outsideMm', 'Pipe outside', [4, 200], 'Of the pipe that stands in it, by caliper.'),
  length('deepMm', 'Reaches in', [4, 120], 'How deep the pipe stands.'),
  length('rimMm', 'Foot', [2, 80], 'How far the foot lies out all round, to be glued or screwed.'),
  wall,
  play,
] as const;

const socket = define<ParamsOf<typeof socketFields>>({
  kind: 'socket',
  label: 'Socket for a pipe',
  summary: 'A cup on a foot, in which a pipe stands.',
  fields: socketFields,
  defaults: { outsideMm: 26.7, deepMm: 25, rimMm: 15, wallMm: 2.4, playMm: 0.25 },
  solids: ({ outsideMm, deepMm, rimMm, wallMm, playMm }) => {
    const bore = outsideMm / 2 + playMm;
    const foot = 1.5 * FLANGE_MM;
    return [
      {
        name: 'socket',
        mesh: stacked([
          roundRing(bore + wallMm + rimMm, 0),
          roundRing(bore + wallMm + rimMm, foot),
          roundRing(bore + wallMm, foot),
          roundRing(bore + wallMm, foot + deepMm),
          roundRing(bore, foot + deepMm),
          roundRing(bore, foot),
        ]),
      },
    ];
  },
  fit: ({ outsideMm, playMm }) => `Bore ${mm(outsideMm + 2 * playMm)} round a pipe of ${mm(outsideMm)}.`,
  instead: 'Without a printer: rings of 10 mm foam cut to the pipe, stacked and glued.',
});

const coverFields = [
  length('buttonMm', 'Button across', [3, 60], 'What it is pressed over, by caliper.'),
  length('deepMm', 'Depth', [2, 40], 'How far it reaches down the button.'),
  wall,
  play,
] as const;

const cover = define<ParamsOf<typeof coverFields>>({
  kind: 'button-cover',
  label: 'Cover for a button',
  summary: 'A cap pressed over a button, to be painted.',
  fields: coverFields,
  defaults: { buttonMm: 12, deepMm: 6, wallMm: 1.2, playMm: 0.2 },
  solids: ({ buttonMm, deepMm, wallMm, playMm }) => {
    const bore = buttonMm / 2 + playMm;
    return [
      {
        name: 'cover',
        mesh: stacked([
          roundRing(bore + wallMm, 0),
          roundRing(bore + wallMm, wallMm + deepMm),
          roundRing(bore, wallMm + deepMm),
          roundRing(bore, wallMm),
        ]),
      },
    ];
  },
  fit: ({ buttonMm, playMm }) => `Bore ${mm(buttonMm + 2 * playMm)} over a button of ${mm(buttonMm)}.`,
  instead: 'Without a printer: a disc of 5 mm foam with a blind hole, glued to the button.',
});

const caseFields = [
  length('boardWideMm', 'Board wide', [5, 200], 'With its connectors.'),
  length('boardHighMm', 'Board high', [5, 200], ''),
  length('boardDeepMm', 'Board deep', [3, 80], 'Solder and wires included.'),
  wall,
  play,
] as const;

const boardCase = define<ParamsOf<typeof caseFields>>({
  kind: 'board-case',
  label: 'Case for a board',
  summary: 'A box round a controller board, and a lid that drops in.',
  fields: caseFields,
  defaults: { boardWideMm: 24, boardHighMm: 54, boardDeepMm: 12, wallMm: 1.6, playMm: 0.4 },
  solids: ({ boardWideMm, boardHighMm, boardDeepMm, wallMm, playMm }) => {
    const [w, h] = [boardWideMm + 2 * playMm, boardHighMm + 2 * playMm];
    const [W, H] = [w + 2 * wallMm, h + 2 * wallMm];
    const deep = boardDeepMm + LID_MM;
    return [
      {
        name: 'case',
        mesh: stacked([
          boxRing(W, H, 0),
          boxRing(W, H, wallMm + deep),
          boxRing(w, h, wallMm + deep),
          boxRing(w, h, wallMm),
        ]),
      },
      {
        name: 'lid',
        mesh: stacked([
          boxRing(W, H, 0),
          boxRing(W, H, wallMm),
          boxRing(w - 2 * LID_PLAY_MM, h - 2 * LID_PLAY_MM, wallMm),
          boxRing(w - 2 * LID_PLAY_MM, h - 2 * LID_PLAY_MM, wallMm + LID_MM),
        ]),
      },
    ];
  },
  fit: ({ boardWideMm, boardHighMm, boardDeepMm, wallMm, playMm }) =>
    `Inside ${mm(boardWideMm + 2 * playMm)} × ${mm(boardHighMm + 2 * playMm)}, ${mm(boardDeepMm)} under the lid; outside ${mm(boardWideMm + 2 * playMm + 2 * wallMm)} × ${mm(boardHighMm + 2 * playMm + 2 * wallMm)}. The lid’s lip has ${mm(LID_PLAY_MM)} of play. Cut the holes for wires by hand.`,
  instead: 'Without a printer: a pocket in a foam insert, closed with a hatch.',
});

/** The lid reaches so far in, and so much less wide all round, mm. */
const LID_MM = 3;
const LID_PLAY_MM = 0.2;

/** Every small printed part, in the order they are offered. */
export const printedKinds: readonly PrintedKind[] = [bezel, plug, socket, cover, boardCase];
