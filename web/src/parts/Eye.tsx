import { useThree } from '@react-three/fiber';
import { useLayoutEffect, useRef } from 'react';
import { Vector3 } from 'three';
import { dragging } from '../store/build';
import { type EyeFrom, useView } from '../store/view';

type Triple = [number, number, number];

/** What of the controls that turn the view is touched here. */
interface Orbit {
  target: Vector3;
  update: () => void;
}

interface EyeProps {
  /** What is looked at: another one is framed anew. */
  of: string;
  /** Middle of what is shown, and how large it is. */
  target: Triple;
  reach: number;
  /** −1 for what is looked at from behind, such as a back plate. */
  facing: 1 | -1;
  /** The way the selected edge runs, as long as one. */
  along: Triple | undefined;
}

/** Where the eye stands for each view, in sizes of what is shown. */
const standing: Record<Exclude<EyeFrom, 'edge'>, (facing: 1 | -1) => Triple> = {
  turned: (facing) => [0.75, 0.5, 1.9 * facing],
  front: () => [0, 0, 2.1],
  side: () => [2.1, 0, 0],
  // Straight down there is no up; a hair off is enough.
  top: () => [0, 2.1, 0.002],
  back: () => [0, 0, -2.1],
};

/** Where the eye stands: along an edge, from the end it is seen best from; without one as it begins. */
function stand(from: EyeFrom, facing: 1 | -1, along: Triple | undefined): Vector3 {
  if (from !== 'edge') return new Vector3(...standing[from](facing));
  if (!along) return new Vector3(...standing.turned(facing));
  const way = new Vector3(...along);
  // Straight up or down there is no up; a hair off is enough.
  if (Math.abs(way.y) > 0.999) way.z += 0.002;
  return way.multiplyScalar(way.z * facing < 0 ? -2.1 : 2.1);
}

/** A thing that grew or shrank by more than this since it was framed is framed anew. */
const OTHER_SIZE = 1.25;

/**
 * Puts the eye before what is shown: when that is another thing, another view is asked for, or it has become much larger
 * or smaller. Otherwise the eye stays where it was turned to, and nothing moves while a grip is held.
 */
export function Eye({ of, target, reach, facing, along }: EyeProps) {
  const { camera, controls, invalidate, size } = useThree();
  // A pane narrower than it is high sees less to the sides: the eye stands further off.
  const far = reach / Math.min(1, size.width / Math.max(1, size.height));
  const { from, asked } = useView((v) => v.eye);
  const framed = useRef<{ of: string; asked: number; reach: number }>(undefined);
  useLayoutEffect(() => {
    const orbit = controls as unknown as Orbit | null;
    if (!orbit) return;
    const before = framed.current;
    const grown = before ? far / before.reach : 1;
    const other = before?.of !== of || before.asked !== asked;
    const resized = grown > OTHER_SIZE || grown < 1 / OTHER_SIZE;
    if (!other && (!resized || dragging())) return;
    const middle = new Vector3(...target);
    const away =
      other || !before
        ? stand(from, facing, along).multiplyScalar(far)
        : camera.position.clone().sub(orbit.target).multiplyScalar(grown);
    camera.position.copy(middle).add(away);
    orbit.target.copy(middle);
    orbit.update();
    framed.current = { of, asked, reach: far };
    invalidate();
  }, [of, asked, from, target, far, facing, along, camera, controls, invalidate]);
  return null;
}
