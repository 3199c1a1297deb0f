import { add3, type Vec3 } from '@fomrik/core/geometry/vec';
import type { RootState } from '@react-three/fiber';
import { useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { Raycaster, Vector2, Vector3, type Mesh } from 'three';
import { fromScene } from './solidSpace';

/** A thing on the solid that can be taken hold of. */
export interface Handle {
  id: string;
  label: string;
  at: Vec3;
  look: 'edge' | 'lamp' | 'pack' | 'switch';
  /** Slides along `step` by its value's own units: millimetres along the limb when there is no step. */
  onSlide?: (by: number) => void;
  /** Where the handle goes for one unit more. */
  step?: Vec3;
  /** Goes to a place on the shell. */
  onPlace?: (spot: { aroundDeg: number; alongMm: number }) => void;
  /** Arrow keys: millimetres along and degrees round. */
  onNudge: (alongMm: number, aroundDeg: number) => void;
  onEnd: () => void;
}

const looks: Record<Handle['look'], string> = {
  edge: 'h-4 w-4 rotate-45 bg-teal border-2 border-white',
  lamp: 'h-4 w-4 rounded-full bg-marigold border-2 border-ink',
  pack: 'h-5 w-7 bg-leaf border-2 border-ink',
  switch: 'h-4 w-5 bg-pen border-2 border-ink',
};

export interface Stage {
  /** How points of the form are placed in the scene. */
  place: (p: Vec3) => [number, number, number];
  /** The running scene: camera, canvas and controls. */
  root: RefObject<RootState | null>;
  shell: RefObject<Mesh | null>;
  /** The buttons by handle, placed over the canvas at every frame. */
  buttons: RefObject<Map<string, HTMLButtonElement>>;
}

/** A real button over the scene: dragged by pointer, moved by arrow keys. */
export function Grip({ handle, stage }: { handle: Handle; stage: Stage }) {
  /** Where the drag began, with the handle as it was then: slides count from there. */
  const start = useRef<{ x: number; y: number; axis: Vector2; slide: Handle['onSlide'] } | undefined>(
    undefined,
  );

  const setOrbit = (enabled: boolean): void => {
    const controls = stage.root.current?.get().controls;
    if (controls) (controls as unknown as { enabled: boolean }).enabled = enabled;
  };

  const onDown = (event: PointerEvent<HTMLButtonElement>): void => {
    const root = stage.root.current;
    if (!root) return;
    event.preventDefault();
    event.currentTarget.setPointerCapture(event.pointerId);
    event.currentTarget.focus();
    setOrbit(false);
    const here = new Vector3(...stage.place(handle.at));
    const next = new Vector3(...stage.place(add3(handle.at, handle.step ?? { x: 0, y: 0, z: 1 })));
    const axis = toPixels(next, root).sub(toPixels(here, root));
    start.current = { x: event.clientX, y: event.clientY, axis, slide: handle.onSlide };
  };

  const onMove = (event: PointerEvent<HTMLButtonElement>): void => {
    const root = stage.root.current;
    if (!start.current || !root) return;
    const { x, y, axis, slide } = start.current;
    if (slide) {
      const moved = new Vector2(event.clientX - x, event.clientY - y);
      slide(moved.dot(axis) / Math.max(axis.lengthSq(), 1e-6));
      return;
    }
    if (!handle.onPlace || !stage.shell.current) return;
    const { left, top, width, height } = root.gl.domElement.getBoundingClientRect();
    const ray = new Raycaster();
    ray.setFromCamera(
      new Vector2(((event.clientX - left) / width) * 2 - 1, 1 - ((event.clientY - top) / height) * 2),
      root.camera,
    );
    const hit = ray.intersectObject(stage.shell.current)[0];
    if (!hit?.face) return;
    const spot = fromScene(hit.point);
    const normal = fromScene(hit.face.normal);
    if (normal.x * spot.x + normal.y * spot.y <= 0) return;
    const aroundDeg = (Math.round((Math.atan2(normal.y, normal.x) * 180) / Math.PI) + 360) % 360;
    handle.onPlace({ aroundDeg, alongMm: Math.round(spot.z) });
  };

  const onUp = (): void => {
    if (!start.current) return;
    start.current = undefined;
    setOrbit(true);
    handle.onEnd();
  };

  const onKey = (event: KeyboardEvent): void => {
    const step = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
    const by: Record<string, [number, number]> = {
      ArrowUp: [step, 0],
      ArrowDown: [-step, 0],
      ArrowLeft: [0, -step],
      ArrowRight: [0, step],
    };
    const move = by[event.key];
    if (!move) return;
    event.preventDefault();
    handle.onNudge(...move);
  };

  return (
    <button
      ref={(button) => {
        if (button) stage.buttons.current.set(handle.id, button);
        else stage.buttons.current.delete(handle.id);
      }}
      type="button"
      className="absolute left-0 top-0 -ml-3.5 -mt-3.5 grid h-7 w-7 touch-none cursor-grab place-items-center"
      aria-label={handle.label}
      title={handle.label}
      data-handle={handle.id}
      onPointerDown={onDown}
      onPointerMove={onMove}
      onPointerUp={onUp}
      onPointerCancel={onUp}
      onKeyDown={onKey}
    >
      <span aria-hidden className={looks[handle.look]} />
    </button>
  );
}

/** Where a scene point appears on the canvas, in pixels from its upper left. */
export function toPixels(p: Vector3, { camera, gl }: RootState): Vector2 {
  const { clientWidth, clientHeight } = gl.domElement;
  const q = p.clone().project(camera);
  return new Vector2(((q.x + 1) / 2) * clientWidth, ((1 - q.y) / 2) * clientHeight);
}
