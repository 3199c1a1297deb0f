import type { Body } from '@fomrik/core/body/estimate';
import { figure } from '@fomrik/core/body/figure';
import { measureInfo, type MeasureKey } from '@fomrik/core/body/measures';
import { tapes } from '@fomrik/core/body/tapes';
import type { PartReport } from '@fomrik/core/build/report';
import { hangOn } from '@fomrik/core/forms/hang';
import { Line, OrbitControls } from '@react-three/drei';
import { Canvas } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import { DoubleSide } from 'three';
import { figureToScene, meshGeometry } from './solidSpace';

interface FigureViewProps {
  body: Body;
  /** Parts to hang on it; none shows the bare figure. */
  parts: readonly PartReport[];
  active: MeasureKey;
  onActive: (key: MeasureKey) => void;
}

/** Every part where it is worn, both sides of a pair. */
function Worn({ parts, body }: { parts: readonly PartReport[]; body: Body }) {
  const geometries = useMemo(
    () =>
      parts.flatMap((part) =>
        (part.copies === 2 ? ([1, -1] as const) : ([1] as const)).map((side) => {
          const hang = hangOn(body, part.zone, side);
          return meshGeometry(part.solid.mesh, (p) => figureToScene(hang(p)));
        }),
      ),
    [parts, body],
  );
  useEffect(() => () => geometries.forEach((g) => g.dispose()), [geometries]);
  return geometries.map((geometry, i) => (
    <mesh key={i} geometry={geometry}>
      <meshStandardMaterial color="#566065" roughness={0.95} side={DoubleSide} />
    </mesh>
  ));
}

/** The wearer redrawn to the numbers, with tapes to click; turn by dragging. */
export function FigureView({ body, parts, active, onActive }: FigureViewProps) {
  const limbs = useMemo(
    () => figure(body).parts.map(({ mesh }) => meshGeometry(mesh, figureToScene)),
    [body],
  );
  useEffect(() => () => limbs.forEach((g) => g.dispose()), [limbs]);
  const lines = useMemo(() => tapes(body), [body]);
  const height = body.stature.valueMm;
  return (
    <div role="group" aria-label="Figure, turn by dragging" className="h-full w-full">
      <Canvas
        frameloop="demand"
        dpr={[1, 2]}
        camera={{ position: [900, height * 0.62, 2900], fov: 34, near: 50, far: 9000 }}
      >
        <hemisphereLight args={['#ffffff', '#8d9a95', 1.5]} />
        <directionalLight position={[800, 2500, 2500]} intensity={1.6} />
        {limbs.map((geometry, i) => (
          <mesh key={i} geometry={geometry}>
            <meshStandardMaterial color="#ddd3c8" roughness={1} side={DoubleSide} />
          </mesh>
        ))}
        <Worn parts={parts} body={body} />
        {lines.map(({ key, points }) => (
          <Line
            key={key}
            points={points.map(figureToScene)}
            color={key === active ? '#0b5a61' : '#1b2625'}
            lineWidth={key === active ? 6 : 2}
            onClick={() => onActive(key)}
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
