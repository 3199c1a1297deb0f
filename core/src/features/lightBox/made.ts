import type { Vec2 } from '../../geometry';
import { type FoamSheet, LEAST_OVER_BORE_MM, ledBodies } from '../../materials';
import { type Piece, type Plate, platePiece } from '../../panel';
import { trimNumber } from '../../units';
import type { Bought, LaidPart, Work } from '../contract';
import { stripBought } from '../laying/stripParts';
import { diffuserOf, leftOverBore, overOf, segmentsAcross } from './box';
import { boxFace, TILE_MM, tileEvenness, tileOf } from './tile';
import type { BoxParams } from './fields';
import { stripStepMm } from '../laying/stripParts';

/** The diffuser is glued on the back this wide round its window. */
const LIP_MM = 8;

const rectangle = (w: number, h: number): Vec2[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];

const flatPlane = (outline: Vec2[]): Plate => ({
  origin: { x: 0, y: 0, z: 0 },
  across: { x: 1, y: 0, z: 0 },
  up: { x: 0, y: 1, z: 0 },
  outline,
  cuts: [],
});

/** How much strip there is in a box, mm. */
export const stripMm = (params: BoxParams): number =>
  params.lit === 'lamps' ? 0 : params.rows * segmentsAcross(params) * stripStepMm(params.lit);

/** Diffusers, back and walls. @param layered in a lamination, where the pocket is its box. */
export function boxPieces(
  on: LaidPart,
  id: string,
  where: string,
  params: BoxParams,
  foam: FoamSheet,
  layered: boolean,
): Piece[] {
  const { widthMm: w, heightMm: h, deepMm: deep } = params;
  const t = foam.thicknessMm.value;
  const wall = layered ? 0 : t;
  // Behind a window the diffuser has a lip to be glued by; on the wall it lies on the walls of the box.
  const lip = layered ? 0 : params.side === 'outside' ? t : LIP_MM;
  const piece = (
    suffix: string,
    name: string,
    wide: number,
    high: number,
    sheet = foam,
    each = 1,
  ): Piece => ({
    ...platePiece({ id: `${id}.${suffix}`, name }, flatPlane(rectangle(wide, high)), sheet),
    role: 'laid',
    featureId: id,
    face: params.side === 'outside' ? 'outer' : 'inner',
    ...(each > 1 && { each }),
    note: `Light box ${params.side === 'outside' ? 'on' : 'behind'} ${where}.`,
  });
  const diffuser = diffuserOf(params.diffuser);
  const led = ledBodies['5mm'];
  return [
    ...(diffuser.sheet
      ? [piece('diffuser', 'diffuser', w + 2 * lip, h + 2 * lip, on.sheet(diffuser.sheet), params.layers)]
      : []),
    ...overOf(params).flatMap((d) =>
      d.sheet ? [piece('over', 'outer diffuser', w + 2 * lip, h + 2 * lip, on.sheet(d.sheet))] : [],
    ),
    {
      ...piece('back', 'back of the light box', w + 2 * wall, h + 2 * wall),
      holes:
        params.lit === 'lamps'
          ? boxFace(params).sources.map((l, i) => ({
              id: `${id}-${i + 1}`,
              kind: 'lamp' as const,
              centre: { x: l.xMm + wall, y: l.yMm + wall },
              diameterMm: led.bodyMm,
            }))
          : [],
    },
    ...(layered
      ? []
      : [
          piece('long', 'long wall of the light box', w + 2 * t, deep, foam, 2),
          piece('short', 'short wall of the light box', h, deep, foam, 2),
        ]),
  ];
}

/** The pieces of its test tile, which is built apart and weighs on nothing. */
export function tilePieces(
  on: LaidPart,
  id: string,
  where: string,
  params: BoxParams,
  foam: FoamSheet,
): Piece[] {
  if (params.tile === 'none') return [];
  return boxPieces(on, `${id}.tile`, where, tileOf({ ...params, side: 'inside' }), foam, false).map((p) => ({
    ...p,
    featureId: id,
    name: `test tile: ${p.name}`,
    note: `Test tile of the light box on ${where}: built and looked at before it.`,
    trial: true,
    ownStep: true,
  }));
}

