import * as draw from '../../thumbnail';
import { choice, length, type ParamsOf } from '../../document';
import {
  add3,
  contains,
  type Mesh,
  rotate2,
  scale3,
  shellMesh,
  unit3,
  type Vec2,
  type Vec3,
} from '../../geometry';
import { gridNormals, type LaidPanel, onGrid, platePiece } from '../../panel';
import { counted, firstOf, itemAt, trimNumber } from '../../units';
import { defineFeature, featurePath, type Laid, nothing, notLaid, panelOf, type Wedge } from '../contract';
import { madeOf, ownSheet, thicknessOf } from '../laying/ownSheet';
import { wedgeLayers } from './steps';

/** The most a gap may be, mm; deeper than that wants a fit of its own. */
const RANGE: readonly [number, number] = [0, 80];

const toPart = (params: object): boolean => (params as { fills?: string }).fills === 'part';
const gapField = <K extends string>(key: K, label: string) =>
  length(
    key,
    label,
    RANGE,
    'From the inner face to the other part. What is there is compared with it.',
    'Size',
    {
      when: toPart,
    },
  );

const fields = [
  choice(
    'fills',
    'Fills the gap to',
    [
      ['wearer', 'the wearer'],
      ['part', 'another part'],
    ],
    'Another part: a collar under a plate, a plate under another one. It goes into the outer of the two.',
  ),
  gapField('lowerMm', 'Gap at the lower end'),
  gapField('upperMm', 'Gap at the upper end'),
  length('widthMm', 'Width', [8, 200], 'Across the way it tapers.'),
  length('lengthMm', 'Length', [8, 300], 'The way it is turned, along which it tapers.'),
  length('pressMm', 'Pressed', [0, 15], 'So much thicker than the gap: soft foam gives.'),
  madeOf,
  thicknessOf('Of each layer.', { usualMm: 12 }),
] as const;

/** Less gap than this needs none, mm; more than this wants a fit of its own. */
const LEAST_MM = 1;
const STEPS = 4;

/** The gap between clothes and inner face at shares of a panel, between the points it was measured at. */
function gapAt(gapMm: readonly (readonly number[])[], uv: Vec2): number {
  const rows = gapMm.length - 1;
  const columns = firstOf(gapMm).length - 1;
  const [x, y] = [Math.min(1, Math.max(0, uv.x)) * columns, Math.min(1, Math.max(0, uv.y)) * rows];
  const [c, r] = [Math.min(columns - 1, Math.floor(x)), Math.min(rows - 1, Math.floor(y))];
  const [fx, fy] = [x - c, y - r];
  const at = (rr: number, cc: number): number => itemAt(itemAt(gapMm, rr), cc);
  return (
    at(r, c) * (1 - fx) * (1 - fy) +
    at(r, c + 1) * fx * (1 - fy) +
    at(r + 1, c) * (1 - fx) * fy +
    at(r + 1, c + 1) * fx * fy
  );
}

/** The block as it stands on the inner face, so thick at every spot of it. */
function solidOf(
  laid: LaidPanel,
  spots: readonly (readonly Vec2[])[],
  thick: (uv: Vec2, up: number) => number,
): Mesh {
  const normals = gridNormals(laid.panel.grid);
  const wall = spots.map((row) => row.map((uv) => onGrid(laid.panel.grid, uv)));
  const inner = spots.map((row, r) =>
    row.map((uv): Vec3 =>
      add3(onGrid(laid.panel.grid, uv), scale3(onGrid(normals, uv), -Math.max(0.5, thick(uv, r / STEPS)))),
    ),
  );
  return shellMesh(inner, wall, false);
}

