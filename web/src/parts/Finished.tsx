import type { Scheme } from '@fomrik/core/document';
import type { Vec3 } from '@fomrik/core/geometry';
import type { PartReport } from '@fomrik/core/parts';
import { toneIn } from '@fomrik/core/view';
import { Line } from '@react-three/drei';
import { useEffect, useMemo } from 'react';
import { type BufferGeometry, Color, DoubleSide, EdgesGeometry, MeshStandardMaterial } from 'three';

type Triple = [number, number, number];

/** Edges that turn by more than this show where paint has rubbed off, degrees. */
const RUBBED_DEG = 32;
/** Without a room to reflect, metal is drawn as less of one, or it would be black. */
const METAL = 0.55;

/** One material for every run of triangles, in their order. */
function materialsOf(
  runs: readonly { id: string; from: number; to: number }[],
  count: number,
  scheme: Scheme | undefined,
): { materials: MeshStandardMaterial[]; groups: { start: number; count: number }[] } {
  const tone = toneIn(scheme);
  const last = runs.reduce((most, r) => Math.max(most, r.to), 0);
  const all = [...runs, ...(last < count ? [{ id: '', from: last, to: count }] : [])];
  return {
    groups: all.map(({ from, to }) => ({ start: from * 3, count: (to - from) * 3 })),
    materials: all.map((run) => {
      const { rgb, gloss, metal } = tone(run);
      return new MeshStandardMaterial({
        color: new Color(`rgb(${rgb.join(',')})`),
        roughness: 0.95 - 0.8 * gloss,
        metalness: METAL * metal,
        side: DoubleSide,
      });
    }),
  };
}

/** What is painted: a mesh with a material for every piece or detail. */
function Painted({
  geometry,
  runs,
  scheme,
}: {
  geometry: BufferGeometry;
  runs: readonly { id: string; from: number; to: number }[];
  scheme: Scheme | undefined;
}) {
  const count = (geometry.getAttribute('position')?.count ?? 0) / 3;
  const { materials, groups } = useMemo(() => materialsOf(runs, count, scheme), [runs, count, scheme]);
  const grouped = useMemo(() => {
    const own = geometry.clone();
    own.clearGroups();
    groups.forEach((g, i) => own.addGroup(g.start, g.count, i));
    return own;
  }, [geometry, groups]);
  useEffect(() => () => materials.forEach((m) => m.dispose()), [materials]);
  useEffect(() => () => grouped.dispose(), [grouped]);
  return <mesh geometry={grouped} material={materials} />;
}

/** A part in its colours, glossy or matt, with its wear drawn along edges and seams. */
export function Finished({
  made,
  scheme,
  foam,
  extras,
  place,
}: {
  made: PartReport;
  scheme: Scheme | undefined;
  foam: BufferGeometry;
  extras: BufferGeometry;
  place: (p: Vec3) => Triple;
}) {
  const rubbed = useMemo(() => new EdgesGeometry(foam, RUBBED_DEG), [foam]);
  useEffect(() => () => rubbed.dispose(), [rubbed]);
  const { edges = 0, creases = 0 } = scheme?.wear ?? {};
  return (
    <>
      <directionalLight position={[-300, 500, 400]} intensity={1.1} />
      <Painted geometry={foam} runs={made.solid.runs} scheme={scheme} />
      <Painted geometry={extras} runs={made.extraRuns} scheme={scheme} />
      {edges > 0 && (
        <lineSegments geometry={rubbed}>
          <lineBasicMaterial color="#dfe3e2" transparent opacity={0.85 * edges} />
        </lineSegments>
      )}
      {creases > 0 &&
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
