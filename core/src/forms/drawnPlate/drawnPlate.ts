import { type Body, levels } from '../../body';
import type { Params } from '../../document';
import { boundsOf, scale3, sub3, type Vec2, type Vec3 } from '../../geometry';
import { cornerNodes, drawnOutline, type Node } from '../../outline';
import { filledGrid, folds, fourSides, type Panel, splitPanel } from '../../panel';
import { defineForm, type Design, type Fastening, type FormInput } from '../contract';
import { drawnCheck } from '../held/checks';
import { strapOver } from '../straps';
import { carrierOf, normalTo, roundMm } from './carrier';
import { checksOf } from './checks';
import { type DrawnPlateParams, fields } from './fields';
import { type Input, type Lie, lieOf, shownAt, sized, tenth, tenths } from './lie';

/** About so long a step of the grid is, mm, and so many it has each way: even, so that no corner is a sliver. */
const STEP_MM = 11;
const stepsFor = (mm: number): number => Math.min(28, Math.max(10, 2 * Math.round(mm / STEP_MM / 2)));

/** Two straps rather than one on anything higher, mm; common practice, no source. */
const TWO_STRAPS_MM = 180;

/** Straps from side to side round what it lies on, as far apart as holds it. */
function strapsOf(lie: Lie, outline: readonly Vec2[], underLayerMm: number): Fastening[] {
  const { minY, maxY } = boundsOf(outline);
  const shares = maxY - minY > TWO_STRAPS_MM ? [0.25, 0.75] : [0.5];
  return shares.map((share, i) => {
    const y = minY + share * (maxY - minY);
    const [from, to] = widthAt(outline, y);
    const slice = lie.carrier.slice(lie.carrier.footMm + y);
    const whole = roundMm(slice, 0, 360, underLayerMm);
    const where = `round the ${lie.carrier.round}${shares.length === 1 ? '' : i === 0 ? ', below' : ', above'}`;
    return strapOver(Math.max(40, whole - (to - from)), where);
  });
}

/** Leftmost and rightmost of an outline at a height. */
function widthAt(outline: readonly Vec2[], y: number): [number, number] {
  const xs = outline.flatMap((p, i) => {
    const q = outline[(i + 1) % outline.length]!;
    return p.y <= y !== q.y <= y ? [p.x + ((q.x - p.x) * (y - p.y)) / (q.y - p.y)] : [];
  });
  return xs.length === 0 ? [0, 0] : [Math.min(...xs), Math.max(...xs)];
}

function design(input: FormInput<DrawnPlateParams>): Design {
  const { params, underLayerMm } = input;
  const lie = lieOf(input);
  const { carrier, scale } = lie;
  const { outline, crosses } = drawnOutline(sized(params.outline, scale));
  const shown = shownAt(lie, outline);
  const { minX, maxX, minY, maxY } = boundsOf(outline);
  const [columns, rows] = [stepsFor(maxX - minX), stepsFor(maxY - minY)];
  const drawn = filledGrid(fourSides(outline), columns, rows);
  const folded = folds(drawn);
  const flat = folded ? boxGrid(outline, columns, rows) : drawn;
  const plate: Panel = {
    id: params.halves === 2 ? 'half-' : 'plate',
    name: 'plate',
    grid: flat.map((row) => row.map(shown)),
    edges: { bottom: 'lower edge', right: 'right edge', top: 'upper edge', left: 'left edge' },
  };
  const step = (node: Node, by: Vec2): Vec3 =>
    sub3(
      shown({ x: node.xMm * scale.x + by.x / 2, y: node.yMm * scale.y + by.y / 2 }),
      shown({ x: node.xMm * scale.x - by.x / 2, y: node.yMm * scale.y - by.y / 2 }),
    );
  return {
    panels: params.halves === 2 ? splitPanel(plate) : [plate],
    joins: params.halves === 2 ? [{ a: ['half-a', 'right'], b: ['half-b', 'left'], kind: 'seam' }] : [],
    roomMm: params.paddingMm,
    padded: params.paddingMm > 0,
    measures: carrier.measures,
    fastenings: strapsOf(lie, outline, underLayerMm),
    drawnPoints: params.outline.map((node, row) => ({
      field: 'outline',
      row,
      at: shown({ x: node.xMm * scale.x, y: node.yMm * scale.y }),
      across: scale3(step(node, { x: 2, y: 0 }), scale.x / 2),
      up: scale3(step(node, { x: 0, y: 2 }), scale.y / 2),
    })),
    figures: [
      { key: 'width', label: 'width round the body', value: maxX - minX, unit: 'mm', decimals: 0 },
      { key: 'height', label: 'height', value: maxY - minY, unit: 'mm', decimals: 0 },
    ],
    checks: [...drawnCheck(crosses), ...checksOf(lie, params, outline, folded)],
  };
}

