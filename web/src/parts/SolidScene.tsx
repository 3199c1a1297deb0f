import { byId } from '@fomrik/core/units';
import type { Body } from '@fomrik/core/body';
import { drawnPieces, type PartReport } from '@fomrik/core/parts';
import type { Scheme } from '@fomrik/core/document';
import type { Shine } from '@fomrik/core/features';
import type { FoldedPiece } from '@fomrik/core/folding';
import { toneIn } from '@fomrik/core/view';
import type { Mesh, Vec3 } from '@fomrik/core/geometry';
import { Line } from '@react-three/drei';
import { useFrame, useThree, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { DoubleSide, Vector3 } from 'three';
import type { EdgeRef } from '../store/selection';
import { bodiesOf } from '../workers/besideClient';
import { Finished } from './Finished';
import { Folding } from './Folding';
import type { Played } from './light/played';
import { brightest, MOST_LIGHTS, NIGHT, Shining, Unlit } from './light/Shining';
import type { Look } from './Painted';
import { toPixels, type Stage } from './SolidGrip';
import { Drawn, Marked, Overlays, type OverlayChoice } from './SolidOverlays';
import { matesOf } from './solidFrame';
import { meshGeometry } from './solidSpace';
import { useWorked } from './useWorked';

/** What the scene shows: a part in its foam on the limb, and what is laid over it. */
export interface SceneProps {
  made: PartReport;
  body: Body;
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
  /** A press on the wearer counts too, and these spots are marked. */
  marked?: readonly Vec3[];
  /** Something let go over the shell that was not pressed on it. */
  onDropped?: (p: Vec3) => void;
  /** The edge that is pointed at or selected. */
  edge: EdgeRef | undefined;
  stage: Stage;
}

/** The part as it is drawn: its foam on the limb, its finish, its light, or its pieces on their way. */
export function SolidScene({
  made,
  body,
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
  marked,
  onDropped,
  stage,
}: SceneProps) {
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
  useEffect(() => invalidate(), [foam, extras, limbs, edge, overlays, folding, invalidate]);
  useFrame((root) => {
    stage.redraw.current();
    for (const handle of stage.handles.current.values()) {
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
  const picked = onPick && {
    onClick: (e: ThreeEvent<MouseEvent>) => {
      if (e.delta > 4) return;
      e.stopPropagation();
      onPick(unplace(e.point));
    },
  };
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
      {!folding && (
        <group ref={stage.wearer}>
          {limbs.map((limb, i) => (
            <mesh key={i} geometry={limb} {...(marked && picked)}>
              <meshLambertMaterial color="#d9cfc4" side={DoubleSide} />
            </mesh>
          ))}
        </group>
      )}
      {marked && <Marked spots={marked} place={place} />}
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
        {...picked}
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
