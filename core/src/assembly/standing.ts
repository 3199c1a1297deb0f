import type { Mount } from '../document';
import { allOntoRoot, type PartReport, rootOf } from '../parts';
import { type Between, between, bodyOf, boxOf } from './between';
import { askedSolid, boxesMeet } from './solids';

/** Glue bridges this much, and foam gives it, mm; common practice, no source. */
const GIVES_MM = 1;

/** Two parts of one assembly that overlap, or one that does not touch the part it is mounted on. */
export interface Standing extends Between {
  partId: string;
  otherId: string;
  /** The first hangs on the second. */
  attached: boolean;
  /** Mounts of the first that put it right, each tried. */
  better: { label: 'off' | 'along'; byMm: number; mount: Mount }[];
}

type OnPart = Extract<Mount, { to: 'part' }>;

const isWrong = ({ deepMm, gapMm }: Between, attached: boolean): boolean =>
  deepMm > GIVES_MM || (attached && gapMm > GIVES_MM);

/** Whether boxes round two parts share room where they stand. */
function near(a: PartReport, b: PartReport, parts: readonly PartReport[], rootId: string): boolean {
  const [ours, theirs] = [a, b].map((p) =>
    allOntoRoot(parts, p.id, rootId).map((to) => boxOf(askedSolid(bodyOf(p)), to)),
  );
  return ours!.some((x) => theirs!.some((y) => boxesMeet(x, y)));
}

/** Tried mounts, moved away from the host or along it, that leave the part touching without overlap. */
function betterMounts(
  part: PartReport,
  other: PartReport,
  parts: readonly PartReport[],
  rootId: string,
  { deepMm, gapMm }: Between,
  attached: boolean,
): Standing['better'] {
  const { mount } = part;
  if (mount.to !== 'part') return [];
  const far = Number.isFinite(gapMm) ? gapMm : 0;
  const byMm = Math.round((deepMm > GIVES_MM ? deepMm + 0.1 : far) * 10) / 10;
  if (byMm <= 0) return [];
  const tries = (['off', 'along'] as const).flatMap((label) =>
    [byMm, -byMm].map((by): Standing['better'][number] => ({
      label,
      byMm: by,
      mount: shifted(mount, label, by),
    })),
  );
  return tries.filter((t) => {
    const moved = { ...part, mount: t.mount };
    const all = parts.map((p) => (p === part ? moved : p));
    return !isWrong(between(moved, other, all, rootId, attached), attached);
  });
}

const shifted = (mount: OnPart, label: Standing['better'][number]['label'], by: number): OnPart => {
  const key = ({ off: 'offMm', along: 'alongMm' } as const)[label];
  return { ...mount, [key]: Math.round(((mount[key] ?? 0) + by) * 10) / 10 };
};

/** Every two parts of an assembly that are in each other's place, and every part that floats off what it hangs on. */
export function standingsOf(parts: readonly PartReport[]): Standing[] {
  return parts.flatMap((part, i): Standing[] => {
    const root = rootOf(part, parts);
    const { mount } = part;
    return parts.flatMap((other, k): Standing[] => {
      if (other === part || rootOf(other, parts) !== root) return [];
      const attached = mount.to === 'part' && mount.part === other.id;
      const hangs = other.mount.to === 'part' && other.mount.part === part.id;
      // Each two are looked at once, from the one that hangs, or the later of two beside each other.
      if (hangs || (!attached && k > i)) return [];
      if (attached ? mount.letIn : !near(part, other, parts, root.id)) return [];
      const found = between(part, other, parts, root.id, attached);
      return isWrong(found, attached)
        ? [
            {
              ...found,
              partId: part.id,
              otherId: other.id,
              attached,
              better: betterMounts(part, other, parts, root.id, found, attached),
            },
          ]
        : [];
    });
  });
}
