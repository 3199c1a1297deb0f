import { formatDistanceToNow } from 'date-fns';
import { dropLeftover, type Leftover, settleConflict, takeLeftover, useSaving } from '../store/autosave';
import { useBuild } from '../store/build';
import { saveFile } from '../stations/cut/saveFile';

/** Saves a document as a build file, whether or not it would be accepted. */
async function exportDoc(doc: Leftover['doc']): Promise<void> {
  const { writeBuildFile } = await import('@fomrik/core/files/buildFile');
  const file = { fomrik: doc.schema, build: doc, pins: [], log: [] };
  saveFile(writeBuildFile(file), 'fomrik.json', 'application/json', String(doc.name));
}

const ago = (iso: string): string => formatDistanceToNow(new Date(iso), { addSuffix: true });

function LeftoverLine({ leftover }: { leftover: Leftover }) {
  return (
    <section role="alert" className="m-3 border-l-4 border-stop bg-paper p-3">
      <p className="font-medium">
        This browser keeps changes to this build that were never saved, from {ago(leftover.keptAt)}.
      </p>
      <p className="text-soft">
        {leftover.broken
          ? `They cannot be opened: ${leftover.broken} Export them before you delete them.`
          : 'They were made in another tab. Adding them is one step that Undo reverses.'}
      </p>
      <div className="mt-2 flex gap-2">
        {!leftover.broken && (
          <button type="button" className="btn btn-main" onClick={() => void takeLeftover(leftover)}>
            Add them to this build
          </button>
        )}
        <button type="button" className="btn" onClick={() => void exportDoc(leftover.doc)}>
          Export
        </button>
        <button type="button" className="btn" onClick={() => void dropLeftover(leftover)}>
          Delete
        </button>
      </div>
    </section>
  );
}

function Refused({ message }: { message: string }) {
  const doc = useBuild((s) => s.doc);
  return (
    <section role="alert" className="m-3 border-l-4 border-stop bg-paper p-3">
      <p className="font-medium">The last change was not saved: {message}</p>
      <p className="text-soft">Undo it (Ctrl+Z), or export the build as it is on screen.</p>
      <button type="button" className="btn mt-2" onClick={() => void exportDoc(doc)}>
        Export
      </button>
    </section>
  );
}

/** Two versions and a plain choice; what can be brought together without a choice already is. */
export function Conflict() {
  const refused = useSaving((s) => (s.state === 'refused' ? s.message : undefined));
  const theirs = useSaving((s) => (s.state === 'conflict' ? s.theirs : undefined));
  const message = useSaving((s) => (s.state === 'conflict' ? s.message : ''));
  const leftovers = useSaving((s) => s.leftovers);
  return (
    <>
      {refused !== undefined && <Refused message={refused} />}
      {theirs && (
        <section role="alert" className="m-3 border-l-4 border-stop bg-paper p-3">
          <p className="font-medium">{message}</p>
          <p className="text-soft">
            The other was saved {ago(theirs.updatedAt)} as version {theirs.version}. If you keep yours, the
            other stays under Compare, saved versions; if you take the other, undo brings yours back.
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
      )}
      {leftovers.map((leftover) => (
        <LeftoverLine key={leftover.tab} leftover={leftover} />
      ))}
    </>
  );
}
