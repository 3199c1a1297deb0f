import type { CutPlan } from '../../document';
import type { Vec2 } from '../../geometry';
import { PAGE_MARGIN_MM, paper, printScale } from '../../pattern';
import type { Report } from '../../report';
import { trimNumber } from '../../units';
import { startPdf } from './startPdf';
import type { FontSource } from './fonts';
import { correction } from './foot';
import { bar, type Pen, PT_PER_MM, stroke, write } from './pen';

/** Paper left above a curve, on the pipe that is kept, so that the strip lies straight, and between strips; mm. */
const STRAIGHT_MM = 25;
const GAP_MM = 12;
/** Room above the foot, and from the head, mm. */
const ROOM = { foot: 34, head: 20 };
const HOW =
  'Cut out, tape round the pipe edge to edge, tips level with its sawn end, and saw along the curve.';

/** One strip of paper: all of a wrap that fits the page's height, or one of the parts it is taped together from. */
interface Strip {
  words: string;
  line: Vec2[];
}

/** The curve between two places round the pipe, its ends there. */
function between(line: readonly Vec2[], from: number, to: number): Vec2[] {
  const at = (x: number): Vec2 => {
    const i = Math.max(
      1,
      line.findIndex((p) => p.x >= x - 1e-9),
    );
    const [a, b] = [line[i - 1]!, line[i]!];
    const share = b.x > a.x ? (x - a.x) / (b.x - a.x) : 0;
    return { x, y: a.y + (b.y - a.y) * share };
  };
  return [at(from), ...line.filter((p) => p.x > from + 1e-6 && p.x < to - 1e-6), at(to)];
}

const stripsOf = (report: Report, roomMm: number): Strip[] =>
  report.parts.flatMap((part) =>
    part.sticks.flatMap((stick) =>
      (stick.sawn ?? []).flatMap(({ name, girthMm, line }) => {
        const parts = Math.ceil(girthMm / roomMm);
        return Array.from({ length: parts }, (_, i): Strip => ({
          words: `${part.name}: ${name}${part.copies > 1 ? `, ${part.copies} times` : ''}, girth ${trimNumber(girthMm)} mm${parts > 1 ? `, ${i + 1} of ${parts}, taped together` : ''}`,
          line: between(line, (girthMm * i) / parts, (girthMm * (i + 1)) / parts),
        }));
      }),
    ),
  );

/** Paper wraps for every sawn end of a pipe, at actual size: the girth runs up the page, the tips face right. */
export async function pipeWraps(
  report: Report,
  cut: CutPlan,
  title: string,
  font: FontSource,
): Promise<Uint8Array> {
  const scale = printScale(cut);
  const size = paper[cut.page];
  const [wide, high] = [size.widthMm / scale.x, size.heightMm / scale.y];
  const strips = stripsOf(report, high - ROOM.foot - ROOM.head);
  const { pdf, fonts } = await startPdf(
    `${title}: paper wraps for pipes`,
    [title, HOW, ...strips.map((s) => s.words)].join(' '),
    font,
  );
  const left = PAGE_MARGIN_MM + 6;
  let pen: Pen | undefined;
  let x = left;
  for (const { words, line } of strips) {
    const deep = Math.max(...line.map((p) => p.y)) + STRAIGHT_MM;
    if (!pen || x + deep > wide - PAGE_MARGIN_MM) {
      pen = {
        page: pdf.addPage([size.widthMm * PT_PER_MM, size.heightMm * PT_PER_MM]),
        fonts,
        pt: { x: PT_PER_MM * scale.x, y: PT_PER_MM * scale.y },
      };
      bar(pen, { x: left, y: PAGE_MARGIN_MM + 16 }, 100, '100 mm');
      write(pen, `${title.slice(0, 46)}: paper wraps. ${HOW}`, { x: left, y: PAGE_MARGIN_MM + 9 }, 2.2);
      write(pen, `print at 100 %, ${correction(cut)}`, { x: left, y: PAGE_MARGIN_MM + 4 }, 2.2);
      x = left;
    }
    const [from, to] = [line[0]!.x, line.at(-1)!.x];
    const at = (p: Vec2): Vec2 => ({ x: x + deep - p.y, y: ROOM.foot + p.x - from });
    stroke(pen, [at({ x: to, y: deep }), at({ x: from, y: deep }), ...line.map(at)], true, 'cut');
    write(pen, words, { x: x + 9, y: ROOM.foot + 4 }, 2.2, { turnRad: Math.PI / 2 });
    x += deep + GAP_MM;
  }
  return pdf.save();
}
