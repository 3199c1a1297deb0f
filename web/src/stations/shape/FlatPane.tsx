import type { HandDart, Part } from '@fomrik/core/document';
import type { PartReport } from '@fomrik/core/parts';
import { FlatPieces } from '../../parts/FlatPieces';
import { Legend } from '../../parts/Legend';
import { useDimensions } from '../../parts/useDimensions';
import { usePart } from '../../parts/usePart';
import { dragEnd } from '../../store/build';
import type { Changer } from '../../store/version';

/** The flat pieces, with what is held on them. */
export function FlatPane() {
  const { part, made, change, drag } = usePart();
  return part && made && <FlatOf {...{ part, made, change, drag }} />;
}

interface PaneProps {
  part: Part;
  made: PartReport;
  change: Changer;
  drag: Changer;
}

function FlatOf({ part, made, change, drag }: PaneProps) {
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
