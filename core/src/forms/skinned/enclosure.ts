import { type Body, headForm, zoneInfo } from '../../body';
import type { Check } from '../../document';
import { add3, type Mesh, scale3, type Vec3 } from '../../geometry';
import { meshFaces, wallsOfFaces } from '../../space';
import { trimNumber } from '../../units';

/** How much of a head is inside a surface, and how far off it stands where it covers it. */
export interface Enclosure {
  /** Of the ways out of the face from the middle of the head, the share that the surface lies across. */
  share: number;
  /** Half of what covers the face stands no further off the clothed head than this; nothing where it covers none. */
  offMm: number | undefined;
}

/** The face, seen from the middle of the head: to each side, below the level of its middle and above it, degrees. */
const SIDE_DEG = 60;
const DOWN_DEG = 40;
const UP_DEG = 20;
const STEP_DEG = 10;

const rad = (deg: number): number => (deg * Math.PI) / 180;

const steps = (from: number, to: number): number[] =>
  Array.from({ length: Math.round((to - from) / STEP_DEG) + 1 }, (_, i) => rad(from + i * STEP_DEG));

const ways: Vec3[] = steps(-DOWN_DEG, UP_DEG).flatMap((rise) =>
  steps(-SIDE_DEG, SIDE_DEG).map((turn) => ({
    x: Math.sin(turn) * Math.cos(rise),
    y: Math.cos(turn) * Math.cos(rise),
    z: Math.sin(rise),
  })),
);

/** Less of a face than this is worn before it, not on it; a half mask covers more. From memory. */
export const LEAST_SHARE = 0.35;
/** Pads and a lining fill so much and no more, mm; from memory. */
export const MOST_OFF_MM = 40;

/** @param mesh the surface where it stands on the figure, openings open. */
export function enclosureOf(mesh: Mesh, body: Body, underLayerMm: number): Enclosure {
  const head = headForm(body);
  const from = { x: 0, y: head.middle.y, z: head.middle.z };
  const walls = wallsOfFaces(meshFaces(mesh));
  const clearance = zoneInfo('head').clearance(body);
  const off = ways.flatMap((way) => {
    const mm = walls.reach(from, way);
    return mm === undefined ? [] : [clearance(add3(from, scale3(way, mm))) - underLayerMm];
  });
  off.sort((a, b) => a - b);
  return { share: off.length / ways.length, offMm: off[Math.floor(off.length / 2)] };
}

/** What keeps a surface that is worn on the head from fitting, besides being too tight. */
export function enclosureChecks({ share, offMm }: Enclosure): Check[] {
  if (share < LEAST_SHARE)
    return [
      {
        id: 'encloses',
        severity: 'stop',
        station: 'shape',
        title: `The head is not inside it: it covers ${trimNumber(100 * share, 0)} % of the face.`,
        why: 'By rays from the middle of the head over the whole face. It stands beside, behind or before the head, or is too small for it. Set it on the head, or size it to the head.',
        provenance: 'standard',
        excess: LEAST_SHARE - share,
        remedies: [],
      },
    ];
  return offMm !== undefined && offMm > MOST_OFF_MM
    ? [
        {
          id: 'loose',
          severity: 'mind',
          station: 'shape',
          title: `It stands ${trimNumber(offMm, 0)} mm off the face; pads fill ${MOST_OFF_MM} mm.`,
          why: 'By rays from the middle of the head, half of which go further. It turns and slips on the head. Size it to the head, or build an inner band.',
          provenance: 'memory',
          excess: offMm - MOST_OFF_MM,
          remedies: [],
        },
      ]
    : [];
}

/** Whether a head is inside it, with no more room than is filled. */
export const encloses = ({ share, offMm }: Enclosure): boolean =>
  share >= LEAST_SHARE && offMm !== undefined && offMm <= MOST_OFF_MM;
