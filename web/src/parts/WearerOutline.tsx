import type { Zone } from '@fomrik/core/body';

/** Where each zone lies on the outline: a patch on the wearer's left, or in the middle. */
const patches: Record<Zone, string> = {
  head: 'M-6 -111 h12 v12 h-12 z',
  ear: 'M6 -108 h4 v8 h-4 z',
  neck: 'M-6 -98 h12 v6 h-12 z',
  torso: 'M-12 -89 h24 v26 h-24 z',
  back: 'M-10 -88 h20 v22 h-20 z',
  hips: 'M-13 -60 h26 v9 h-26 z',
  shoulder: 'M12 -92 l9 2 l4 10 l-8 3 z',
  upperArm: 'M18 -78 l6 -2 l3 12 l-6 1 z',
  elbow: 'M22 -66 l6 -1 l1 7 l-6 1 z',
  forearm: 'M25 -52 L29 -52 L33 -32 L29.5 -31 Z',
  hand: 'M30 -31 L33.5 -32 L35 -25 L32 -24 Z',
  thigh: 'M2 -44 l9 0 l-1 18 l-7 0 z',
  knee: 'M3 -25 l7 0 l0 7 l-7 0 z',
  lowerLeg: 'M3 -17 l7 0 l-1 16 l-5 0 z',
};

interface WornZone {
  zone: Zone;
  /** +1 the wearer's right, drawn on the left; −1 the left. */
  sides: readonly (1 | -1)[];
  here: boolean;
}

/** A standing figure in hairline with the parts' places filled; the chosen one in teal. */
export function WearerOutline({ zones }: { zones: WornZone[] }) {
  const said =
    zones.length === 0 ? 'The wearer' : `Worn on: ${[...new Set(zones.map((z) => z.zone))].join(', ')}`;
  return (
    <svg viewBox="-45 -115 90 120" className="mx-auto h-24 shrink-0" role="img" aria-label={said}>
      <path
        d="M0 -112 c7 0 8 6 7 11 c-1 5 -3 7 -3 10 c1 3 14 3 17 6 c4 4 6 24 9 33 l5 22 l-3 4 l-3 -2 l-7 -24 l-6 -17 l-2 19 l3 22 l-2 29 l-1 7 l-6 0 l-2 -34 l-4 -14 l-4 14 l-2 34 l-6 0 l-1 -7 l-2 -29 l3 -22 l-2 -19 l-6 17 l-7 24 l-3 2 l-3 -4 l5 -22 c3 -9 5 -29 9 -33 c3 -3 16 -3 17 -6 c0 -3 -2 -5 -3 -10 c-1 -5 0 -11 7 -11 z"
        fill="none"
        stroke="var(--color-soft)"
        strokeWidth={0.9}
      />
      {zones.map(({ zone, sides, here }, i) => (
        <g key={i} fill={here ? 'var(--color-teal)' : 'var(--color-foam)'}>
          {sides.map((side) => (
            <path key={side} d={patches[zone]} {...(side === 1 && { transform: 'scale(-1 1)' })} />
          ))}
        </g>
      ))}
    </svg>
  );
}
