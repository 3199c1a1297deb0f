import * as draw from '../../thumbnail';
import { count, length, number, type ParamsOf } from '../../document';
import { add3, contains, cross3, scale3, unit3, type Vec2 } from '../../geometry';
import { gridNormals, offsetGrid, onGrid, plateMesh } from '../../panel';
import { firstOf, trimNumber } from '../../units';
import { type Bears, defineFeature, featurePath, nothing, notLaid, panelOf } from '../contract';
import { ownSheet } from '../laying/ownSheet';
import { backingFields, boardBehind, screwField, SHORT_MM, softBoard, trustedN } from '../laying/screws';
import { wayInSpace } from '../laying/spot';
import { FLANGE, flangeAcrossMm, pullN, screwCircleMm } from './holding';

/** What may be planned on a bracket. */
const RANGE = { massG: [5, 20_000], armMm: [2, 1500] } satisfies Bears['range'];
const MOST_SCREWS = 8;

const fields = [
  length('pipeMm', 'Pipe across', [10, 120], 'Outside, where it stands in the bracket.'),
  number(
    'massG',
    'It carries',
    RANGE.massG,
    'g',
    'Everything the bracket holds up: the pipe and what is on it, or the head that sits on the pipe.',
  ),
  length(
    'armMm',
    'Its middle stands out',
    RANGE.armMm,
    'Before the face: the further, the harder it levers.',
  ),
  count('screws', 'Screws', [3, MOST_SCREWS], 'Evenly round the pipe.', 'Screws'),
  screwField,
  ...backingFields,
] as const;

/** The board behind reaches so far beyond the flange, mm; common practice, no source. */
const BEYOND_MM = 10;
const STEPS = 32;

const circle = (acrossMm: number, c: Vec2 = { x: 0, y: 0 }, steps = STEPS): Vec2[] =>
  Array.from({ length: steps }, (_, i) => ({
    x: c.x + (acrossMm / 2) * Math.cos((i / steps) * 2 * Math.PI),
    y: c.y + (acrossMm / 2) * Math.sin((i / steps) * 2 * Math.PI),
  }));

const closed = (ring: readonly Vec2[]): Vec2[] => [...ring, firstOf(ring)];

