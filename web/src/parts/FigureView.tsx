import { type Body, measureInfo, type MeasureKey, type Zone, zonesAt } from '@fomrik/core/body';
import { type PartReport, placingsOf } from '@fomrik/core/parts';
import type { Scheme } from '@fomrik/core/document';
import type { Shine } from '@fomrik/core/features';
import { joinMeshes, type Vec3 } from '@fomrik/core/geometry';
import { Line, OrbitControls } from '@react-three/drei';
import { Canvas, type ThreeEvent } from '@react-three/fiber';
import { Fragment, useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import { drawnFigure } from '../workers/besideClient';
import { type Look, PaintedPart } from './Painted';
import type { Played } from './light/played';
import { brightest, MOST_LIGHTS, NIGHT, Shining } from './light/Shining';
import { figureFromScene, figureToScene, meshGeometry } from './solidSpace';
import { useWorked } from './useWorked';
import { withoutChecks } from './withoutChecks';

/** How everything worn is looked at. */
export interface FigureLooks {
  /** In their finish, by their ids; in plain grey without. */
  finished?: ReadonlyMap<string, Scheme | undefined> | undefined;
  /** In the dark: the light each part gives, and what is played. */
  night?: { shines: ReadonlyMap<string, Shine>; played: readonly Played[] } | undefined;
}

interface FigureViewProps extends FigureLooks {
  body: Body;
  /** Parts to hang on it; none shows the bare figure. */
  parts: readonly PartReport[];
  /** Tapes are drawn when one can be chosen. */
  active?: MeasureKey;
  onActive?: (key: MeasureKey) => void;
  /** The part worked on, drawn a shade lighter. */
  chosen?: string | undefined;
  onPart?: (id: string) => void;
  /** A press on the bare body: the zones of that place. */
  onBody?: (zones: Zone[]) => void;
}

const noShines: ReadonlyMap<string, Shine> = new Map();
const bare: Look = { scheme: undefined, shells: [], played: [] };

/** Every part where it is worn, both sides of a pair. */
function Worn({
  parts,
  body,
  chosen,
  onPart,
  finished,
  night,
}: Pick<FigureViewProps, 'parts' | 'body' | 'onPart' | 'finished' | 'night'> & {
  chosen: string | undefined;
}) {
  const attached = useMemo(
    () =>
      parts.flatMap((part) =>
        placingsOf(body, parts, part.id).map((hang) => {
          const mesh = joinMeshes([part.solid.mesh, part.extras]);
          const place = (p: Vec3): [number, number, number] => figureToScene(hang(p));
          return { id: part.id, part, place, geometry: meshGeometry(mesh, place) };
        }),
      ),
    [parts, body],
  );
  useEffect(() => () => attached.forEach((h) => h.geometry.dispose()), [attached]);
  const shines = night?.shines ?? noShines;
  const most = brightest(shines.values());
  const lights = Math.max(
    1,
    Math.floor(MOST_LIGHTS / Math.max(1, attached.filter(({ id }) => shines.has(id)).length)),
  );
  const looks = useMemo(
    () =>
      finished &&
      new Map(
        [...finished].map(([id, scheme]): [string, Look] => [
          id,
          { scheme, shells: shines.get(id)?.shells ?? [], played: night?.played ?? [] },
        ]),
      ),
    [finished, night, shines],
  );
  return attached.map(({ id, part, place, geometry }, i) => (
    <Fragment key={i}>
      {looks && <PaintedPart made={part} look={looks.get(id) ?? bare} place={place} />}
      {night && shines.has(id) && (
        <Shining shine={shines.get(id)!} place={place} most={most} lights={lights} played={night.played} />
      )}
      <mesh
        geometry={geometry}
        {...(onPart && {
          onClick: (e: ThreeEvent<MouseEvent>) => {
            e.stopPropagation();
            if (e.delta <= 4) onPart(id);
          },
        })}
      >
        <meshLambertMaterial
          colorWrite={!finished}
          depthWrite={!finished}
          color={id === chosen ? '#87939a' : '#566065'}
          side={DoubleSide}
        />
      </mesh>
    </Fragment>
  ));
}

/** The wearer redrawn to the numbers, with tapes to click; turn by dragging. */
export function FigureView({
  body,
  parts,
  active,
  onActive,
  chosen,
  onPart,
  onBody,
  finished,
  night,
}: FigureViewProps) {
  const worked = useWorked(() => drawnFigure(body), [body]);
  const figure = worked.value;
  const limbs = useMemo(
    () =>
      (figure?.parts ?? []).map(({ name, of, mesh }) => ({
        name,
        of,
        geometry: meshGeometry(mesh, figureToScene),
      })),
    [figure],
  );
  useEffect(() => () => limbs.forEach((l) => l.geometry.dispose()), [limbs]);
  const lines = onActive ? (figure?.tapes ?? []) : [];
  const height = body.stature.valueMm;
  return (
    <div
      role="group"
      aria-label="Figure, turn by dragging"
      className={`h-full w-full ${night ? 'bg-[#070a09]' : ''}`}
    >
      <Canvas
        frameloop="demand"
        dpr={[1, 2]}
        onCreated={withoutChecks}
        camera={{ position: [950, height * 0.62, 3150], fov: 34, near: 50, far: 9000 }}
      >
        <hemisphereLight args={['#ffffff', '#8d9a95', night ? NIGHT : 1.5]} />
        {!night && <directionalLight position={[800, 2500, 2500]} intensity={1.6} />}
        {limbs.map(({ name, of, geometry }) => (
          <mesh
            key={name}
            geometry={geometry}
            {...(onBody && {
              onClick: (e: ThreeEvent<MouseEvent>) => {
                e.stopPropagation();
                if (e.delta <= 4) onBody(zonesAt(body, of, figureFromScene(e.point)));
              },
            })}
          >
            <meshLambertMaterial color="#ddd3c8" side={DoubleSide} />
          </mesh>
        ))}
        <Worn parts={parts} body={body} chosen={chosen} onPart={onPart} finished={finished} night={night} />
        {lines.map(({ key, points }) => (
          <Line
            key={key}
            points={points.map(figureToScene)}
            color={key === active ? '#0b5a61' : '#4c5a57'}
            lineWidth={key === active ? 6 : 1.4}
            onClick={() => onActive?.(key)}
            userData={{ label: measureInfo(key).label }}
          />
        ))}
        <OrbitControls
          makeDefault
          target={[0, height * 0.5, 0]}
          enablePan={false}
          minDistance={500}
          maxDistance={6000}
        />
      </Canvas>
    </div>
  );
}
