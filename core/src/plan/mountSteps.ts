import type { PartReport } from '../parts';
import { trimNumber } from '../units';
import { depthOf } from './assemblies';
import type { Step } from './step';

/** Parts put on what carries them, those nearest the root first, once both are finished. */
export function mountSteps(parts: readonly PartReport[], lastOf: (partId: string) => string): Step[] {
  return parts
    .flatMap((part): { depth: number; step: Step }[] => {
      const { mount } = part;
      const host = mount.to === 'part' ? parts.find((p) => p.id === mount.part) : undefined;
      if (mount.to !== 'part' || !host) return [];
      const where = host.anchors.find((a) => a.id === mount.anchor)?.name ?? mount.anchor;
      const along = mount.alongMm ?? 0;
      return [
        {
          depth: depthOf(part, parts),
          step: {
            id: `${part.id}:mount`,
            kind: 'mount',
            title: `Put ${part.name} on ${host.name}`,
            detail: `At the ${where.replace(/^the /, '')}${along === 0 ? '' : `, ${trimNumber(Math.abs(along), 0)} mm ${along > 0 ? 'further on' : 'back'}`}. Dry first, mark it, then glue or pin; scuff pipe where glue must hold, pilot holes before large ones.`,
            partId: part.id,
            workMin: 15,
            waitMin: 0,
            after: [lastOf(part.id), lastOf(host.id)],
            cautions: [],
          },
        },
      ];
    })
    .sort((a, b) => a.depth - b.depth)
    .map((s) => s.step);
}