/** A flange on a face that a pipe stands in, butted: its screws, their length, the board behind and what they bear. */
export const pipeBracket = defineFeature<ParamsOf<typeof fields>>({
  kind: 'pipe-bracket',
  label: 'Pipe bracket',
  verb: 'Butt a pipe on',
  picture: [draw.plate, draw.casing('M20 34H52V39H20ZM28 6H44V34H28Z'), draw.line('M24 39V44M48 39V44')],
  summary: 'A flange that a pipe stands in, butted on a face: screws through the foam into a board behind.',
  station: 'inside',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: {
      pipeMm: 21.3,
      massG: 150,
      armMm: 60,
      screws: 4,
      screwMm: 3.5,
      madeOf: 'pvc-board',
      foamMm: 6,
    },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried a pipe bracket is no longer there.');
    const { name } = laid.panel;
    const { pipeMm, screws, screwMm } = params;
    const pieceId = laid.panel.id;
    const board = ownSheet(on, params);
    const [foamMm, boardMm] = [laid.foam.thicknessMm.value, board.thicknessMm.value];
    const spot = laid.flatAt({ x: place.u, y: place.v });
    const across = flangeAcrossMm(pipeMm);
    const boardAcross = across + 2 * BEYOND_MM;
    if (circle(boardAcross, spot).some((p) => !contains(laid.piece.outline, p)))
      return notLaid(
        feature,
        'inside',
        `the board behind a pipe bracket, ${trimNumber(boardAcross, 0)} mm across, reaches beyond ${name}.`,
      );
    const made = nothing();
    const threadMm = boardMm - SHORT_MM;
    const screwLongMm = Math.floor(FLANGE.thickMm + foamMm + threadMm);
    const [pull, trusted] = [pullN(params), trustedN(board.densityKgM3.value, screwMm, threadMm)];
    made.pieces.push(boardBehind(id, 'pipe bracket', name, circle(boardAcross), board));
    made.marks.push(
      { pieceId, mark: { kind: 'glue', points: closed(circle(boardAcross, spot)), text: 'board behind' } },
      {
        pieceId,
        mark: { kind: 'rivet', points: circle(across, spot), text: `flange ${trimNumber(across, 0)} mm` },
      },
      ...circle(screwCircleMm(pipeMm), spot, screws).map((at) => ({
        pieceId,
        mark: { kind: 'rivet' as const, points: circle(screwMm, at, 12) },
      })),
    );
    const uv = { x: place.u, y: place.v };
    const out = unit3(onGrid(gridNormals(laid.panel.grid), uv));
    const way = wayInSpace(out, place.turnDeg);
    const origin = onGrid(offsetGrid(laid.panel.grid, foamMm), uv);
    const frame = { across: way.across, up: cross3(out, way.across), cuts: [] };
    const socket = circle(pipeMm + 2 * FLANGE.socketWallMm);
    made.solids.push(
      plateMesh({ ...frame, origin, outline: circle(across) }, FLANGE.thickMm),
      plateMesh(
        {
          ...frame,
          origin: add3(origin, scale3(out, FLANGE.thickMm)),
          outline: socket,
        },
        FLANGE.socketMm - FLANGE.thickMm,
      ),
    );
    made.bought.push(
      {
        what: `flange for a pipe of ${trimNumber(pipeMm, 1)} mm`,
        unit: 'pieces',
        count: 1,
        each: 3.5,
        massG: Math.round((Math.PI / 4) * across ** 2 * FLANGE.thickMm * 1.4e-3),
        provenance: 'memory',
      },
      {
        what: `pan-head screw, ${trimNumber(screwMm)} × ${screwLongMm} mm`,
        unit: 'pieces',
        count: screws,
        each: 0.06,
        massG: screws * 1.2,
        provenance: 'memory',
      },
    );
    made.work.push({
      step: 'pipe-brackets',
      when: 'formed',
      verb: 'screw on',
      what: 'pipe brackets',
      count: 1,
      eachMin: 15,
      detail: `Board glued behind first, dry. Pilot holes ${trimNumber(screwMm * 0.7, 1)} mm, screws ${screwLongMm} mm: ${trimNumber(FLANGE.thickMm)} mm of flange, ${trimNumber(foamMm)} of foam, ${trimNumber(threadMm)} of thread in the board, crosswise and by hand until the foam just gives. The end of the pipe is sawn square, pushed to the bottom of the socket, and cross-pinned where it comes apart or glued where it does not.`,
      cautions: ['drill', 'solvent', 'carry'],
      waitMin: 0,
    });
    made.bears.push({
      featureId: id,
      pieceId,
      name: `a pipe bracket on ${name}`,
      massG: params.massG,
      armMm: params.armMm,
      range: RANGE,
      at: {
        massG: featurePath(on, feature, 'params', 'massG'),
        armMm: featurePath(on, feature, 'params', 'armMm'),
      },
    });
    const soft = softBoard(
      on,
      id,
      { id: `bracket-soft-${id}`, name: `a pipe bracket on ${name}`, pieceId },
      board,
    );
    if (soft) made.checks.push(soft);
    else if (pull > trusted) {
      const need = Math.ceil((screws * pull) / trusted - 1e-9);
      made.checks.push({
        id: `bracket-pull-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `a pipe bracket on ${name}: ${trimNumber(pull, 0)} N pull at one screw when it is jolted; ${trimNumber(threadMm)} mm of thread are trusted with ${trimNumber(trusted, 0)} N.`,
        why: 'The lever of the pipe over its circle of screws, two and a half times for a jolt; a screw is trusted with a fifth of what pulls it out (Wood Handbook, from memory). A thicker board, more screws, or the pipe right through.',
        provenance: 'standard',
        excess: pull - trusted,
        pieceId,
        remedies:
          need <= MOST_SCREWS && need > screws
            ? [
                {
                  label: `${need} screws`,
                  changes: [{ path: featurePath(on, feature, 'params', 'screws'), value: need }],
                },
              ]
            : [],
      });
    }
    return made;
  },
});
