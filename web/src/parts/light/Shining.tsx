import type { LightRgb, LitPatch, LitPoint, Shine } from '@fomrik/core/features';
import type { Vec3 } from '@fomrik/core/geometry';
import { castLights, type CastLight } from '@fomrik/core/glow';
import { useEffect, useMemo, useRef } from 'react';
import {
  BufferGeometry,
  Color,
  DoubleSide,
  Float32BufferAttribute,
  type Mesh as SceneMesh,
  type MeshBasicMaterial,
  Object3D,
  type SpotLight,
  SRGBColorSpace,
} from 'three';
import type { Played } from './played';
import { type Changed, usePlaying } from './usePlaying';

type Place = (p: Vec3) => [number, number, number];

/** A white lamp lights foam a hand's breadth away about as bright as this shows it; as it looks. */
const CANDELA = 160_000;
/** What is still seen with every lamp off, and how many lights a scene is lit by; each costs time at every point. */
export const NIGHT = 0.3;
export const MOST_LIGHTS = 10;
/** Nearly the whole half of space before a lamp, fading to its rim. */
const HALF_SPACE = 1.45;

/** A colour of light as it is seen, for the scene. */
export const lightColour = ([r, g, b]: LightRgb): Color => new Color().setRGB(r, g, b, SRGBColorSpace);

/** A grid of points as triangles, each point coloured. */
function patchGeometry({ columns, rows, points }: LitPatch, colours: number[], place: Place): BufferGeometry {
  const made = new BufferGeometry();
  made.setAttribute('position', new Float32BufferAttribute(points.flatMap(place), 3));
  made.setAttribute('color', new Float32BufferAttribute(colours, 3));
  const wide = columns + 1;
  made.setIndex(
    Array.from({ length: columns * rows }, (_, i) => {
      const at = Math.floor(i / columns) * wide + (i % columns);
      return [at, at + 1, at + wide, at + 1, at + wide + 1, at + wide];
    }).flat(),
  );
  return made;
}

/** Windows as they look with nothing lit behind them. */
export function Unlit({ patches, place }: { patches: readonly LitPatch[]; place: Place }) {
  return patches.map((patch, i) => <Patch key={i} patch={patch} place={place} most={0} />);
}

/** A window: as it glows beside the brightest there is, or in its own colour while nothing is lit. */
function Patch({
  patch,
  place,
  most,
  mesh,
}: {
  patch: LitPatch;
  place: Place;
  most: number;
  mesh?: (mesh: SceneMesh | null) => void;
}) {
  const geometry = useMemo(() => {
    const off = new Color(patch.off);
    const lit = lightColour(patch.rgb);
    const colours = patch.values.flatMap((v) => {
      if (most <= 0) return off.toArray();
      return lit
        .clone()
        .multiplyScalar(v / most)
        .toArray();
    });
    return patchGeometry(patch, colours, place);
  }, [patch, place, most]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <mesh geometry={geometry} {...(mesh && { ref: mesh })}>
      {most > 0 ? (
        <meshBasicMaterial vertexColors toneMapped={false} side={DoubleSide} />
      ) : (
        <meshLambertMaterial vertexColors side={DoubleSide} />
      )}
    </mesh>
  );
}

/** One light of the scene, looking the way its lamps do. */
function Cast({
  light,
  place,
  held,
}: {
  light: CastLight;
  place: Place;
  held: (l: SpotLight | null) => void;
}) {
  const target = useMemo(() => new Object3D(), []);
  const { at, normal, rgb, flux } = light;
  const before = (mm: number): Vec3 => ({
    x: at.x + normal.x * mm,
    y: at.y + normal.y * mm,
    z: at.z + normal.z * mm,
  });
  return (
    <>
      <spotLight
        ref={held}
        position={place(before(3))}
        target={target}
        color={lightColour(rgb)}
        intensity={CANDELA * flux}
        angle={HALF_SPACE}
        penumbra={1}
        decay={2}
      />
      <primitive object={target} position={place(before(100))} />
    </>
  );
}

/** More lamps than this are drawn with one halo each instead of three. */
const MANY = 16;
const HALOS = [
  [1, 0.42],
  [2, 0.21],
  [3.4, 0.12],
] as const;

function Point({
  point,
  place,
  halos,
  held,
}: {
  point: LitPoint;
  place: Place;
  halos: number;
  held: (mesh: SceneMesh | null, full: number, k: number) => void;
}) {
  return HALOS.slice(0, halos).map(([across, full], k) => (
    <mesh key={k} ref={(m) => held(m, full, k)} position={place(point.at)} renderOrder={2}>
      <sphereGeometry args={[(point.acrossMm / 2) * across + 1, 16, 12]} />
      <meshBasicMaterial
        color={lightColour(point.rgb)}
        toneMapped={false}
        transparent
        opacity={halos === 1 ? 0.8 : full}
        depthTest={!point.hidden}
        depthWrite={false}
      />
    </mesh>
  ));
}

/** All the light of a part: windows as they glow, lamps, and what both cast on whatever is round them. */
export function Shining({
  shine,
  place,
  most,
  lights: mostLights,
  played,
}: {
  shine: Shine;
  place: Place;
  /** The brightest point of any window there is. */
  most: number;
  /** So many lights at most. */
  lights: number;
  played: readonly Played[];
}) {
  const { patches, points } = shine;
  const cast = useMemo(() => castLights(shine, mostLights), [shine, mostLights]);
  const held = useRef(new Map<string, Changed>());
  const hold = (key: string, of: Changed['of'], set: Changed['set'] | undefined): void => {
    if (set) held.current.set(key, { of, set });
    else held.current.delete(key);
  };
  usePlaying(played, () => [...held.current.values()]);
  return (
    <>
      {patches.map((patch, i) => {
        const of = patch.itemIds.map((itemId) => ({ itemId, share: 1 / patch.itemIds.length }));
        return (
          <Patch
            key={`patch ${i}`}
            patch={patch}
            place={place}
            most={most}
            mesh={(m) =>
              hold(
                `patch ${i}`,
                of,
                m ? (s) => void (m.material as MeshBasicMaterial).color.setScalar(s) : undefined,
              )
            }
          />
        );
      })}
      {points.map((point, i) => (
        <Point
          key={`point ${i}`}
          point={point}
          place={place}
          halos={points.length > MANY ? 1 : HALOS.length}
          held={(m, full, k) =>
            hold(
              `point ${i} ${k}`,
              [{ itemId: point.itemId, share: 1 }],
              m ? (s) => void ((m.material as MeshBasicMaterial).opacity = full * s) : undefined,
            )
          }
        />
      ))}
      {cast.map((light, i) => (
        <Cast
          key={`light ${i}`}
          light={light}
          place={place}
          held={(l) =>
            hold(`light ${i}`, light.of, l ? (s) => void (l.intensity = CANDELA * light.flux * s) : undefined)
          }
        />
      ))}
    </>
  );
}

/** The brightest point of any window. */
export const brightest = (shines: Iterable<Shine>): number =>
  [...shines].reduce(
    (most, { patches }) => patches.reduce((m, p) => p.values.reduce((a, v) => Math.max(a, v), m), most),
    0,
  );
