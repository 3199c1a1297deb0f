import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import { contains, distanceToEdge, type Mesh, type Vec2, type Vec3 } from '../../geometry';
import { type LaidPanel, offsetGrid, onGrid, type Piece, platePiece } from '../../panel';
import { trimNumber, itemAt, firstOf } from '../../units';
import { defineFeature, nothing, notLaid, panelOf } from '../contract';
import { cutThrough, openingRing } from '../laying/cutThrough';
import { magnetPairs } from '../laying/magnets';

/** Kept by what closes a hatch, all round, and how thick; common practice, no source. */
export const LIP_MM = 8;
const lipPly = { foamId: 'dense-eva', nominalMm: 2 };
/** Least foam between a hatch and an edge, mm; common practice, no source. */
const LEAST_MM = 6;
const MAGNETS = 4;

const fields = [
  length('widthMm', 'Width', [5, 600], 'Clear: what is as wide goes through.'),
  length('lengthMm', 'Length', [5, 600], 'Clear: what is as long goes through.'),
  choice(
    'held',
    'Held by',
    [
      ['magnets', 'magnets'],
      ['hook-and-loop', 'hook-and-loop'],
    ],
    'What keeps it shut; both open without a tool.',
  ),
] as const;

type HatchParams = ParamsOf<typeof fields>;

/** As it is cut: clear, and the lip all round. */
const cutSize = ({ widthMm, lengthMm }: HatchParams) => ({
  widthMm: widthMm + 2 * LIP_MM,
  lengthMm: lengthMm + 2 * LIP_MM,
  ends: 'square' as const,
});

/** The lip as it stands: a flat frame on the inner face, as many spots along each side as let it follow a bend. */
function lipMesh(laid: LaidPanel, spot: Vec2, outer: readonly Vec2[], inner: readonly Vec2[]): Mesh {
  const on = (p: Vec2): Vec3 | undefined => {
    const uv = laid.uvAt({ x: spot.x + p.x, y: spot.y + p.y });
    return uv && onGrid(laid.panel.grid, uv);
  };
  const along = (ring: readonly Vec2[]): (Vec3 | undefined)[] =>
    ring.flatMap((a, i) => {
      const b = itemAt(ring, (i + 1) % ring.length);
      return [0, 0.2, 0.4, 0.6, 0.8].map((t) => on({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t }));
    });
  const [outside, inside] = [along(outer), along(inner)];
  const points: Vec3[] = [];
  const triangles: [number, number, number][] = [];
  outside.forEach((a, i) => {
    const k = (i + 1) % outside.length;
    const corners = [a, outside[k], inside[k], inside[i]];
    if (corners.some((p) => !p)) return;
    const base = points.length;
    points.push(...(corners as Vec3[]));
    triangles.push([base, base + 1, base + 2], [base, base + 2, base + 3]);
  });
  return { points, triangles };
}

