import type { Check } from '../../document';
import { socketMm } from '../../materials';
import { counted, itemAt, trimNumber } from '../../units';
import { type Corner, wholePipes } from './corners';
import type { PipeFrameParams } from './fields';
import { type Length, type Run, sawnMm } from './lengths';

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
  lengths: readonly Length[],
  outsideMm: number,
): Check[] {
  const checks: Check[] = [];
  const lost = params.pipes.length - runs.length;
  if (lost > 0)
    checks.push({
      ...shape,
      id: 'pipes-lost',
      severity: runs.length === 0 ? 'stop' : 'mind',
      title: `${counted(lost, 'pipe')} ${lost === 1 ? 'does' : 'do'} not run between two corners of their own and ${lost === 1 ? 'is' : 'are'} left out.`,
      why: 'A pipe runs from one corner of the list to another, and only one runs there.',
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
  for (const { index, ends, joining, unsold, otherwise, radiusMm } of corners) {
    const path = (key: string) => ['params', 'corners', index, key];
    if (joining.by === 'unknown')
      checks.push({
        ...shape,
        id: `corner-${index + 1}`,
        severity: 'stop',
        title:
          ends.length === 2
            ? `the pipes at corner ${index + 1} turn back on each other too sharply to be joined.`
            : `${ends.length} pipes meet at corner ${index + 1}, no fitting takes them and none runs through.`,
        why:
          ends.length === 2
            ? 'No fitting is sold for it, a mitre would be sawn over 70° off square, and a bend would not fit.'
            : 'A branch is sawn to sit on a pipe that runs straight on; without one, only the glue in a point would hold.',
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
    if (otherwise)
      checks.push({
        ...shape,
        id: `otherwise-${index + 1}`,
        severity: 'mind',
        title: `corner ${index + 1} is joined by ${joining.by === 'fitting' ? 'a bought fitting' : 'saws'}: ${counted(ends.length, 'pipe')} ${ends.length === 1 ? 'ends' : 'meet'} there.`,
        why: 'Two pipes can be one that is bent; a flange goes on a single end.',
        excess: 1,
        remedies: [{ label: 'A bought fitting', changes: [{ path: path('joint'), value: 'fitting' }] }],
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
  for (const { runs: own } of lengths.filter((l) => l.closed))
    checks.push({
      ...shape,
      id: `ring-${own[0]! + 1}`,
      severity: 'mind',
      title: `the ring of ${counted(own.length, 'pipe')} is one bent length whose ends are not joined.`,
      why: 'A pipe bent to a ring needs one joint: put a corner in a straight of it, with a bought fitting.',
      excess: 1,
      remedies: [],
    });
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
