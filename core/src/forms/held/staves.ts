import { itemAt, firstOf } from '../../units';
import type { Join, Panel } from '../../panel';
import type { FormInput } from '../contract';
import { innerProfile, level, type Made, type Turn } from './revolved';

/** Rows of a gore from one turn of its profile to the next. */
const BETWEEN = 3;

interface Ring {
  r: number;
  z: number;
}

type Sheet = Pick<FormInput<unknown>, 'foam' | 'ply'>;

/** Part of a side of a form with so many sides: flat across, its inner face through rings at their apothems. */
const sidePanel = (
  ply: Panel['ply'],
  rings: readonly Ring[],
  k: number,
  sides: number,
): Pick<Panel, 'grid' | 'edges' | 'ply'> => {
  const half = Math.PI / sides;
  const middle = -Math.PI / 2 + k * 2 * half;
  return {
    grid: rings.map(({ r, z }) =>
      [-1, -0.5, 0, 0.5, 1].map((u) => {
        const across = u * r * Math.tan(half);
        return {
          x: r * Math.cos(middle) - across * Math.sin(middle),
          y: r * Math.sin(middle) + across * Math.cos(middle),
          z,
        };
      }),
    ),
    edges: { bottom: 'foot', right: 'seam', top: 'top', left: 'seam' },
    ...(ply && { ply }),
  };
};

/** Every edge of one side glued to that of the next, all the way round. */
const round = (ids: readonly string[]): Join[] =>
  ids.map((id, k) => ({ a: [id, 'right'], b: [itemAt(ids, (k + 1) % ids.length), 'left'], kind: 'seam' }));

/**
 * Flat sides from foot to top, across whose flats the profile is measured. Where the profile turns, a side is folded; each
 * of its flats has seams of its own bevel.
 */
export function facets({ foam, ply }: Sheet, profile: readonly Turn[], sides: number): Made {
  const turns = innerProfile(profile, foam.thicknessMm.value);
  const flats = turns.length - 1;
  const idOf = (k: number, i: number): string => (i === 0 ? `side-${k + 1}` : `side-${k + 1}-flat-${i + 1}`);
  const panels = Array.from({ length: sides }, (_, k) =>
    Array.from({ length: flats }, (_, i): Panel => {
      const [low, high] = [itemAt(turns, i), itemAt(turns, i + 1)];
      const name = `side ${k + 1} of ${sides}`;
      const middle = { r: (low.r + high.r) / 2, z: (low.z + high.z) / 2 };
      return {
        ...sidePanel(ply, [low, middle, high], k, sides),
        id: idOf(k, i),
        name: flats === 1 ? name : `${name}, flat ${i + 1}`,
        ...(flats > 1 && { net: name }),
        cutIn: level,
      };
    }),
  );
  const folds = panels.flatMap((side) =>
    side
      .slice(1)
      .map((flat, i): Join => ({ a: [itemAt(side, i).id, 'top'], b: [flat.id, 'bottom'], kind: 'fold' })),
  );
  const seams = Array.from({ length: flats }, (_, i) =>
    round(panels.map((side) => itemAt(side, i).id)),
  ).flat();
  return { panels: panels.flat(), joins: [...folds, ...seams] };
}

/**
 * Gores from foot to top, each flat across and bent along its length, so that it unrolls. They swell between their seams
 * as much as the round would: equal girth instead of equal flats.
 */
export function gores({ foam, ply }: Sheet, profile: readonly Turn[], sides: number): Made {
  const half = Math.PI / sides;
  const turns = innerProfile(profile, foam.thicknessMm.value, half / Math.tan(half));
  // Points between the turns, so that each flat keeps its own slope up to its ends.
  const rings = turns.slice(1).reduce(
    (all, b, i) => {
      const a = itemAt(turns, i);
      const between = Array.from({ length: BETWEEN }, (_, k) => {
        const s = (k + 1) / BETWEEN;
        return { r: a.r + s * (b.r - a.r), z: a.z + s * (b.z - a.z) };
      });
      return [...all, ...between];
    },
    [firstOf(turns)],
  );
  const panels = Array.from({ length: sides }, (_, k): Panel => ({
    ...sidePanel(ply, rings, k, sides),
    id: `side-${k + 1}`,
    name: `side ${k + 1} of ${sides}`,
    cutIn: level,
  }));
  return { panels, joins: round(panels.map((p) => p.id)) };
}