/** The tile is built, looked at in the dark and read before anything of the box is cut for good. */
export const tileWork = (params: BoxParams): Work[] =>
  params.tile === 'none'
    ? []
    : [
        {
          step: 'tiles',
          when: 'flat',
          verb: 'build',
          what: 'test tiles',
          count: 1,
          eachMin: 25,
          detail: `${TILE_MM} × ${TILE_MM} mm, taped, not glued; lamps as far apart and as deep as in the box. In the dark, a light meter behind a card with an 8 mm hole: write down the mean of nine places and the least. ${Math.round(100 * tileEvenness(params))} % of the mean is expected at the darkest; type what it was, and the box is worked out from it.`,
          gate: 'A tile costs a hand’s breadth of foam, a light box an evening.',
          cautions: ['blade'],
          waitMin: 0,
        },
      ];

/** Lamps or strip, and diffusers that are not cut from a sheet. */
export function boxBought(params: BoxParams): Bought[] {
  const diffuser = diffuserOf(params.diffuser);
  const unsold = [
    ...(diffuser.sheet ? [] : [{ name: diffuser.name, count: params.layers }]),
    ...overOf(params).flatMap((d) => (d.sheet ? [] : [{ name: d.name, count: 1 }])),
  ];
  return [
    ...(params.lit === 'lamps'
      ? [
          {
            what: `5 mm ${params.shine} ${params.colour} LED`,
            unit: 'lamps',
            count: params.columns * params.rows,
            each: ledBodies['5mm'].price,
            massG: 0,
            provenance: 'memory' as const,
          },
        ]
      : stripBought(params.lit, stripMm(params))),
    ...unsold.map(({ name, count }) => ({
      what: name,
      unit: 'pieces',
      count,
      each: 0.5,
      massG: 0.5,
      provenance: 'memory' as const,
    })),
  ];
}

/** Boring, where it is bored, and building it. */
export function boxWork(params: BoxParams, layered: boolean): Work[] {
  const led = ledBodies['5mm'];
  const whole = params.layers * diffuserOf(params.diffuser).thicknessMm;
  const lights =
    params.lit === 'lamps'
      ? 'test every lamp'
      : `glue ${params.rows} ${params.rows === 1 ? 'row' : 'rows'} of strip across the back, each cut on a mark and soldered to the next, and test it`;
  return [
    ...(leftOverBore(params) < 1
      ? [
          {
            step: 'bores',
            when: 'flat' as const,
            verb: 'bore',
            what: 'holes up into the diffuser',
            count: boxFace(params).sources.length,
            eachMin: 1,
            detail: `${led.bodyMm} mm, ${trimNumber(Math.min(params.boredMm, whole - LEAST_OVER_BORE_MM))} mm deep, by hand with a sharpened tube or a drill turned slowly; soft foam winds itself round a fast one.`,
            cautions: ['dust' as const],
            waitMin: 0,
          },
        ]
      : []),
    {
      step: 'light-boxes',
      when: 'lit',
      verb: 'build',
      what: 'light boxes',
      count: 1,
      eachMin: 30,
      detail: layered
        ? `Paint or line the pocket in the layers, lay the lamps on their back into it, ${lights}, and only then press the diffuser in, flush with the face; do not glue it, so that it comes out again.`
        : params.side === 'outside'
          ? `Glue the back on the wall over the hole for its wires, then the four walls on it. Line or paint the walls, ${lights}, and only then lay the diffuser over the walls; tape leaves it to be opened again.`
          : `Cut the window, glue the diffuser behind it, then the four walls. Line or paint the walls before the back goes on, ${lights}, and only then close it; tape leaves it to be opened again.`,
      cautions: ['blade'],
      waitMin: 0,
    },
  ];
}
