import { byId } from '@fomrik/core/units';
import type { Body } from '@fomrik/core/body';
import { drawnPieces, type PartReport } from '@fomrik/core/parts';
import type { Scheme } from '@fomrik/core/document';
import type { FoldedPiece } from '@fomrik/core/folding';
import { toneIn } from '@fomrik/core/view';
import type { Mesh, Vec3 } from '@fomrik/core/geometry';
import { Line, OrbitControls } from '@react-three/drei';
import { Canvas, useFrame, useThree, type RootState, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo, useRef } from 'react';
import { DoubleSide, Vector3, type Mesh as SceneMesh } from 'three';
import { type EdgeRef, useSelected } from '../store/selection';
import { useShownEdge } from '../store/view';
import { bodiesOf } from '../workers/besideClient';
import type { Dimension } from '@fomrik/core/dimensions';
import { DimensionLayer } from './DimensionLayer';
import { Eye } from './Eye';
import { Finished } from './Finished';
import type { Look } from './Painted';
import { Folding } from './Folding';
import { EyeBar } from './EyeBar';
import { Grip, toPixels, type Handle, type Stage } from './SolidGrip';
import { Drawn, Overlays, type OverlayChoice } from './SolidOverlays';
import { facing, framing, matesOf, scenes, spotsOf, towards, wayOf } from './solidFrame';
import { TakePicture } from './TakePicture';
import { meshGeometry } from './solidSpace';
import type { Played } from './light/played';
import { brightest, MOST_LIGHTS, NIGHT, Shining, Unlit } from './light/Shining';
import type { Shine } from '@fomrik/core/features';
import { withoutChecks } from './withoutChecks';
import { useWorked } from './useWorked';