/** A block of foam inside a shell that fills what is between it and the wearer, or another part, tapered as the gap is. */
export const spacer = defineFeature<ParamsOf<typeof fields>>({
  kind: 'spacer',
  label: 'Spacer',
  verb: 'Fill the gap',
  picture: [draw.plate, draw.casing('M14 40L58 40L58 18Z'), draw.line('M14 40L58 18')],
  summary:
    'Layers of soft foam inside that fill the gap to the wearer or to another part, as thick and as tapered as it is.',
  station: 'shape',
  fields,
  places: ['panel'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: {
      fills: 'wearer',
      lowerMm: 10,
      upperMm: 10,
      widthMm: 40,
      lengthMm: 60,
      pressMm: 2,
      madeOf: 'part',
      foamMm: 5,
    },
  }),
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'panel' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'panel')
      return notLaid(feature, 'shape', 'the piece that carried a spacer is no longer there.');
    const { name } = laid.panel;
    const gap = on.gaps.find((g) => g.pieceId === laid.panel.id);
    const filled = params.fills === 'part' ? 'the other part' : 'the wearer';
    if (!gap && params.fills !== 'part')
      return notLaid(feature, 'shape', `a spacer fills the gap to the wearer; ${name} is not worn.`);
    const spot = laid.flatAt({ x: place.u, y: place.v });
    const flatOf = (x: number, y: number): Vec2 => {
      const p = rotate2({ x: x * params.widthMm, y: y * params.lengthMm }, (-place.turnDeg * Math.PI) / 180);
      return { x: spot.x + p.x, y: spot.y + p.y };
    };
    const corners = [flatOf(-0.5, -0.5), flatOf(0.5, -0.5), flatOf(0.5, 0.5), flatOf(-0.5, 0.5)];
    const spots = Array.from({ length: STEPS + 1 }, (_, r) =>
      Array.from({ length: STEPS + 1 }, (_, c) => laid.uvAt(flatOf(c / STEPS - 0.5, r / STEPS - 0.5))),
    );
    const all = spots.map((row) => row.filter((uv) => uv !== undefined));
    if (all.some((row) => row.length <= STEPS) || corners.some((p) => !contains(laid.piece.outline, p)))
      return notLaid(feature, 'shape', `a spacer reaches beyond ${name}.`);
    const { lowerMm, upperMm, pressMm } = params;
    const thick = (uv: Vec2, up: number): number =>
      pressMm + (params.fills !== 'part' && gap ? gapAt(gap.gapMm, uv) : lowerMm + (upperMm - lowerMm) * up);
    const mean = (r: number): number => {
      const row = itemAt(all, r);
      return row.reduce((sum, uv) => sum + thick(uv, r / STEPS), 0) / row.length;
    };
    const ends = [mean(0), mean(STEPS)] as const;
    const wedgeOf = (): Wedge => {
      const normals = gridNormals(laid.panel.grid);
      const spotsOf = (r: number) =>
        itemAt(all, r).map((uv) => ({
          at: onGrid(laid.panel.grid, uv),
          inward: scale3(unit3(onGrid(normals, uv)), -1),
        }));
      return {
        featureId: id,
        pieceId: laid.panel.id,
        name,
        range: RANGE,
        ends: [
          { gapMm: lowerMm, path: featurePath(on, feature, 'params', 'lowerMm'), spots: spotsOf(0) },
          { gapMm: upperMm, path: featurePath(on, feature, 'params', 'upperMm'), spots: spotsOf(STEPS) },
        ],
      };
    };
    const wedges = params.fills === 'part' ? [wedgeOf()] : [];
    const [thinMm, thickMm] = [Math.max(0, Math.min(...ends)), Math.max(...ends)];
    if (thickMm - params.pressMm < LEAST_MM)
      return {
        ...notLaid(
          feature,
          'shape',
          params.fills === 'part'
            ? `the gap of a spacer on ${name} is set to ${trimNumber(Math.max(lowerMm, upperMm))} mm: there is nothing to fill.`
            : `${name} lies ${trimNumber(Math.max(0, thickMm - params.pressMm))} mm off the wearer there: there is nothing to fill.`,
        ),
        // What the gap really is, is found all the same.
        wedges,
      };
    const sheet = ownSheet(on, params);
    const layers = wedgeLayers(thinMm, thickMm, sheet.thicknessMm.value);
    const lengths = new Map<number, number>();
    for (const { share } of layers) {
      const mm = Math.max(4, Math.round(params.lengthMm * share * 10) / 10);
      lengths.set(mm, (lengths.get(mm) ?? 0) + 1);
    }
    const made: Laid = { ...nothing(), wedges };
    let number = 0;
    for (const [mm, each] of lengths) {
      number += 1;
      made.pieces.push({
        ...platePiece(
          {
            id: lengths.size === 1 ? id : `${id}.${number}`,
            name: lengths.size === 1 ? 'spacer' : `spacer, step ${number}`,
          },
          {
            origin: { x: 0, y: 0, z: 0 },
            across: { x: 1, y: 0, z: 0 },
            up: { x: 0, y: 1, z: 0 },
            outline: [
              { x: 0, y: 0 },
              { x: params.widthMm, y: 0 },
              { x: params.widthMm, y: mm },
              { x: 0, y: mm },
            ],
            cuts: [],
          },
          sheet,
        ),
        role: 'laid',
        featureId: id,
        face: 'inner',
        ownStep: true,
        ...(each > 1 && { each }),
        note: `Inside ${name}, flush at the ${ends[0] > ends[1] ? 'lower' : 'upper'} end.`,
      });
    }
    const tapers = thickMm - thinMm > 0.5;
    made.marks.push({
      pieceId: laid.panel.id,
      mark: {
        kind: 'pad',
        points: corners,
        text: `spacer ${trimNumber(ends[0], 0)}${tapers ? ` to ${trimNumber(ends[1], 0)}` : ''} mm`,
      },
    });
    made.solids.push(solidOf(laid, all, thick));
    made.work.push({
      step: 'spacers',
      when: 'formed',
      verb: 'fit',
      what: 'spacers',
      count: 1,
      eachMin: 6 + 2 * layers.length,
      detail: `${counted(layers.length, 'layer')} of ${sheet.name}${tapers ? `, in steps, sanded to a slope from ${trimNumber(ends[0], 0)} mm at the lower end to ${trimNumber(ends[1], 0)} mm at the upper` : `, ${trimNumber(thickMm, 0)} mm in all`}. ${params.fills === 'part' ? 'Held in with tape and both parts put together before it is glued.' : 'Held in with tape and worn for ten minutes before it is glued.'}`,
      cautions: ['dust', 'solvent'],
      waitMin: 0,
    });
    if (thickMm > RANGE[1])
      made.checks.push({
        id: `spacer-${id}`,
        severity: 'mind',
        station: 'shape',
        title: `${name} stands ${trimNumber(thickMm - params.pressMm, 0)} mm off ${filled} where a spacer fills it.`,
        why: 'That much foam is heavy and warm: bring the piece closer instead.',
        provenance: 'memory',
        excess: thickMm - RANGE[1],
        pieceId: laid.panel.id,
        remedies: [],
      });
    return made;
  },
});
