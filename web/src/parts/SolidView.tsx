import type { Body } from '@fomrik/core/body/estimate';
import type { PartReport } from '@fomrik/core/build/report';
import type { Zone } from '@fomrik/core/forms/contract';
import { hasOwnSpace } from '@fomrik/core/forms/hang';
import type { Vec3 } from '@fomrik/core/geometry/vec';
import { Line, OrbitControls } from '@react-three/drei';
import { Canvas, useFrame, useThree, type RootState } from '@react-three/fiber';
import { useEffect, useMemo, useRef, type KeyboardEvent, type PointerEvent, type RefObject } from 'react';
import { DoubleSide, Mesh, Raycaster, Vector2, Vector3 } from 'three';
import { useView, type EdgeRef } from '../store/view';
import { bodyMeshes, figureToScene, fromScene, meshGeometry, toScene } from './solidSpace';

/** A thing on the solid that can be taken hold of. */
export interface Handle {
  id: string;
  label: string;
  at: Vec3;
  look: 'edge' | 'lamp' | 'pack' | 'switch';
  /** Slides along the limb by millimetres. */
  onSlide?: (alongMm: number) => void;
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

interface Stage {
  /** The running scene: camera, canvas and controls. */
  root: RefObject<RootState | null>;
  shell: RefObject<Mesh | null>;
  /** The buttons by handle, placed over the canvas at every frame. */
  buttons: RefObject<Map<string, HTMLButtonElement>>;
}

/** A real button over the scene: dragged by pointer, moved by arrow keys. */
function Grip({ handle, stage }: { handle: Handle; stage: Stage }) {
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
    const here = new Vector3(...toScene(handle.at));
    const axis = toPixels(here.clone().add(new Vector3(0, 1, 0)), root).sub(toPixels(here, root));
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
function toPixels(p: Vector3, { camera, gl }: RootState): Vector2 {
  const { clientWidth, clientHeight } = gl.domElement;
  const q = p.clone().project(camera);
  return new Vector2(((q.x + 1) / 2) * clientWidth, ((1 - q.y) / 2) * clientHeight);
}

function Scene({
  made,
  body,
  handles,
  edge,
  seeThrough,
  stage,
}: SolidViewProps & { edge: EdgeRef | undefined; stage: Stage }) {
  const { invalidate } = useThree();
  const place = sceneOf(made.zone);
  const foam = useMemo(() => meshGeometry(made.solid.mesh, place), [made.solid, place]);
  const limbs = useMemo(
    () => bodyMeshes(body, made.zone).map((mesh) => meshGeometry(mesh, place)),
    [body, made.zone, place],
  );
  useEffect(() => () => foam.dispose(), [foam]);
  useEffect(() => () => limbs.forEach((limb) => limb.dispose()), [limbs]);
  useEffect(() => invalidate(), [foam, limbs, edge, handles, invalidate]);
  useFrame((root) => {
    for (const handle of handles) {
      const button = stage.buttons.current.get(handle.id);
      if (!button) continue;
      const { x, y } = toPixels(new Vector3(...toScene(handle.at)), root);
      button.style.transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`;
    }
  });
  const chosen = made.pieces.find((p) => p.id === edge?.pieceId)?.edges.find((e) => e.id === edge?.edgeId);
  const lines = made.solid.edgeLines.filter(
    (l) =>
      edge &&
      ((l.pieceId === edge.pieceId && l.edgeId === edge.edgeId) ||
        (chosen?.mate?.pieceId === l.pieceId && chosen.mate.edgeId === l.edgeId)),
  );
  return (
    <>
      <hemisphereLight args={['#ffffff', '#8d9a95', 1.5]} />
      <directionalLight position={[250, 400, 500]} intensity={1.7} />
      {limbs.map((limb, i) => (
        <mesh key={i} geometry={limb}>
          <meshStandardMaterial color="#d9cfc4" roughness={1} side={DoubleSide} />
        </mesh>
      ))}
      <mesh ref={stage.shell} geometry={foam}>
        <meshStandardMaterial
          color="#566065"
          roughness={0.95}
          side={DoubleSide}
          transparent={seeThrough ?? false}
          opacity={seeThrough ? 0.55 : 1}
          depthWrite={!seeThrough}
        />
      </mesh>
      {lines.map((l) => (
        <Line
          key={`${l.pieceId}/${l.edgeId}`}
          points={l.points.map(place)}
          color="white"
          lineWidth={3}
          dashed={l.edgeId !== edge?.edgeId || l.pieceId !== edge?.pieceId}
          dashSize={6}
          gapSize={4}
        />
      ))}
      {made.inside?.lamps.map((lamp) => (
        <mesh key={lamp.id} position={toScene(lamp.at)}>
          <sphereGeometry args={[lamp.diameterMm / 2 + 0.8, 16, 12]} />
          <meshBasicMaterial color={lamp.marginMm > 0 ? '#f2a71b' : '#a81c1c'} />
        </mesh>
      ))}
    </>
  );
}

/** Limb forms are drawn in their limb's space, the others on the whole figure. */
const sceneOf = (zone: Zone): ((p: Vec3) => [number, number, number]) =>
  hasOwnSpace(zone) ? toScene : figureToScene;

/** Back plates and frames are looked at from behind. */
const facing = (zone: Zone): 1 | -1 => (zone === 'back' ? -1 : 1);

/** Middle of the points and how far the eye must stand. */
function framing(points: [number, number, number][]): { target: [number, number, number]; reach: number } {
  const low = [0, 1, 2].map((k) => points.reduce((m, p) => Math.min(m, p[k]!), Infinity));
  const high = [0, 1, 2].map((k) => points.reduce((m, p) => Math.max(m, p[k]!), -Infinity));
  const target = [0, 1, 2].map((k) => (low[k]! + high[k]!) / 2) as [number, number, number];
  return { target, reach: Math.max(...[0, 1, 2].map((k) => high[k]! - low[k]!)) * 0.95 };
}

interface SolidViewProps {
  made: PartReport;
  body: Body;
  handles: Handle[];
  seeThrough?: boolean;
}

/** The part in its foam on the limb; turn it by dragging, take handles to change it. */
export function SolidView(props: SolidViewProps) {
  const edge = useView((v) => v.edge);
  const { made } = props;
  const place = sceneOf(made.zone);
  const { target, reach } = useMemo(() => framing(made.solid.mesh.points.map(place)), [made.solid, place]);
  const root = useRef<RootState>(null);
  const shell = useRef<Mesh>(null);
  const buttons = useRef(new Map<string, HTMLButtonElement>());
  const stage: Stage = { root, shell, buttons };
  return (
    <div role="group" aria-label="Solid view" className="relative h-full w-full overflow-hidden">
      <Canvas
        frameloop="demand"
        dpr={[1, 2]}
        key={made.zone}
        camera={{
          position: [
            target[0] + reach * 0.75,
            target[1] + reach * 0.5,
            target[2] + reach * 1.9 * facing(made.zone),
          ],
          fov: 34,
          near: 10,
          far: 6000,
        }}
        onCreated={(created) => {
          root.current = created;
        }}
      >
        <Scene {...props} edge={edge} stage={stage} />
        <OrbitControls makeDefault target={target} enablePan={false} minDistance={150} maxDistance={3500} />
      </Canvas>
      {props.handles.map((handle) => (
        <Grip key={handle.id} handle={handle} stage={stage} />
      ))}
    </div>
  );
}
