import type { HandDart } from '@fomrik/core/document';
import { FlatPieces } from '../../parts/FlatPieces';
import { Legend } from '../../parts/Legend';
import { useDimensions } from '../../parts/useDimensions';
import { type ShownPart, usePart } from '../../parts/usePart';
import { dragEnd } from '../../store/build';

/** The flat pieces, with what is held on them. */
export function FlatPane() {
  const { part, made, change, drag } = usePart();
  return part && made && <FlatOf {...{ part, made, change, drag }} />;
}

function FlatOf({ part, made, change, drag }: ShownPart) {
  const dimensions = useDimensions(part);
  const onDarts = (pieceId: string, darts: HandDart[], done: boolean): void => {
    (done ? change : drag)((p) => {
      p.darts = [...p.darts.filter((d) => d.pieceId !== pieceId), { pieceId, darts }];
    });
    if (done) dragEnd();
  };
  return (
    <>
      <FlatPieces
        made={made}
        onDarts={onDarts}
        grips={{ part, drag, change, end: dragEnd }}
        dimensions={dimensions}
      />
      <Legend />
    </>
  );
}
