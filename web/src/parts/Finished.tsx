import type { Vec3 } from '@fomrik/core/geometry';
import type { PartReport } from '@fomrik/core/parts';
import { Line } from '@react-three/drei';
import { useEffect, useMemo } from 'react';
import { type BufferGeometry, EdgesGeometry } from 'three';
import { type Look, Painted } from './Painted';
import { PaintedLines } from './PaintedLines';
import { scratchLines } from './scratches';

/** Edges that turn by more than this show where paint has rubbed off, degrees. */
const RUBBED_DEG = 32;

/** A part in its colours, glossy or matt, with its wear drawn along edges and seams. */
export function Finished({
  made,
  look,
  foam,
  extras,
  place,
  dark,
}: {
  made: PartReport;
  look: Look;
  foam: BufferGeometry;
  extras: BufferGeometry;
  place: (p: Vec3) => [number, number, number];
  /** Nothing lights it but what is lit. */
  dark: boolean;
}) {
  const { edges = 0, creases = 0, scratches = 0 } = look.scheme?.wear ?? {};
  const rubbed = useMemo(() => new EdgesGeometry(foam, RUBBED_DEG), [foam]);
  useEffect(() => () => rubbed.dispose(), [rubbed]);
  const scratched = useMemo(() => scratchLines(foam, scratches), [foam, scratches]);
  useEffect(() => () => scratched.dispose(), [scratched]);
  return (
    <>
      {!dark && <directionalLight position={[-300, 500, 400]} intensity={1.1} />}
      <Painted geometry={foam} made={made} runs={made.solid.runs} look={look} />
      <Painted geometry={extras} made={made} runs={made.extraRuns} look={look} />
      {!dark && <PaintedLines made={made} scheme={look.scheme} place={place} />}
      {!dark && edges > 0 && (
        <lineSegments geometry={rubbed}>
          <lineBasicMaterial color="#dfe3e2" transparent opacity={0.85 * edges} />
        </lineSegments>
      )}
      {!dark && scratches > 0 && (
        <lineSegments geometry={scratched}>
          <lineBasicMaterial color="#d3d7d5" transparent opacity={0.45 + 0.4 * scratches} />
        </lineSegments>
      )}
      {!dark &&
        creases > 0 &&
        made.solid.edgeLines
          .filter((l) => l.points.length > 1)
          .map((l) => (
            <Line
              key={`${l.pieceId}/${l.edgeId}`}
              points={l.points.map(place)}
              color="#15120e"
              lineWidth={2.5}
              transparent
              opacity={0.6 * creases}
            />
          ))}
    </>
  );
}