/** A lid cut out of a piece where a thing goes in and comes out again: a lip behind it, magnets or hook-and-loop on it. */
export const hatch = defineFeature<HatchParams>({
  kind: 'hatch',
  label: 'Hatch',
  verb: 'Hatch',
  picture: [
    draw.plate,
    draw.line(draw.box(18, 12, 36, 24)),
    draw.casing(draw.discs(4, [22, 16], [50, 16], [22, 32], [50, 32])),
  ],
  summary: 'A lid cut out of a piece, on a lip, so that what is inside comes out again.',
  station: 'inside',
  opens: 'hatch',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { widthMm: 60, lengthMm: 80, held: 'magnets' },
  }),
  divide: (panels, { id, place, params }) =>
    place.on === 'panel'
      ? cutThrough(panels, { id, name: 'hatch', place, params: cutSize(params), layers: 'one', lid: true })
      : [...panels],
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const own = place.on === 'panel' ? place.panel : '';
    const cut = on.panels.find((l) => l.panel.plate?.cuts.some((c) => c.id === id));
    const laid = cut ?? panelOf(on, own);
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'inside', 'the piece that carried a hatch is no longer there.');
    const { name } = laid.panel;
    const size = `${trimNumber(params.lengthMm)} × ${trimNumber(params.widthMm)} mm`;
    if (laid.panel.existing)
      return notLaid(feature, 'inside', `${name} is there already; its own lid or door opens it.`);
    const spot = laid.flatAt({ x: place.u, y: place.v });
    const outer = openingRing(cutSize(params), place.turnDeg);
    const inner = openingRing({ ...params, ends: 'square' }, place.turnDeg);
    const ring = outer.map((p) => ({ x: spot.x + p.x, y: spot.y + p.y }));
    const left = Math.min(
      ...ring.map((p) => (contains(laid.piece.outline, p) ? distanceToEdge(laid.piece.outline, p) : -1)),
    );
    const lipRing = openingRing(
      { widthMm: params.widthMm + 4 * LIP_MM, lengthMm: params.lengthMm + 4 * LIP_MM, ends: 'square' },
      place.turnDeg,
    );
    // The lip is glued on the inner face, which is the smaller one of a mitred piece.
    const lies = lipRing.every((p) => laid.uvAt({ x: spot.x + p.x, y: spot.y + p.y }) !== undefined);
    if (left < 1 || !lies)
      return notLaid(
        feature,
        'inside',
        `a hatch of ${size} and its lip of ${LIP_MM} mm break the edge of ${name}.`,
      );
    const sheet = on.sheet(lipPly);
    const lip: Piece = {
      ...platePiece(
        { id: `${id}.lip`, name: `lip of the hatch in ${name}` },
        {
          origin: { x: 0, y: 0, z: 0 },
          across: { x: 1, y: 0, z: 0 },
          up: { x: 0, y: 1, z: 0 },
          outline: openingRing(
            { widthMm: params.widthMm + 4 * LIP_MM, lengthMm: params.lengthMm + 4 * LIP_MM, ends: 'square' },
            0,
          ),
          cuts: [
            { id: 'clear', name: `clear ${size}`, outline: openingRing({ ...params, ends: 'square' }, 0) },
          ],
        },
        sheet,
      ),
      role: 'laid',
      featureId: id,
      face: 'inner',
      ownStep: true,
      note: `Behind the hatch in ${name}: half on the piece, half under its lid.`,
    };
    const magnets = params.held === 'magnets';
    return {
      ...nothing(),
      pieces: [lip],
      // In a flat piece it is cut already; on a bent one it is drawn where the piece lies flat.
      marks: cut
        ? []
        : [{ pieceId: laid.panel.id, mark: { kind: 'slot', points: ring, text: `hatch ${size}` } }],
      solids: [lipMesh(laid, spot, outer, inner)],
      drawn: [
        {
          kind: 'score',
          points: [...ring, firstOf(ring)].flatMap((p) => {
            const uv = laid.uvAt(p);
            return uv ? [onGrid(offsetGrid(laid.panel.grid, laid.foam.thicknessMm.value), uv)] : [];
          }),
          acrossMm: 1,
        },
      ],
      bought: [
        magnets
          ? magnetPairs(MAGNETS)
          : {
              what: 'hook-and-loop, self-adhesive',
              unit: 'mm',
              count: Math.ceil(2 * (params.widthMm + LIP_MM)),
              each: 0.003,
              massG: 2,
              provenance: 'memory',
            },
      ],
      work: [
        {
          step: 'hatches',
          when: 'flat',
          verb: 'cut',
          what: 'hatches',
          count: 1,
          eachMin: 25,
          detail: `Cut out in one piece with an upright blade: what comes out is the lid. Glue the lip behind the opening, half of it showing${magnets ? '; a magnet in each corner of the lip and of the lid, poles tried before the glue. Keep loose magnets from children and from pacemakers' : '; hook-and-loop on two sides of the lip and of the lid'}. A ribbon loop on the lid lifts it.`,
          cautions: ['blade'],
          waitMin: 0,
        },
      ],
      checks:
        left < LEAST_MM
          ? [
              {
                id: `hatch-${id}`,
                severity: 'mind',
                station: 'inside',
                title: `${name}: a hatch of ${size} stands ${trimNumber(left)} mm from an edge; keep ${LEAST_MM} mm.`,
                why: 'A thin bridge tears when the lid is lifted.',
                provenance: 'practice',
                excess: LEAST_MM - left,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : [],
    };
  },
});
