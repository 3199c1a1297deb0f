import type { PartReport } from '../parts';
import { byId, trimNumber } from '../units';
import { depthOf } from './assemblies';
import type { Step } from './step';
import { isGlued } from './units';

/** Drying of what holds two parts for good, min; from memory. */
const GLUE_MIN = 60;

/** Where a part goes on its host, in words. */
function placeWords(part: PartReport, host: PartReport): string {
  const { mount } = part;
  if (mount.to !== 'part') return '';
  const where = byId(host.anchors, mount.anchor)?.name ?? mount.anchor;
  const { alongMm = 0, acrossMm = 0, turnDeg = 0, leanDeg = 0, nodDeg = 0 } = mount;
  const mm = (v: number): string => `${trimNumber(Math.abs(v), 0)} mm`;
  return [
    where.startsWith('on ') ? `On the ${where.slice(3)}` : `At the ${where.replace(/^the /, '')}`,
    ...(alongMm === 0 ? [] : [`${mm(alongMm)} ${alongMm > 0 ? 'further on' : 'back'}`]),
    ...(acrossMm === 0
      ? []
      : [`${mm(acrossMm)} to the ${acrossMm > 0 ? 'right' : 'left'}, seen from outside`]),
    ...(turnDeg === 0 ? [] : [`turned ${trimNumber(turnDeg, 0)}°`]),
    ...(leanDeg === 0 && nodDeg === 0 ? [] : [`leaned ${trimNumber(Math.hypot(leanDeg, nodDeg), 0)}°`]),
    ...(part.copies > 1 ? [`${part.copies} of them`] : []),
  ].join(', ');
}

/**
 * Parts put on what carries them, those nearest the root first. Dry, marked and drilled before anything is painted; glued
 * then, or, where they come off again, put together when both are finished.
 */
export function mountSteps(
  parts: readonly PartReport[],
  lastOf: (partId: string) => string,
  how: 'glued' | 'apart',
): Step[] {
  return parts
    .flatMap((part): { depth: number; step: Step }[] => {
      const { mount } = part;
      const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
      if (mount.to !== 'part' || !host || isGlued(mount) !== (how === 'glued')) return [];
      const place = placeWords(part, host);
      const glued = how === 'glued';
      return [
        {
          depth: depthOf(part, parts),
          step: {
            id: `${part.id}:mount`,
            kind: 'mount',
            about: 'mount',
            title: `${glued ? 'Glue' : 'Put'} ${part.name} on ${host.name}`,
            detail: glued
              ? `${place}. Dry first, mark it, pilot holes before large ones; scuff pipe where glue must hold, then glue or pin.`
              : `${place}. Both are finished; nothing is drilled any more.`,
            partId: part.id,
            workMin: 15 * part.copies,
            waitMin: glued ? GLUE_MIN : 0,
            ...(glued && { waitFor: 'glue holding' }),
            after: [...new Set([lastOf(part.id), lastOf(host.id)])],
            cautions: glued ? ['dust', 'solvent'] : [],
          },
        },
      ];
    })
    .sort((a, b) => a.depth - b.depth)
    .map((s) => s.step);
}

/** Where a part comes off again, its place is marked and drilled before it is painted. */
export function fitDrySteps(parts: readonly PartReport[], lastOf: (partId: string) => string): Step[] {
  return parts.flatMap((part): Step[] => {
    const { mount } = part;
    const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
    if (mount.to !== 'part' || !host || isGlued(mount)) return [];
    return [
      {
        id: `${part.id}:dry`,
        kind: 'mount',
        about: 'mount',
        title: `Try ${part.name} on ${host.name}`,
        detail: `${placeWords(part, host)}. Mark it, drill pilot holes before large ones, let in its magnets or pins, and take it off again.`,
        partId: part.id,
        workMin: 10 * part.copies,
        waitMin: 0,
        after: [...new Set([lastOf(part.id), lastOf(host.id)])],
        gate: 'Drilling fouls paint and lamps: it comes before both.',
        cautions: ['dust'],
      },
    ];
  });
}

/** Parts that are glued to each other are filled and sanded as one. */
export function fillSteps(unit: readonly PartReport[], after: readonly string[]): Step[] {
  const [head] = unit;
  if (!head || unit.length < 2) return [];
  return [
    {
      id: `${head.id}:fill`,
      kind: 'sand',
      about: 'edges',
      title: `${head.name}: fill and sand the joints as one`,
      detail: `Where ${unit
        .slice(1)
        .map((p) => p.name)
        .join(
          ', ',
        )} ${unit.length > 2 ? 'meet' : 'meets'} it: flexible filler, dry, then fine grit, so that one coat runs over all of it.`,
      partId: head.id,
      workMin: 10 * (unit.length - 1),
      waitMin: 60,
      waitFor: 'filler dry',
      after: [...after],
      cautions: ['dust'],
    },
  ];
}
