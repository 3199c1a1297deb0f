import type { FoldedPiece } from '@fomrik/core/folding';
import { useEffect, useMemo } from 'react';
import { BufferAttribute, BufferGeometry, DoubleSide } from 'three';

/** A piece is on its way for so many turns of one. */
const TURNS = 2;

/** How far each piece is on its way when so much of the whole is done: one after the other, each begun before the last is there. */
export const shareOf = (whole: number, piece: number, pieces: number): number =>
  Math.min(1, Math.max(0, (whole * (pieces - 1 + TURNS) - piece) / TURNS));

/** Between two of the steps that were worked out. */
function between(keys: readonly Float32Array[], share: number, out: Float32Array): void {
  const at = share * (keys.length - 1);
  const low = Math.min(keys.length - 2, Math.floor(at));
  const [a, b] = [keys[low]!, keys[low + 1]!];
  for (let i = 0; i < out.length; i++) out[i] = a[i]! + (b[i]! - a[i]!) * (at - low);
}

/** The pieces of a part on their way from the table to the solid. */
export function Folding({
  pieces,
  share,
  colourOf,
}: {
  pieces: readonly FoldedPiece[];
  share: number;
  colourOf: (id: string) => string;
}) {
  return pieces.map((piece, i) => (
    <OnItsWay
      key={`${piece.id} ${i}`}
      piece={piece}
      share={shareOf(share, i, pieces.length)}
      colour={colourOf(piece.id)}
    />
  ));
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
  return (
    <mesh geometry={geometry}>
      <meshLambertMaterial color={colour} side={DoubleSide} flatShading />
    </mesh>
  );
}
