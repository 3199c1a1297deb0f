import { add3, type Vec3 } from '@fomrik/core/geometry';
import type { RootState } from '@react-three/fiber';
import { useDrag } from '@use-gesture/react';
import { type KeyboardEvent, memo, type RefObject } from 'react';
import { type Group, Raycaster, Vector2, Vector3, type Mesh } from 'three';

/** A thing on the solid that can be taken hold of. */
export interface Handle {
  id: string;
  label: string;
  at: Vec3;
  look: 'edge' | 'lamp' | 'pack' | 'switch' | 'detail';
  /** Slides along `step` by its value's own units. */
  onSlide?: (by: number) => void;
  /** Where the handle goes for one unit more. */
  step?: Vec3;
  /** Goes to a point of the shell, in the form's space; of the wearer too where it is drawn there. */
  onPlace?: (p: Vec3) => void;
  onWearer?: true;
  /** Arrow keys: steps up and to the right. */
  onNudge: (up: number, right: number) => void;
  onEnd: () => void;
  /** Selects what it belongs to. */
  onSelect?: () => void;
  /** The pointer is over it, or has left it. */
  onHint?: (over: boolean) => void;
}

const looks: Record<Handle['look'], string> = {
  edge: 'h-3 w-3 rotate-45 bg-teal border-2 border-white',
  detail: 'h-3.5 w-3.5 bg-leaf border-2 border-teal',
  lamp: 'h-4 w-4 rounded-full bg-marigold border-2 border-ink',
  pack: 'h-5 w-7 bg-leaf border-2 border-ink',
  switch: 'h-4 w-5 bg-pen border-2 border-ink',
};

export interface Stage {
  /** How points of the form are placed in the scene. */
  place: (p: Vec3) => [number, number, number];
  unplace: (v: Vector3) => Vec3;
  /** The running scene: camera, canvas and controls. */
  root: RefObject<RootState | null>;
  shell: RefObject<Mesh | null>;
  /** What of the wearer is shown beneath it. */
  wearer: RefObject<Group | null>;
  /** What can be taken hold of by now, by its id. */
  handles: RefObject<ReadonlyMap<string, Handle>>;
  /** The buttons by handle, placed over the canvas at every frame. */
  buttons: RefObject<Map<string, HTMLButtonElement>>;
  /** Draws the dimension anew. */
  redraw: RefObject<() => void>;
}

/** What a drag holds on to from its beginning. */
interface Held {
  handle: Handle;
  axis: Vector2;
}

type GripProps = Pick<Handle, 'id' | 'label' | 'look'> & { stage: Stage };

/** A real button over the scene: dragged by pointer, moved by arrow keys. What that does is looked up when it is done. */
export const Grip = memo(function Grip({ id, label, look, stage }: GripProps) {
  const now = (): Handle | undefined => stage.handles.current.get(id);
  const setOrbit = (enabled: boolean): void => {
    const controls = stage.root.current?.get().controls;
    if (controls) (controls as unknown as { enabled: boolean }).enabled = enabled;
  };

  const drag = useDrag(
    ({ first, last, xy: [px, py], movement, memo, currentTarget, event }) => {
      const root = stage.root.current;
      const begun = memo as Held | undefined;
      // It may be gone before it is let go.
      const handle = now() ?? begun?.handle;
      if (!root || !handle) return undefined;
      if (first) {
        event.preventDefault();
        (currentTarget as HTMLElement).focus();
        setOrbit(false);
      }
      // Slides count from the handle as it was when the drag began.
      const held = begun ?? { handle, axis: axisOf(handle, root) };
      const { onSlide } = held.handle;
      if (onSlide) onSlide(new Vector2(...movement).dot(held.axis) / Math.max(held.axis.lengthSq(), 1e-6));
      else if (!first) put(handle, root, px, py);
      if (last) {
        setOrbit(true);
        handle.onEnd();
      }
      return held;
    },
    { pointer: { keys: false } },
  );

  /** How far on the canvas one unit moves the handle. */
  const axisOf = (handle: Handle, root: RootState): Vector2 => {
    const here = new Vector3(...stage.place(handle.at));
    const next = new Vector3(...stage.place(add3(handle.at, handle.step ?? { x: 0, y: 0, z: 1 })));
    return toPixels(next, root).sub(toPixels(here, root));
  };

  const put = (handle: Handle, root: RootState, px: number, py: number): void => {
    if (!handle.onPlace || !stage.shell.current) return;
    const { left, top, width, height } = root.gl.domElement.getBoundingClientRect();
    const ray = new Raycaster();
    ray.setFromCamera(new Vector2(((px - left) / width) * 2 - 1, 1 - ((py - top) / height) * 2), root.camera);
    const hit = ray.intersectObjects([
      stage.shell.current,
      ...((handle.onWearer && stage.wearer.current?.children) || []),
    ])[0];
    if (!hit?.face) return;
    // Only the side that is looked at: the outer face.
    if (hit.face.normal.dot(ray.ray.direction) < 0) handle.onPlace(stage.unplace(hit.point));
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
    now()?.onNudge(...move);
  };

  return (
    <button
      ref={(button) => {
        if (button) stage.buttons.current.set(id, button);
        else stage.buttons.current.delete(id);
      }}
      type="button"
      className="absolute left-0 top-0 -ml-3.5 -mt-3.5 grid h-7 w-7 touch-none cursor-grab place-items-center"
      aria-label={label}
      title={label}
      data-handle={id}
      {...drag()}
      onKeyDown={onKey}
      onFocus={() => {
        now()?.onSelect?.();
        now()?.onHint?.(true);
      }}
      onBlur={() => now()?.onHint?.(false)}
      onPointerEnter={() => now()?.onHint?.(true)}
      onPointerLeave={() => now()?.onHint?.(false)}
    >
      <span aria-hidden className={looks[look]} />
    </button>
  );
});

/** Where a scene point appears on the canvas, in pixels from its upper left. */
export function toPixels(p: Vector3, root: RootState): Vector2 {
  // Measured by the scene when its pane changes: asking the page each time would lay it out each time.
  const { camera, size } = root.get();
  const q = p.clone().project(camera);
  return new Vector2(((q.x + 1) / 2) * size.width, ((1 - q.y) / 2) * size.height);
}
