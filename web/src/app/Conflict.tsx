import { formatDistanceToNow } from 'date-fns';
import { settleConflict, useSaving } from '../store/autosave';

/** Two versions and a plain choice; nothing is merged behind anyone's back. */
export function Conflict() {
  const { state, theirs, message } = useSaving();
  if (state === 'refused') {
    return (
      <p role="alert" className="m-3 border-l-4 border-stop bg-paper p-2">
        The last change was not saved: {message}
      </p>
    );
  }
  if (state !== 'conflict' || !theirs) return null;
  return (
    <section role="alert" className="m-3 border-l-4 border-stop bg-paper p-3">
      <p className="font-medium">{message}</p>
      <p className="text-soft">
        The other was saved {formatDistanceToNow(new Date(theirs.updatedAt), { addSuffix: true })} as version{' '}
        {theirs.version}. If you keep yours, the other stays under Compare, saved versions; if you take the
        other, undo brings yours back.
      </p>
      <div className="mt-2 flex gap-2">
        <button type="button" className="btn btn-main" onClick={() => settleConflict('mine')}>
          Keep mine
        </button>
        <button type="button" className="btn" onClick={() => settleConflict('theirs')}>
          Take the other
        </button>
      </div>
    </section>
  );
}
