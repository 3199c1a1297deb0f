import * as draw from '../../thumbnail';
import { count, length, number, type ParamsOf } from '../../document';
import { add3, contains, cross3, scale3, type Vec2, unit3 } from '../../geometry';
import { gridNormals, offsetGrid, onGrid, plateMesh } from '../../panel';
import { firstOf, trimNumber } from '../../units';
import { type Bears, defineFeature, featurePath, nothing, notLaid, panelOf } from '../contract';
import { ownSheet } from '../laying/ownSheet';
import { backingFields, boardBehind, screwField, SHORT_MM, softBoard, trustedN } from '../laying/screws';
import { wayInSpace, wayOf } from '../laying/spot';
import { PLATE, pullN } from './holding';

/** What may be planned on keyholes. */
const RANGE = { massG: [5, 20_000], armMm: [2, 600] } satisfies Bears['range'];

const fields = [
  number(
    'massG',
    'It carries',
    RANGE.massG,
    'g',
    'Mass of what hangs on the plates. Where parts are mounted on this piece, a finding compares it with them.',
  ),
  length('armMm', 'Its middle stands out', RANGE.armMm, 'Before the face: the further, the harder it pulls.'),
  count('plates', 'Plates', [1, 6], 'Side by side.'),
  length('stepMm', 'From one to the next', [20, 400], 'Middle to middle.', 'Size', {
    when: (params) => Number((params as { plates?: number }).plates) > 1,
  }),
  screwField,
  ...backingFields,
] as const;

type HangParams = ParamsOf<typeof fields>;

/** The board behind reaches so far beyond the plates, mm; common practice, no source. */
const BEYOND_MM = 15;
const rectangle = (c: Vec2, wide: number, high: number, turnDeg: number): Vec2[] => {
  const up = wayOf(turnDeg);
  const at = (x: number, y: number): Vec2 => ({ x: c.x + up.y * x + up.x * y, y: c.y - up.x * x + up.y * y });
  return [at(-wide / 2, -high / 2), at(wide / 2, -high / 2), at(wide / 2, high / 2), at(-wide / 2, high / 2)];
};

