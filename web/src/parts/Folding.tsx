import { type FoldedPiece, shareOf } from '@fomrik/core/folding';
import { Line } from '@react-three/drei';
import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide } from 'three';

/** Between two of the steps that were worked out. */
function between(keys: readonly Float32Array[], share: number, out: Float32Array): void {
  const at = share * (keys.length - 1);
  const low = Math.min(keys.length - 2, Math.floor(at));
  const [a, b] = [keys[low]!, keys[low + 1]!];
  for (let i = 0; i < out.length; i++) out[i] = a[i]! + (b[i]! - a[i]!) * (at - low);
}

type Triple = [number, number, number];

/** Pieces drawn apart in full stand this much further from the middle. */
const APART = 0.9;

/** The middle of points three by three. */
function middleOf(points: Float32Array): Triple {
  const sum: Triple = [0, 0, 0];
  points.forEach((v, i) => (sum[i % 3]! += v));
  return sum.map((v) => (3 * v) / Math.max(1, points.length)) as Triple;
}

/** How far each piece is moved when they are drawn apart: straight away from the middle of all. */
function shifts(pieces: readonly FoldedPiece[], apart: number): Triple[] {
  const middles = pieces.map((p) => middleOf(p.keys.at(-1)!));
  const whole = [0, 1, 2].map(
    (k) => middles.reduce((sum, m) => sum + m[k]!, 0) / Math.max(1, middles.length),
  );
  return middles.map((m) => m.map((v, k) => (v - whole[k]!) * APART * apart) as Triple);
}

/** Two edges that meet: their pieces, and the middle of each on the solid. */
export interface Mates {
  of: [string, string];
  at: [Triple, Triple];
}

/** The pieces of a part on their way from the table to the solid, or drawn apart with a line from edge to mate. */
export function Folding({
  pieces,
  share,
  apart,
  mates,
  colourOf,
}: {
  pieces: readonly FoldedPiece[];
  share: number;
  apart: number;
  mates: readonly Mates[];
  colourOf: (id: string) => string;
}) {
  const moved = useMemo(() => shifts(pieces, apart), [pieces, apart]);
  const shiftOf = (id: string): Triple => moved[pieces.findIndex((p) => p.id === id)] ?? [0, 0, 0];
  return (
    <>
      {pieces.map((piece, i) => (
        <group key={`${piece.id} ${i}`} position={moved[i]!}>
          {piece.kind === 'wire' ? (
            <Wire points={piece.keys[0]!} share={shareOf(share, i, pieces.length)} />
          ) : (
            <OnItsWay
              piece={piece}
              share={shareOf(share, i, pieces.length)}
              colour={piece.kind === 'carrier' ? CARRIER : colourOf(piece.id)}
            />
          )}
        </group>
      ))}
      {apart > 0 &&
        mates.map(({ of, at }, i) => (
          <Line
            key={i}
            points={at.map((p, k) => p.map((v, n) => v + shiftOf(of[k]!)[n]!) as Triple)}
            color="#0b5c63"
            lineWidth={1.2}
            dashed
            dashSize={5}
            gapSize={4}
          />
        ))}
    </>
  );
}

/** What carries the part is drawn pale. */
const CARRIER = '#9aa5a3';

/** A wire as far as it is laid. */
function Wire({ points, share }: { points: Float32Array; share: number }) {
  const laid = useMemo(() => {
    const all = Array.from({ length: points.length / 3 }, (_, i): Triple => [
      points[i * 3]!,
      points[i * 3 + 1]!,
      points[i * 3 + 2]!,
    ]);
    return all.slice(0, Math.max(2, Math.ceil(all.length * share)));
  }, [points, share]);
  return share > 0 ? <Line points={laid} color="#d98e06" lineWidth={2.5} /> : null;
}

function OnItsWay({ piece, share, colour }: { piece: FoldedPiece; share: number; colour: string }) {
  const geometry = useMemo(() => {
    const made = new BufferGeometry();
    made.setAttribute('position', new BufferAttribute(new Float32Array(piece.keys[0]!.length), 3));
    made.setIndex(new BufferAttribute(piece.triangles, 1));
    return made;
  }, [piece]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  useMemo(() => {
    const position = geometry.getAttribute('position') as BufferAttribute;
    between(piece.keys, share, position.array as Float32Array);
    position.needsUpdate = true;
    geometry.computeBoundingSphere();
  }, [geometry, piece, share]);
  // What is not begun is not there yet, unless it lies on the table.
  if (piece.kind !== 'piece' && share <= 0) return null;
  return (
    <mesh geometry={geometry}>
      <meshLambertMaterial color={colour} side={DoubleSide} flatShading />
    </mesh>
  );
}
