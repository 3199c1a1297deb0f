import type { Check } from '../../document';
import { socketMm } from '../../materials';
import { counted, itemAt, trimNumber } from '../../units';
import { type Corner, wholePipes } from './corners';
import type { PipeFrameParams } from './fields';
import { type Run, sawnMm } from './lengths';

/** Tighter than so many widths a pipe kinks when it is bent hot, even filled with sand; common practice, no source. */
export const LEAST_BEND_WIDTHS = 3;

const shape = { station: 'shape', provenance: 'standard' } as const;

/** In how many pieces the frame is. */
function apart(params: PipeFrameParams): number {
  const group = params.corners.map((_, i) => i);
  const root = (i: number): number => (group[i] === i ? i : root(itemAt(group, i)));
  const pipes = wholePipes(params);
  for (const { from, to } of pipes) group[root(from)] = root(to);
  return new Set(pipes.map(({ from }) => root(from))).size;
}

/** What is wrong with a frame of pipes. */
export function frameChecks(
  params: PipeFrameParams,
  corners: readonly Corner[],
  runs: readonly Run[],
  outsideMm: number,
): Check[] {
  const checks: Check[] = [];
  const lost = params.pipes.length - runs.length;
  if (lost > 0)
    checks.push({
      ...shape,
      id: 'pipes-lost',
      severity: runs.length === 0 ? 'stop' : 'mind',
      title: `${counted(lost, 'pipe')} ${lost === 1 ? 'does' : 'do'} not run between two different corners and ${lost === 1 ? 'is' : 'are'} left out.`,
      why: 'A pipe runs from one corner of the list to another.',
      excess: lost,
      remedies: [],
    });
  const pieces = apart(params);
  if (pieces > 1)
    checks.push({
      ...shape,
      id: 'pipes-apart',
      severity: 'mind',
      title: `the frame is in ${pieces} pieces that share no corner.`,
      why: 'Pipes hold together at corners they share.',
      excess: pieces - 1,
      remedies: [],
    });
  for (const { index, ends, joining, unsold, radiusMm } of corners) {
    const path = (key: string) => ['params', 'corners', index, key];
    if (joining.by === 'unknown')
      checks.push({
        ...shape,
        id: `corner-${index + 1}`,
        severity: 'stop',
        title: `${ends.length} pipes meet at corner ${index + 1}, no fitting takes them and none runs through.`,
        why: 'A branch is sawn to sit on a pipe that runs straight on; without one, only the glue in a point would hold.',
        excess: 1,
        remedies: [],
      });
    else if (unsold)
      checks.push({
        ...shape,
        id: `unsold-${index + 1}`,
        severity: 'mind',
        title: `no fitting is sold for the pipes at corner ${index + 1}; they are sawn to each other.`,
        why: 'Fittings are sold for 45° and 90°, and take a pipe a few degrees off at most.',
        excess: 1,
        remedies: [
          { label: 'Saw them to each other', changes: [{ path: path('joint'), value: 'sawn' }] },
          ...(ends.length === 2
            ? [{ label: 'Bend one pipe', changes: [{ path: path('joint'), value: 'bent' }] }]
            : []),
        ],
      });
    const least = LEAST_BEND_WIDTHS * outsideMm;
    if (joining.by === 'bend' && radiusMm < least)
      checks.push({
        ...shape,
        id: `kink-${index + 1}`,
        severity: 'mind',
        title: `the bend at corner ${index + 1} has a radius of ${trimNumber(radiusMm)} mm; under ${trimNumber(least)} mm the pipe kinks.`,
        why: 'Filled with dry sand and heated evenly, a pipe bends to about three of its widths.',
        provenance: 'practice',
        excess: least - radiusMm,
        remedies: [
          {
            label: `Radius ${Math.ceil(least)} mm`,
            changes: [{ path: path('radiusMm'), value: Math.ceil(least) }],
          },
        ],
      });
  }
  const socket = socketMm(outsideMm).value;
  runs.forEach((run, i) => {
    const needMm = run.stops.reduce(
      (sum, { corner }) => sum + (corner.joining.by === 'fitting' ? socket : 0),
      0,
    );
    const shortMm = needMm - sawnMm(run);
    if (shortMm <= 0) return;
    checks.push({
      ...shape,
      id: `short-${i + 1}`,
      severity: 'stop',
      title: `pipe ${run.name} would be ${trimNumber(Math.max(0, sawnMm(run)))} mm long; its joints need ${trimNumber(needMm)} mm of it.`,
      why: 'What the joints take is measured from the corner: fittings to the bottom of their sockets, bends to where they begin. Move the corners apart.',
      excess: shortMm,
      remedies: [],
    });
  });
  return checks;
}
