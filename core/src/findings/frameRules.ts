import type { FrameSag } from '../carry';
import type { Finding, Remedy } from '../document';
import { printMm, trimNumber } from '../units';
import { inPart, type BuildRule } from './rule';
import { WHIPS } from './whips';

/** Put down or stepped with, a frame bears so many times what it bears at rest; from memory. */
const JOLT = 2;

/** The lightest other pipe of which something is true, as a remedy. */
function otherPipe(
  index: number,
  { choices, rodField }: FrameSag,
  does: (choice: FrameSag['choices'][number]) => boolean,
): Remedy[] {
  const [pipe] = choices.filter((c) => !c.chosen && does(c)).sort((a, b) => a.massG - b.massG);
  return pipe
    ? [{ label: pipe.name, changes: inPart(index, [{ path: ['params', rodField], value: pipe.rodId }]) }]
    : [];
}

/** Frames of pipes are stiff enough for what they carry. */
export const framesCarry: BuildRule = ({ doc, report }) =>
  report.frames.flatMap((f) => {
    const index = doc.parts.findIndex((p) => p.id === f.partId);
    const most = WHIPS.share * f.reachMm;
    if (index < 0 || f.sagMm <= most) return [];
    return [
      {
        id: `frame:${f.partId}`,
        severity: 'mind' as const,
        station: 'shape' as const,
        title: `${f.name}: ${f.where} sags ${printMm(f.sagMm, 0)} under its load, held ${f.heldBy}.`,
        why: `Over ${trimNumber(100 * WHIPS.share, 0)} % of its reach, ${printMm(f.reachMm, 0)}, it looks bent and swings. Each pipe is calculated as a beam that bends and twists, rigidly joined at the corners; loose fittings sag more. A cross-brace or a thicker pipe helps most.`,
        provenance: 'standard' as const,
        excess: f.sagMm - most,
        partId: f.partId,
        // With a margin: on a thicker pipe, what is mounted stands a little further out.
        remedies: otherPipe(index, f, (c) => c.sagMm < 0.9 * most),
      },
    ];
  });

/** Frames of pipes are strong enough, and do not swing in step with walking. */
export const framesLast: BuildRule = ({ doc, report }) =>
  report.frames.flatMap((f): Finding[] => {
    const index = doc.parts.findIndex((p) => p.id === f.partId);
    if (index < 0) return [];
    const noted: Finding[] = [];
    const base = { station: 'shape' as const, provenance: 'standard' as const, partId: f.partId };
    const { strength, bentMPa } = f;
    const breaks = strength !== undefined && JOLT * bentMPa > strength.yieldsMPa;
    if (strength && (breaks || bentMPa > strength.lastsMPa))
      noted.push({
        ...base,
        id: `frame-bent:${f.partId}`,
        severity: breaks ? 'stop' : 'mind',
        title: `${f.name}: ${f.bentAt} bears ${trimNumber(bentMPa)} MPa at rest; its pipe yields at ${trimNumber(strength.yieldsMPa)} MPa, and should bear no more than ${trimNumber(strength.lastsMPa)} MPa for long.`,
        why: breaks
          ? `A step or a knock is about ${JOLT} times that: it bends for good or splits at the fitting.`
          : 'Plastic under more than that creeps: it stays bent after a day.',
        excess: breaks ? JOLT * bentMPa - strength.yieldsMPa : bentMPa - strength.lastsMPa,
        remedies: otherPipe(
          index,
          f,
          (c) => c.bentMPa < 0.9 * strength.lastsMPa && 1.1 * JOLT * c.bentMPa < strength.yieldsMPa,
        ),
      });
    if (f.walks && f.hz !== undefined && f.hz < WHIPS.hz)
      noted.push({
        ...base,
        id: `frame-swings:${f.partId}`,
        severity: 'mind',
        title: `${f.name} swings ${trimNumber(f.hz)} times a second, about as often as you step.`,
        why: 'Walking is 1.6 to 2.4 steps a second: what swings as slowly builds up with them. Shorter pipes, a brace or a thicker pipe make it quicker.',
        excess: WHIPS.hz - f.hz,
        remedies: otherPipe(index, f, (c) => c.hz !== undefined && c.hz > 1.05 * WHIPS.hz),
      });
    return noted;
  });
