import { byId, trimNumber } from '../units';
import type { BuildRule } from './rule';

const ways = {
  off: ['further off', 'nearer'],
  along: ['further along', 'back'],
} as const;

/** Parts that are in each other's place, and those that float off what they hang on. */
export const partsStand: BuildRule = ({ doc, report }) =>
  report.standings.flatMap((s) => {
    const part = byId(report.parts, s.partId);
    const other = byId(report.parts, s.otherId);
    const index = doc.parts.findIndex((p) => p.id === s.partId);
    if (!part || !other || index < 0) return [];
    const deep = s.deepMm > 0;
    const remedies = [
      ...s.better.map(({ label, byMm, mount }) => ({
        label: `Move it ${trimNumber(Math.abs(byMm))} mm ${ways[label][byMm > 0 ? 0 : 1]}`,
        changes: [{ path: ['parts', index, 'mount'], value: mount }],
      })),
      ...(deep && s.attached
        ? [
            {
              label: `Let it in: ${other.name} is cut away for it`,
              changes: [{ path: ['parts', index, 'mount', 'letIn'], value: true }],
            },
          ]
        : []),
    ];
    const gap = Number.isFinite(s.gapMm) ? `${trimNumber(s.gapMm)} mm` : 'far';
    return [
      {
        id: `${deep ? 'driven' : 'floats'}:${s.partId}:${s.otherId}`,
        severity: 'mind' as const,
        station: 'shape' as const,
        title: deep
          ? `${part.name} overlaps ${other.name} by ${trimNumber(s.deepMm)} mm.`
          : `${part.name} is ${gap} away from ${other.name}, which it is mounted on.`,
        why: deep
          ? 'Two solids cannot be in the same place. Move it, or let it in on purpose: an opening of its section is then drawn on the piece it goes through.'
          : 'Glue fills a gap of a millimetre at most. Move it, or put a block of foam between.',
        provenance: 'standard' as const,
        excess: deep ? s.deepMm : Math.min(1e3, s.gapMm),
        partId: s.partId,
        remedies,
      },
    ];
  });

/** A switch another part covers. */
export const switchesReached: BuildRule = ({ report }) =>
  report.inFront.map(({ partId, featureId, name, otherId, blocked, wantsMm }) => {
    const nameOf = (id: string): string => byId(report.parts, id)?.name ?? id;
    const other = byId(report.parts, otherId);
    const comesOff = other?.mount.to === 'part' && other.mount.apart === true;
    return {
      id: `covered:${partId}:${featureId}`,
      severity: blocked && !comesOff ? ('stop' as const) : ('mind' as const),
      station: 'inside' as const,
      title: blocked
        ? `${name} in ${nameOf(partId)} is covered by ${nameOf(otherId)}: it cannot move.`
        : `${name} in ${nameOf(partId)} has no room for a finger in front of it: ${nameOf(otherId)} is nearer than ${trimNumber(wantsMm)} mm.`,
      why: 'A switch wants its throw and a fingertip in front of it once everything is put together. Move the switch, or what covers it.',
      provenance: 'standard' as const,
      excess: 1,
      partId,
      remedies: [],
    };
  });

/** What was put in one part lies in another that is put together with it. */
export const nothingInOthers: BuildRule = ({ report }) =>
  report.putInClashes.map(({ partId, featureId, name, otherId, deepMm }) => {
    const nameOf = (id: string): string => byId(report.parts, id)?.name ?? id;
    return {
      id: `in-other:${partId}:${featureId}:${otherId}`,
      severity: 'stop' as const,
      station: 'inside' as const,
      title: `${name} in ${nameOf(partId)} overlaps ${nameOf(otherId)} by ${trimNumber(deepMm)} mm.`,
      why: 'Put together, both would be in one place: a plug or a tang takes room of the bore it goes into. Move one of them.',
      provenance: 'standard' as const,
      excess: deepMm,
      partId,
      remedies: [],
    };
  });
