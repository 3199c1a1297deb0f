import type { Scheme } from '@fomrik/core/document';
import type { Vec3 } from '@fomrik/core/geometry';
import type { PartReport } from '@fomrik/core/parts';
import { firstOf } from '@fomrik/core/units';
import { coatOf } from '@fomrik/core/view';
import { Line } from '@react-three/drei';

/** Grooves that are not painted are only darker. */
const GROOVE = '#15120e';

/** Lines, rivets and edges of a part in the colours they are painted, each as wide as it is. */
export function PaintedLines({
  made,
  scheme,
  place,
}: {
  made: PartReport;
  scheme: Scheme | undefined;
  place: (p: Vec3) => [number, number, number];
}) {
  const own = (id: string | undefined): string | undefined =>
    scheme?.areas.find((a) => a.of === 'detail' && a.id === id)?.colour;
  const thickOf = (pieceId: string): number => made.pieces.find((p) => p.id === pieceId)?.thicknessMm ?? 4;
  return (
    <>
      {made.drawn
        .filter((d) => d.kind !== 'hole')
        .map((d, i) =>
          d.points.length === 1 ? (
            <mesh key={i} position={place(firstOf(d.points))}>
              <sphereGeometry args={[d.acrossMm / 2, 12, 8]} />
              <meshStandardMaterial
                color={scheme && d.featureId ? coatOf(scheme, d.featureId).colour : '#c9ced0'}
                roughness={0.5}
              />
            </mesh>
          ) : (
            <Line
              key={i}
              points={d.points.map(place)}
              color={own(d.featureId) ?? GROOVE}
              worldUnits
              lineWidth={Math.max(1, d.acrossMm)}
              transparent
              opacity={own(d.featureId) ? 1 : 0.6}
            />
          ),
        )}
      {scheme?.areas
        .filter((a) => a.of === 'edge')
        .flatMap((a) =>
          made.solid.edgeLines
            .filter((l) => l.pieceId === a.id && l.edgeId === a.edge && l.points.length > 1)
            .map((l) => (
              <Line
                key={`${a.id}/${a.edge}`}
                points={l.points.map(place)}
                color={a.colour}
                worldUnits
                lineWidth={thickOf(a.id)}
              />
            )),
        )}
    </>
  );
}
