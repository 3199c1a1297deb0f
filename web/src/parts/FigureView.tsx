import { type Body, measureInfo, type MeasureKey, type Zone, zonesAt } from '@fomrik/core/body';
import { type PartReport, placingsOf } from '@fomrik/core/parts';
import { joinMeshes } from '@fomrik/core/geometry';
import { Line, OrbitControls } from '@react-three/drei';
import { Canvas, type ThreeEvent } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import { bodyWorker } from '../workers/bodyClient';
import { figureFromScene, figureToScene, meshGeometry } from './solidSpace';
import { useWorked } from './useWorked';
import { withoutChecks } from './withoutChecks';

interface FigureViewProps {
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

/** Every part where it is worn, both sides of a pair. */
function Worn({
  parts,
  body,
  chosen,
  onPart,
}: {
  parts: readonly PartReport[];
  body: Body;
  chosen: string | undefined;
  onPart: FigureViewProps['onPart'];
}) {
  const attached = useMemo(
    () =>
      parts.flatMap((part) =>
        placingsOf(body, parts, part.id).map((hang) => {
          const mesh = joinMeshes([part.solid.mesh, part.extras]);
          return { id: part.id, geometry: meshGeometry(mesh, (p) => figureToScene(hang(p))) };
        }),
      ),
    [parts, body],
  );
  useEffect(() => () => attached.forEach((h) => h.geometry.dispose()), [attached]);
  return attached.map(({ id, geometry }, i) => (
    <mesh
      key={i}
      geometry={geometry}
      {...(onPart && {
        onClick: (e: ThreeEvent<MouseEvent>) => {
          e.stopPropagation();
          if (e.delta <= 4) onPart(id);
        },
      })}
    >
      <meshLambertMaterial
        color={id === chosen ? '#87939a' : '#566065'}

        side={DoubleSide}
      />
    </mesh>
  ));
}

/** The wearer redrawn to the numbers, with tapes to click; turn by dragging. */
export function FigureView({ body, parts, active, onActive, chosen, onPart, onBody }: FigureViewProps) {
  const worked = useWorked(() => bodyWorker.figure(body), [body]);
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
    <div role="group" aria-label="Figure, turn by dragging" className="h-full w-full">
      <Canvas
        frameloop="demand"
        dpr={[1, 2]}
        onCreated={withoutChecks}
        camera={{ position: [950, height * 0.62, 3150], fov: 34, near: 50, far: 9000 }}
      >
        <hemisphereLight args={['#ffffff', '#8d9a95', 1.5]} />
        <directionalLight position={[800, 2500, 2500]} intensity={1.6} />
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
        <Worn parts={parts} body={body} chosen={chosen} onPart={onPart} />
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
