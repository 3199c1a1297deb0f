import { type Check, setting } from '../../document';
import { boundsOf, type Vec2 } from '../../geometry';
import { trimNumber } from '../../units';
import type { DrawnPlateParams } from './fields';
import { heightWithin, leastRoundMm, type Lie, sized, tenth, tenths } from './lie';

/** A drawing that differs less from its size on the wearer is as it was drawn. */
const CHANGED = 0.005;

/** What can be wrong with a drawing where it lies. */
export function checksOf(
  lie: Lie,
  params: DrawnPlateParams,
  outline: readonly Vec2[],
  folded: boolean,
): Check[] {
  const { carrier, scale } = lie;
  const { minX, maxX, minY, maxY } = boundsOf(outline);
  const checks: Check[] = [];
  if (folded)
    checks.push({
      id: 'outline-folds',
      severity: 'stop',
      station: 'shape',
      title: 'the drawn outline winds too much to be one plate; the box round it is shown in its place.',
      why: 'A plate is laid on the body between its four sides. Draw narrow arms as plates of their own.',
      provenance: 'practice',
      excess: 1,
      remedies: [],
    });
  const least = leastRoundMm(lie, outline);
  const over = maxX - minX - least;
  if (over > 0) {
    const by = (least / (maxX - minX)) * 0.95;
    checks.push({
      id: 'wraps',
      severity: 'stop',
      station: 'shape',
      title: `is ${trimNumber(maxX - minX, 0)} mm wide and goes more than once round: the girth there is ${trimNumber(least, 0)} mm.`,
      why: 'A plate that meets itself is a tube and needs a seam.',
      provenance: 'standard',
      excess: over,
      remedies: [
        setting(`Draw it ${trimNumber(by * 100, 0)} % as wide`, {
          outline: tenths(sized(params.outline, { x: by, y: 1 })),
        }),
      ],
    });
  }
  const [low, high] = carrier.reach.map((z) => z - carrier.footMm) as [number, number];
  const beyond = Math.max(low - minY, maxY - high);
  if (beyond > 0.5) {
    const { by, shiftMm } = heightWithin(lie, outline);
    checks.push({
      id: 'ends',
      severity: 'stop',
      station: 'shape',
      title: `reaches ${trimNumber(beyond, 0)} mm past ${maxY - high > low - minY ? 'the upper' : 'the lower'} end of what it lies on.`,
      why: 'A stiff plate cannot cross the joint.',
      provenance: 'practice',
      excess: beyond,
      remedies: [
        setting('Draw it within', {
          outline: tenths(params.outline.map((n) => ({ ...n, yMm: n.yMm * by + shiftMm / scale.y }))),
        }),
      ],
    });
  }
  const changed = Math.max(Math.abs(scale.x - 1), Math.abs(scale.y - 1));
  if (changed > CHANGED)
    checks.push({
      id: 'grown',
      severity: 'note',
      station: 'shape',
      title: `is ${trimNumber(scale.x * 100, 0)} % as wide and ${trimNumber(scale.y * 100, 0)} % as high as it was drawn, as the wearer is.`,
      why: 'It was drawn for other measures and grows with the wearer.',
      provenance: 'standard',
      excess: changed,
      remedies: [
        setting('Draw on from its size now', {
          outline: tenths(sized(params.outline, scale)),
          drawnGirthMm: tenth(carrier.girthMm),
          drawnHeightMm: tenth(carrier.heightMm),
        }),
        setting('Keep the size it was drawn in', { follows: 'own' }),
      ],
    });
  return checks;
}