function Scene({
  made,
  body,
  handles,
  beside,
  edge,
  seeThrough,
  overlays,
  wires,
  dark = false,
  finished,
  folding,
  shine,
  played,
  onPoint,
  onPick,
  onDropped,
  stage,
}: SolidViewProps & { edge: EdgeRef | undefined; stage: Stage }) {
  const { invalidate } = useThree();
  const { place } = stage;
  const foam = useMemo(() => meshGeometry(made.solid.mesh, place), [made.solid, place]);
  const extras = useMemo(() => meshGeometry(made.extras, place), [made.extras, place]);
  const others = useMemo(() => beside && meshGeometry(beside, place), [beside, place]);
  useEffect(() => () => others?.dispose(), [others]);
  const { value: bodies } = useWorked(() => bodiesOf(body, made.zone), [body, made.zone]);
  const limbs = useMemo(() => (bodies ?? []).map((mesh) => meshGeometry(mesh, place)), [bodies, place]);
  useEffect(() => () => foam.dispose(), [foam]);
  useEffect(() => () => extras.dispose(), [extras]);
  useEffect(() => () => limbs.forEach((limb) => limb.dispose()), [limbs]);
  useEffect(() => invalidate(), [foam, extras, limbs, edge, handles, overlays, folding, invalidate]);
  useFrame((root) => {
    stage.redraw.current();
    for (const handle of handles) {
      const button = stage.buttons.current.get(handle.id);
      if (!button) continue;
      const { x, y } = toPixels(new Vector3(...place(handle.at)), root);
      button.style.transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`;
    }
  });
  const look = useMemo(
    (): Look | undefined =>
      finished && {
        scheme: finished.scheme,
        shells: (dark && shine?.shells) || [],
        played: (dark && played) || [],
      },
    [finished, dark, shine, played],
  );
  const colourOf = useMemo(() => {
    const tone = finished && toneIn(made, finished.scheme);
    return (id: string) => (tone ? `rgb(${tone({ id }).rgb.join(',')})` : '#566065');
  }, [made, finished]);
  const mates = useMemo(() => (folding ? matesOf(made, place) : []), [folding, made, place]);
  const { unplace } = stage;
  const chosen = byId(drawnPieces(made), edge?.pieceId)?.edges.find((e) => e.id === edge?.edgeId);
  const lines = made.solid.edgeLines.filter(
    (l) =>
      edge &&
      ((l.pieceId === edge.pieceId && l.edgeId === edge.edgeId) ||
        (chosen?.mate?.pieceId === l.pieceId && chosen.mate.edgeId === l.edgeId)),
  );
  return (
    <>
      <hemisphereLight args={['#ffffff', '#8d9a95', dark ? NIGHT : 1.5]} />
      {!dark && <directionalLight position={[250, 400, 500]} intensity={1.7} />}
      {!folding &&
        limbs.map((limb, i) => (
          <mesh key={i} geometry={limb}>
            <meshLambertMaterial color="#d9cfc4" side={DoubleSide} />
          </mesh>
        ))}
      {folding && (
        <Folding
          pieces={folding.pieces}
          share={folding.share}
          apart={folding.apart}
          mates={mates}
          colourOf={colourOf}
        />
      )}
      {look && !folding && (
        <Finished made={made} look={look} foam={foam} extras={extras} place={place} dark={dark} />
      )}
      <mesh geometry={extras} visible={!finished && !folding}>
        <meshLambertMaterial color="#6f7a7e" side={DoubleSide} />
      </mesh>
      {others && (
        <mesh geometry={others}>
          <meshLambertMaterial
            color="#9aa5a3"

            side={DoubleSide}
            transparent
            opacity={0.28}
            depthWrite={false}
          />
        </mesh>
      )}
      {!dark && !folding && !look && <Drawn made={made} place={place} />}
      {!dark &&
        wires?.map((points, i) => (
          <Line key={i} points={points.map(place)} color="#d98e06" lineWidth={2.5} />
        ))}
      {overlays && <Overlays made={made} place={place} {...overlays} />}
      <mesh
        ref={stage.shell}
        geometry={foam}
        {...(onPoint && {
          onPointerMove: (e: ThreeEvent<PointerEvent>) => onPoint(unplace(e.point)),
          onPointerOut: () => onPoint(undefined),
        })}
        {...(onDropped && {
          onPointerUp: (e: ThreeEvent<PointerEvent>) => onDropped(unplace(e.point)),
        })}
        {...(onPick && {
          onClick: (e: ThreeEvent<MouseEvent>) => {
            if (e.delta > 4) return;
            e.stopPropagation();
            onPick(unplace(e.point));
          },
        })}
      >
        <meshLambertMaterial
          colorWrite={!finished && !folding}
          color="#566065"

          side={DoubleSide}
          transparent={seeThrough === true && !dark}
          opacity={seeThrough && !dark ? 0.55 : 1}
          depthWrite={(!seeThrough || dark) && !finished && !folding}
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
      {!dark &&
        made.solid.openings.map((run, i) => (
          <Line key={i} points={run.map(place)} color="#e9efec" lineWidth={2} />
        ))}
      {shine && finished && !folding && !dark && <Unlit patches={shine.patches} place={place} />}
      {shine && dark && !folding && (
        <Shining
          shine={shine}
          place={place}
          most={brightest([shine])}
          lights={MOST_LIGHTS}
          played={played ?? []}
        />
      )}
      {made.items.map(
        ({ id, at, lamp, marginMm }) =>
          lamp &&
          !folding &&
          !finished && (
            <mesh key={id} position={place(at)}>
              <sphereGeometry args={[lamp.led.bodyMm / 2 + 0.8, 16, 12]} />
              <meshBasicMaterial color={marginMm > 0 ? '#f2a71b' : '#a81c1c'} />
            </mesh>
          ),
      )}
    </>
  );
}

interface SolidViewProps {
  /** The dimension that is drawn on it. */
  dimension?: Dimension | undefined;
  made: PartReport;
  body: Body;
  handles: Handle[];
  /** What it is mounted together with, in the same space; drawn pale. */
  beside?: Mesh;
  seeThrough?: boolean;
  overlays?: OverlayChoice;
  /** Wires as they lie inside, in the form's space. */
  wires?: readonly (readonly Vec3[])[];
  /** In the dark: nothing but what is lit is seen. */
  dark?: boolean;
  /** Its pieces on their way from the table, and how far they are. */
  folding?: { pieces: readonly FoldedPiece[]; share: number; apart: number } | undefined;
  /** In its finish: its colours, or bare foam where it has none. */
  finished?: { scheme: Scheme | undefined } | undefined;
  /** The light it gives. */
  shine?: Shine | undefined;
  /** What is played on its lamps, in the dark. */
  played?: readonly Played[];
  /** The point of the shell under the pointer, in the form's space. */
  onPoint?: (p: Vec3 | undefined) => void;
  /** A press on the shell that did not turn the view. */
  onPick?: (p: Vec3) => void;
  /** Something let go over the shell that was not pressed on it. */
  onDropped?: (p: Vec3) => void;
}

/** The part in its foam on the limb; turn it by dragging, take handles to change it. */
export function SolidView(props: SolidViewProps) {
  const edge = useShownEdge();
  const { made, beside } = props;
  const { place, unplace } = useMemo(() => scenes(made), [made]);
  const { folding } = props;
  const pieces = folding?.pieces;
  const { target, reach } = useMemo(() => {
    if (pieces) return framing(spotsOf(pieces));
    // What carries the rest is shown with it; what is mounted fills the view itself.
    const whole = made.mount.to === 'part' ? [] : (beside?.points ?? []);
    return framing([...made.solid.mesh.points, ...made.extras.points, ...whole].map(place));
  }, [made, beside, place, pieces]);
  const selected = useSelected((s) => s.edge);
  const along = useMemo(() => wayOf(made, selected, place), [made, selected, place]);
  const root = useRef<RootState>(null);
  const shell = useRef<SceneMesh>(null);
  const buttons = useRef(new Map<string, HTMLButtonElement>());
  const redraw = useRef<() => void>(() => undefined);
  const stage: Stage = { place, unplace, root, shell, buttons, redraw };
  return (
    <div
      role="group"
      aria-label="Solid view"
      className={`relative h-full w-full overflow-hidden ${props.dark ? 'bg-[#070a09]' : ''}`}
    >
      <Canvas
        frameloop="demand"
        dpr={[1, 2]}
        camera={{ fov: 34, near: 4, far: 12000 }}
        onCreated={(created) => {
          root.current = created;
          withoutChecks(created);
        }}
      >
        <Eye
          of={pieces ? `${made.id} folding` : made.id}
          target={target}
          reach={reach}
          facing={facing(made.zone)}
          along={along}
        />
        <Scene {...props} edge={edge} stage={stage} />
        <OrbitControls makeDefault zoomToCursor minDistance={60} maxDistance={9000} />
      </Canvas>
      <EyeBar dark={props.dark === true} />
      <div className="absolute bottom-1 right-1">
        <TakePicture made={made} dark={props.dark === true} out={() => towards(root.current)} />
      </div>
      <DimensionLayer dimension={props.dimension} stage={stage} middle={target} redraw={redraw} />
      {props.handles.map((handle) => (
        <Grip key={handle.id} handle={handle} stage={stage} />
      ))}
    </div>
  );
}