const boxGrid = (outline: readonly Vec2[], columns: number, rows: number): Vec2[][] => {
  const { minX, maxX, minY, maxY } = boundsOf(outline);
  return Array.from({ length: rows + 1 }, (_, r) =>
    Array.from({ length: columns + 1 }, (_, c) => ({
      x: minX + ((maxX - minX) * c) / columns,
      y: minY + ((maxY - minY) * r) / rows,
    })),
  );
};

/** Where a spot on or near the wearer lies in the drawing. */
function spotOn(input: Input, p: Vec3): Vec2 {
  const { carrier, scale, middleDeg, neutralMm } = lieOf(input);
  const slice = carrier.slice(p.z);
  const mm = roundMm(slice, middleDeg, normalTo(slice, p, middleDeg), neutralMm);
  return { x: mm / scale.x, y: (p.z - carrier.footMm) / scale.y };
}

/** A drawing whose points are spots on the wearer, its middle in the middle of them. */
function drawingOf(input: Input, spots: readonly Vec3[]): Params {
  const { carrier, middleDeg } = lieOf(input);
  const turns = spots.map((p) => (normalTo(carrier.slice(p.z), p, middleDeg) * Math.PI) / 180);
  const sum = (of: (turn: number) => number): number => turns.reduce((all, turn) => all + of(turn), 0);
  const middle = (Math.atan2(sum(Math.sin), sum(Math.cos)) * 180) / Math.PI - carrier.frontDeg;
  const aroundDeg = Math.round(((((middle + 180) % 360) + 360) % 360) - 180);
  const about = { ...input, params: { ...input.params, aroundDeg } };
  const nodes = spots.map((p): Node => {
    const { x, y } = spotOn(about, p);
    return { xMm: x, yMm: y, node: 'corner' };
  });
  return { aroundDeg, outline: tenths(nodes) };
}

/** A shield-shaped plate to begin with, over half the front of the chest. */
function startOutline(body: Body): Node[] {
  const at = levels(body);
  const [w, h] = [body.chestGirth.valueMm * 0.13, at.neckBase - at.waist];
  return tenths(
    cornerNodes([
      [-w * 0.7, h * 0.28],
      [0, h * 0.16],
      [w * 0.7, h * 0.28],
      [w, h * 0.68],
      [w * 0.55, h * 0.8],
      [-w * 0.55, h * 0.8],
      [-w, h * 0.68],
    ]),
  );
}

export const drawnPlate = defineForm<DrawnPlateParams>({
  kind: 'drawn-plate',
  label: 'Drawn plate',
  summary:
    'A plate of any outline, drawn on the wearer: it lies on the trunk or a limb and grows with the tape.',
  zones: ['torso', 'hips', 'upperArm', 'forearm', 'thigh', 'lowerLeg'],
  fields,
  drawnOn: { spot: spotOn, drawing: drawingOf },
  defaults: (body) => ({
    outline: startOutline(body),
    aroundDeg: 0,
    paddingMm: 8,
    follows: 'wearer',
    drawnGirthMm: tenth(carrierOf(body, 'torso').girthMm),
    drawnHeightMm: tenth(carrierOf(body, 'torso').heightMm),
    halves: 1,
  }),
  design,
  silhouette: ({ outline }) => drawnOutline(outline).outline,
});
