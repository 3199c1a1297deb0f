import { firstOf, itemAt } from '../../units';
import { dist2, stretchesOf, type Vec2 } from '../../geometry';
import { CURVE_MM } from '../curves';
import { oneLine } from '../text';
import type { CutterSettings, Operation, OperationKind } from './operations';

/** How fast each is done, mm a minute, and what the tool is set to; the machine's own book decides. */
const feeds: Record<OperationKind, { mmPerMin: number; tool: number }> = {
  mark: { mmPerMin: 3000, tool: 1 },
  score: { mmPerMin: 2000, tool: 2 },
  inner: { mmPerMin: 1200, tool: 3 },
  outer: { mmPerMin: 1200, tool: 3 },
};
/** Tabs stand about this far apart, mm. */
const TAB_EVERY_MM = 180;

const number = (v: number): string => {
  const text = v.toFixed(3).replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
};
const spot = ({ x, y }: Vec2): string => `X${number(x)} Y${number(y)}`;

/** A closed ring parted where tabs stand, each run between two of them. */
function runsBetweenTabs(ring: readonly Vec2[], tabMm: number): Vec2[][] {
  const closed = [...ring, firstOf(ring)];
  const lengths = closed.slice(1).map((p, i) => dist2(itemAt(closed, i), p));
  const whole = lengths.reduce((s, l) => s + l, 0);
  const count = tabMm > 0 ? Math.max(2, Math.round(whole / TAB_EVERY_MM)) : 0;
  if (count === 0 || whole < count * tabMm * 3) return [closed];
  const pointAt = (mm: number): Vec2 => {
    let left = mm;
    for (let i = 0; i < lengths.length; i++) {
      if (left <= itemAt(lengths, i) || i === lengths.length - 1) {
        const t = itemAt(lengths, i) === 0 ? 0 : Math.min(1, left / itemAt(lengths, i));
        const [a, b] = [itemAt(closed, i), itemAt(closed, i + 1)];
        return { x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) };
      }
      left -= itemAt(lengths, i);
    }
    return firstOf(closed);
  };
  const step = whole / count;
  return Array.from({ length: count }, (_, k) => {
    const [from, to] = [k * step + tabMm / 2, (k + 1) * step - tabMm / 2];
    let at = 0;
    const between: Vec2[] = [];
    lengths.forEach((l, i) => {
      at += l;
      if (at > from + 1e-9 && at < to - 1e-9) between.push(itemAt(closed, i + 1));
    });
    return [pointAt(from), ...between, pointAt(to)];
  });
}

function run(points: readonly Vec2[], feed: number): string[] {
  let at = firstOf(points);
  const moves = stretchesOf(points, CURVE_MM).map((s) => {
    const from = at;
    at = s.to;
    return 'centre' in s
      ? `${s.ccw ? 'G3' : 'G2'} ${spot(s.to)} I${number(s.centre.x - from.x)} J${number(s.centre.y - from.y)} F${feed}`
      : `G1 ${spot(s.to)} F${feed}`;
  });
  return [`G0 ${spot(firstOf(points))}`, 'M3', ...moves, 'M5'];
}

/**
 * A motion list in the words of ISO 6983 for a generic knife or laser: millimetres, absolute, origin at the sheet's lower
 * left; M3 sets the tool on, M5 takes it off; T1 marks, T2 scores, T3 cuts through. Curves are arcs (G2, G3, centre by
 * I and J from where the arc begins).
 */
export function motionList(
  operations: readonly Operation[],
  settings: CutterSettings,
  title: string,
): string {
  const words = (text: string): string => `(${oneLine(text).replace(/[()]/g, '')})`;
  let tool = 0;
  const body = operations.flatMap((op) => {
    const { mmPerMin, tool: wanted } = feeds[op.kind];
    const change = wanted === tool ? [] : [`T${wanted}`];
    tool = wanted;
    const runs = op.closed
      ? op.kind === 'outer'
        ? runsBetweenTabs(op.points, settings.tabMm)
        : [[...op.points, firstOf(op.points)]]
      : [op.points];
    return [words(`${op.piece}: ${op.kind}`), ...change, ...runs.flatMap((points) => run(points, mmPerMin))];
  });
  return ['%', words(title), 'G21 G90', 'M5', ...body, 'G0 X0 Y0', 'M2', '%', ''].join('\r\n');
}
