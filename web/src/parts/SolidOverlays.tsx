import { firstOf, itemAt } from '@fomrik/core/units';
import type { PartReport } from '@fomrik/core/parts';
import type { OpeningClearance } from '@fomrik/core/forms';
import type { Vec3 } from '@fomrik/core/geometry';
import { Line } from '@react-three/drei';
import { useMemo } from 'react';

type Place = (p: Vec3) => [number, number, number];

/** What is laid over the solid. */
export interface OverlayChoice {
  /** Lines of equal gap between shell and body. */
  gap: boolean;
  /** The cone of what is seen. */
  sight: boolean;
  /** Openings, and what must pass them. */
  rings: boolean;
}

/** Spots set so far, and the line through them back to the first. */
export function Marked({ spots, place }: { spots: readonly Vec3[]; place: Place }) {
  const at = spots.map(place);
  return (
    <>
      {at.map((p, i) => (
        <mesh key={i} position={p}>
          <sphereGeometry args={[3, 12, 8]} />
          <meshBasicMaterial color="#0b5a61" />
        </mesh>
      ))}
      {at.length > 1 && <Line points={[...at, at[0]!]} color="#0b5a61" lineWidth={3} />}
    </>
  );
}

/** Grooves and scores in silver pen, rivets as heads, on the outer face. */
export function Drawn({ made, place }: { made: PartReport; place: Place }) {
  return made.drawn.map((d, i) =>
    d.points.length === 1 ? (
      <mesh key={i} position={place(firstOf(d.points))}>
        <sphereGeometry args={[d.acrossMm / 2, 12, 8]} />
        <meshLambertMaterial color={d.kind === 'hole' ? '#1b2625' : '#c9ced0'} />
      </mesh>
    ) : (
      <Line
        key={i}
        points={d.points.map(place)}
        color="#e6eaeb"
        lineWidth={2}
        dashed={d.kind === 'groove'}
        dashSize={8}
        gapSize={4}
      />
    ),
  );
}

/** Points in pairs, for lines drawn as separate runs. */
const pairs = (lines: readonly (readonly Vec3[])[], place: Place): [number, number, number][] =>
  lines.flatMap((line) => line.slice(1).flatMap((p, i) => [place(itemAt(line, i)), place(p)]));

/** A circle of a girth, level on the figure and across a limb. */
function circle({ at: centre }: OpeningClearance, girthMm: number): Vec3[] {
  const r = girthMm / (2 * Math.PI);
  return Array.from({ length: 65 }, (_, i) => {
    const t = (i / 64) * 2 * Math.PI;
    return { x: centre.x + r * Math.cos(t), y: centre.y + r * Math.sin(t), z: centre.z };
  });
}

export function Overlays({
  made,
  place,
  gap,
  sight,
  rings,
}: OverlayChoice & { made: PartReport; place: Place }) {
  const gaps = useMemo(
    () =>
      (made.wear?.standOff ?? []).flatMap((s) =>
        s.contours.map((c) => ({ key: `${s.pieceId}/${c.mm}`, mm: c.mm, points: pairs(c.onForm, place) })),
      ),
    [made.wear, place],
  );
  return (
    <>
      {gap &&
        gaps
          .filter((g) => g.points.length > 1)
          .map((g) => (
            <Line
              key={g.key}
              points={g.points}
              segments
              color={g.mm === 0 ? '#ffffff' : '#7fd0c6'}
              lineWidth={g.mm === 0 ? 4 : 1 + g.mm / 20}
              depthTest={false}
              renderOrder={5}
            />
          ))}
      {gap &&
        made.wear?.pads.map((pad, i) => (
          <mesh key={i} position={place(pad.at)}>
            <sphereGeometry args={[7, 12, 8]} />
            <meshBasicMaterial color="#2f7f86" depthTest={false} />
          </mesh>
        ))}
      {sight &&
        made.sight.map((line, i) => (
          <Line
            key={i}
            points={line.map(place)}
            color="#1b2625"
            lineWidth={1.6}
            dashed={line.length === 2}
            dashSize={10}
            gapSize={6}
          />
        ))}
      {rings &&
        made.clearances.map((ring) => (
          <group key={ring.what}>
            <Line
              points={circle(ring, ring.openingMm).map(place)}
              color="#0b5a61"
              lineWidth={3}
              depthTest={false}
            />
            <Line
              points={circle(ring, ring.needMm).map(place)}
              color={ring.needMm > ring.openingMm ? '#a81c1c' : '#1b2625'}
              lineWidth={2}
              dashed
              dashSize={10}
              gapSize={6}
              depthTest={false}
            />
          </group>
        ))}
    </>
  );
}
