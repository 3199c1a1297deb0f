import { zoneInfo } from '@fomrik/core/body';
import { dot3, type Mesh, planeCut, type Vec2, type Vec3 } from '@fomrik/core/geometry';
import type { PartReport } from '@fomrik/core/parts';
import { useMemo, useState } from 'react';
import { Range } from '../../parts/Range';
import { useLength } from '../../parts/useLength';
import { useWorked } from '../../parts/useWorked';
import { useReport } from '../../store/report';
import { bodiesOf } from '../../workers/besideClient';

type Across = 'side' | 'front' | 'above';

/** What a cut is seen along, and how it lies on paper: limbs stand along z with their back along x, figures look along y. */
const cuts: Record<
  Across,
  { label: string; normal: (limb: boolean) => Vec3; flat: (p: Vec3, limb: boolean) => Vec2 }
> = {
  side: {
    label: 'From the side',
    normal: (limb) => (limb ? { x: 0, y: 1, z: 0 } : { x: 1, y: 0, z: 0 }),
    flat: (p, limb) => ({ x: limb ? p.x : p.y, y: p.z }),
  },
  front: {
    label: 'From the front',
    normal: (limb) => (limb ? { x: 1, y: 0, z: 0 } : { x: 0, y: 1, z: 0 }),
    flat: (p, limb) => ({ x: limb ? p.y : -p.x, y: p.z }),
  },
  above: {
    label: 'From above',
    normal: () => ({ x: 0, y: 0, z: 1 }),
    flat: (p, limb) => (limb ? { x: p.y, y: p.x } : { x: -p.x, y: p.y }),
  },
};

/** Room round the part that is shown with it, mm; and the bar of the scale. */
const ROUND_MM = 40;
const BAR_MM = 50;

/** From least to most along a way. */
function reachAlong({ points }: Mesh, way: Vec3): [number, number] {
  let [low, high] = [Infinity, -Infinity];
  for (const p of points) {
    const t = dot3(p, way);
    low = Math.min(low, t);
    high = Math.max(high, t);
  }
  return [low, high];
}

/** The part and the wearer cut through, as the part is worn: where it stands off and where it presses. */
export function SectionPane({ made }: { made: PartReport }) {
  const body = useReport((s) => s.report!.body);
  const length = useLength();
  const [across, setAcross] = useState<Across>('side');
  const [share, setShare] = useState(0.5);
  const limb = made.zone !== undefined && zoneInfo(made.zone).frame !== undefined;
  const { value: bodies } = useWorked(() => bodiesOf(body, made.zone), [body, made.zone]);
  const cut = cuts[across];
  const own = useMemo(() => [made.solid.mesh, made.extras], [made.solid.mesh, made.extras]);
  const whole = useMemo((): Mesh => ({ points: own.flatMap((m) => m.points), triangles: [] }), [own]);
  const normal = cut.normal(limb);
  const [low, high] = reachAlong(whole, normal);
  const offMm = low + share * (high - low);
  const at = { x: normal.x * offMm, y: normal.y * offMm, z: normal.z * offMm };
  const path = (meshes: readonly Mesh[]): string =>
    meshes
      .flatMap((mesh) => planeCut(mesh, at, normal))
      .map(([p, q]) => [cut.flat(p, limb), cut.flat(q, limb)] as const)
      .map(([p, q]) => `M${p.x.toFixed(1)} ${(-p.y).toFixed(1)}L${q.x.toFixed(1)} ${(-q.y).toFixed(1)}`)
      .join('');
  const spots = whole.points.map((p) => cut.flat(p, limb));
  const [x0, x1] = extent(spots, 'x');
  const [y0, y1] = extent(spots, 'y');
  return (
    <figure className="flex h-full min-h-0 flex-col" aria-label="Section">
      <figcaption className="flex flex-wrap items-center gap-2 px-2 pt-1 text-[12.5px]">
        <span role="toolbar" aria-label="Cut" className="flex">
          {(Object.keys(cuts) as Across[]).map((key) => (
            <button
              key={key}
              type="button"
              aria-pressed={key === across}
              onClick={() => setAcross(key)}
              className={`min-h-6 border-b-2 px-1.5 text-teal ${key === across ? 'border-current font-semibold' : 'border-transparent'}`}
            >
              {cuts[key].label}
            </button>
          ))}
        </span>
        <span className="ml-auto flex items-center gap-1.5">
          <Range label={`Cut at ${length(offMm)}`} className="" value={share} onChange={setShare} />
        </span>
      </figcaption>
      <svg
        viewBox={`${x0} ${-y1} ${x1 - x0} ${y1 - y0}`}
        className="min-h-0 w-full flex-1"
        role="img"
        aria-label={`The part and the wearer, ${cut.label.toLowerCase()}`}
      >
        <path d={path(bodies ?? [])} stroke="#a98f78" strokeWidth={2.4} vectorEffect="non-scaling-stroke" />
        <path d={path(own)} stroke="var(--color-ink)" strokeWidth={1.6} vectorEffect="non-scaling-stroke" />
        <path
          d={`M${x0 + 8} ${-y0 - 8}h${BAR_MM}m0 -3v6m${-BAR_MM} 0v-6`}
          stroke="var(--color-soft)"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
        <text
          x={x0 + 8 + BAR_MM / 2}
          y={-y0 - 13}
          fontSize={(x1 - x0) / 40}
          textAnchor="middle"
          fill="var(--color-soft)"
        >
          {length(BAR_MM)}
        </text>
      </svg>
    </figure>
  );
}

/** From least to most of a coordinate, with room round it. */
function extent(points: readonly Vec2[], key: 'x' | 'y'): [number, number] {
  const [least, most] = points.reduce<[number, number]>(
    ([low, high], p) => [Math.min(low, p[key]), Math.max(high, p[key])],
    [Infinity, -Infinity],
  );
  return [least - ROUND_MM, most + ROUND_MM];
}
