import type { Vec2 } from '../geometry';
import type { Drawing } from '../view';

/** Room for a name under each, units. */
const NAME = 16;

/** Several drawings in one, in rows, each with its name under it. */
export function sideBySide(
  drawings: readonly { drawing: Drawing; name: string }[],
  width: number,
  height: number,
): Drawing {
  const columns = Math.ceil(Math.sqrt(drawings.length));
  const rows = Math.ceil(drawings.length / columns);
  const [cellW, cellH] = [width / columns, height / rows];
  const whole: Drawing = { width, height, regions: [], lines: [], words: [] };
  drawings.forEach(({ drawing, name }, i) => {
    const scale = Math.min(cellW / drawing.width, (cellH - NAME) / drawing.height);
    const left = (i % columns) * cellW + (cellW - drawing.width * scale) / 2;
    const top = Math.floor(i / columns) * cellH + (cellH - NAME - drawing.height * scale) / 2;
    const at = ({ x, y }: Vec2): Vec2 => ({ x: left + x * scale, y: top + y * scale });
    const runs = (all: readonly Vec2[][]): Vec2[][] => all.map((run) => run.map(at));
    whole.regions.push(...drawing.regions.map((r) => ({ ...r, rings: runs(r.rings) })));
    whole.lines.push(...drawing.lines.map((l) => ({ ...l, runs: runs(l.runs) })));
    // Words keep their size: those of small pictures would lie over each other.
    if (drawings.length <= 2) whole.words.push(...drawing.words.map((w) => ({ ...w, at: at(w.at) })));
    whole.words.push({
      at: { x: ((i % columns) + 0.5) * cellW, y: (Math.floor(i / columns) + 1) * cellH - NAME / 2 },
      text: name,
      look: 'there',
    });
  });
  return whole;
}
