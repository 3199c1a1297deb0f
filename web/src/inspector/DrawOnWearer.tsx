import type { Part } from '@fomrik/core/document';
import type { FormKind } from '@fomrik/core/forms';
import { counted } from '@fomrik/core/units';
import { drawnOnInput } from '../parts/outlineHandles';
import { useMade } from '../parts/useMade';
import { useReport } from '../store/report';
import type { Changer } from '../store/version';
import { useView } from '../store/view';

interface DrawOnWearerProps {
  part: Part;
  drawnOn: NonNullable<FormKind['drawnOn']>;
  change: Changer;
}

/** An outline pressed spot by spot on the wearer, then kept in place of the one there is. */
export function DrawOnWearer({ part, drawnOn, change }: DrawOnWearerProps) {
  const spots = useView((v) => v.outlining);
  const made = useMade(part.id);
  const body = useReport((s) => s.report?.body);
  const set = (outlining: typeof spots): void => void useView.setState({ outlining, figureOpen: false });
  if (!spots)
    return (
      <button type="button" className="btn" onClick={() => set([])}>
        Draw it on the wearer
      </button>
    );
  return (
    <div role="group" aria-label="Outline on the wearer" className="flex flex-wrap gap-1">
      <button
        type="button"
        className="btn btn-main"
        disabled={spots.length < 3 || !made || !body}
        onClick={() => {
          if (!made || !body) return;
          const drawn = drawnOn.drawing(drawnOnInput(part, made, body), spots);
          change((p) => void Object.assign(p.params, drawn));
          set(undefined);
        }}
      >
        Keep the outline ({counted(spots.length, 'spot')})
      </button>
      <button
        type="button"
        className="btn"
        disabled={spots.length === 0}
        onClick={() => set(spots.slice(0, -1))}
      >
        Take the last back
      </button>
      <button type="button" className="btn" onClick={() => set(undefined)}>
        Leave it
      </button>
    </div>
  );
}
