import { undo } from '../store/build';
import { askAgain, stopAsking, useReport } from '../store/report';
import { useBehind } from '../store/useBehind';

/** How figures and findings stand to what is on screen, where they do not belong to it: failed, or on their way. */
export function Standing() {
  const error = useReport((s) => s.error);
  const worked = useReport((s) => s.report !== undefined);
  const behind = useBehind();
  const older = worked ? ' Figures and findings are from before the change.' : '';
  if (error)
    return (
      <section role="alert" className="m-3 border-l-4 border-stop bg-paper p-2">
        <p>
          This could not be calculated: {error}
          {older}
        </p>
        <div className="mt-1 flex gap-2">
          <button type="button" className="btn" onClick={askAgain}>
            Try again
          </button>
          <button type="button" className="btn" onClick={() => undo()}>
            Undo the last change
          </button>
        </div>
      </section>
    );
  if (behind === 0) return null;
  return (
    <p role="status" className="m-3 flex items-center gap-3 border-l-4 border-hair bg-paper p-2">
      <span>
        Calculating for {behind} s.{older}
      </span>
      <button type="button" className="btn min-h-7 px-2" onClick={stopAsking}>
        Stop
      </button>
    </p>
  );
}