/** Metal plates with keyholes that something is hung on and slides down to lock: screws, their length, and what they bear. */
export const hangPlate = defineFeature<HangParams>({
  kind: 'hang-plate',
  label: 'Keyhole plates',
  verb: 'Hang on keyholes',
  picture: [
    draw.plate,
    draw.casing('M22 8H34V40H22ZM40 8H52V40H40Z'),
    draw.clear(
      'M26 16a2 2 0 1 0 4 0a2 2 0 1 0 -4 0M27 17V32H29V17M44 16a2 2 0 1 0 4 0a2 2 0 1 0 -4 0M45 17V32H47V17',
    ),
  ],
  summary: 'Plates that another part is hung on, slid down and locked: it comes apart for travel.',
  station: 'inside',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { massG: 300, armMm: 40, plates: 2, stepMm: 60, screwMm: 3.5, madeOf: 'pvc-board', foamMm: 6 },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried keyhole plates is no longer there.');
    const { name } = laid.panel;
    const { plates, stepMm, screwMm } = params;
    const board = ownSheet(on, params);
    const [foamMm, boardMm] = [laid.foam.thicknessMm.value, board.thicknessMm.value];
    const spot = laid.flatAt({ x: place.u, y: place.v });
    const up = wayOf(place.turnDeg);
    const reachMm = (plates - 1) * stepMm;
    const middles = Array.from({ length: plates }, (_, i): Vec2 => {
      const mm = i * stepMm - reachMm / 2;
      return { x: spot.x + up.y * mm, y: spot.y - up.x * mm };
    });
    const [wide, high] = [reachMm + PLATE.wideMm + 2 * BEYOND_MM, PLATE.longMm + 2 * BEYOND_MM];
    const backing = rectangle(spot, wide, high, place.turnDeg);
    if (backing.some((p) => !contains(laid.piece.outline, p)))
      return notLaid(
        feature,
        'inside',
        `the board behind keyhole plates, ${trimNumber(wide, 0)} × ${trimNumber(high, 0)} mm, reaches beyond ${name}.`,
      );
    const made = nothing();
    const threadMm = boardMm - SHORT_MM;
    const screwLongMm = PLATE.thickMm + foamMm + threadMm;
    const [pull, trusted] = [pullN(params), trustedN(board.densityKgM3.value, screwMm, threadMm)];
    const flat = rectangle({ x: 0, y: 0 }, wide, high, 0);
    made.pieces.push(boardBehind(id, 'keyhole plates', name, flat, board));
    const uv = { x: place.u, y: place.v };
    const out = unit3(onGrid(gridNormals(laid.panel.grid), uv));
    const { across } = wayInSpace(out, place.turnDeg);
    const face = onGrid(offsetGrid(laid.panel.grid, foamMm), uv);
    for (const [i, middle] of middles.entries()) {
      made.marks.push({
        pieceId: laid.panel.id,
        mark: {
          kind: 'rivet',
          points: [...rectangle(middle, PLATE.wideMm, PLATE.longMm, place.turnDeg)],
          text: `keyhole plate ${i + 1}`,
        },
      });
      const mm = i * stepMm - reachMm / 2;
      made.solids.push(
        plateMesh(
          {
            origin: add3(face, scale3(across, mm)),
            across,
            up: cross3(out, across),
            outline: rectangle({ x: 0, y: 0 }, PLATE.wideMm, PLATE.longMm, 0),
            cuts: [],
          },
          PLATE.thickMm,
        ),
      );
    }
    made.marks.push({
      pieceId: laid.panel.id,
      mark: { kind: 'glue', points: [...backing, firstOf(backing)], text: 'board behind' },
    });
    made.bought.push(
      {
        what: 'keyhole plate, steel',
        unit: 'pieces',
        count: plates,
        each: 0.8,
        massG: plates * 9,
        provenance: 'memory',
      },
      {
        what: `pan-head screw, ${trimNumber(screwMm)} × ${Math.floor(screwLongMm)} mm`,
        unit: 'pieces',
        count: plates * PLATE.screws,
        each: 0.06,
        massG: plates * PLATE.screws * 1.2,
        provenance: 'memory',
      },
    );
    made.work.push({
      step: 'keyholes',
      when: 'formed',
      verb: 'screw on',
      what: 'keyhole plates',
      count: plates,
      eachMin: 8,
      detail: `Board glued behind first, dry. Pilot holes ${trimNumber(screwMm * 0.7, 1)} mm, screws ${Math.floor(screwLongMm)} mm: ${trimNumber(PLATE.thickMm)} mm of plate, ${trimNumber(foamMm)} of foam, ${trimNumber(threadMm)} of thread in the board, by hand until the foam just gives. The other part has round-head screws that stand out ${trimNumber(PLATE.thickMm + 1)} mm, as far apart as the keyholes: hung in, slid down, and a pin or hook-and-loop against sliding up.`,
      cautions: ['drill', 'carry'],
      waitMin: 0,
    });
    made.bears.push({
      featureId: id,
      pieceId: laid.panel.id,
      name: `keyhole plates on ${name}`,
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
      { id: `keyhole-soft-${id}`, name: `keyhole plates on ${name}`, pieceId: laid.panel.id },
      board,
    );
    if (soft) made.checks.push(soft);
    else if (pull > trusted) {
      const need = Math.ceil((plates * pull) / trusted - 1e-9);
      made.checks.push({
        id: `keyhole-pull-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `keyhole plates on ${name}: ${trimNumber(pull, 0)} N pull at each upper screw when it is jolted; ${trimNumber(threadMm)} mm of thread are trusted with ${trimNumber(trusted, 0)} N.`,
        why: 'Weight times its distance before the face over the height of a plate, two and a half times for a jolt; a screw is trusted with a fifth of what pulls it out (Wood Handbook, from memory).',
        provenance: 'standard',
        excess: pull - trusted,
        pieceId: laid.panel.id,
        remedies:
          need <= 6 && need > plates
            ? [
                {
                  label: `${need} plates`,
                  changes: [{ path: featurePath(on, feature, 'params', 'plates'), value: need }],
                },
              ]
            : [],
      });
    }
    return made;
  },
});
