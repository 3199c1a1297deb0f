import { formatDistanceToNow } from 'date-fns';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api } from '../store/api';

interface Thrown {
  id: string;
  name: string;
  deletedAt: string;
}

/** Builds that were deleted; after thirty days they are erased by themselves. */
export function Trash({ changed, onChanged }: { changed: unknown; onChanged: () => void }) {
  const [builds, setBuilds] = useState<Thrown[]>([]);
  const load = useCallback(() => void api.trash().then(setBuilds, () => setBuilds([])), []);
  useEffect(load, [load, changed]);
  const reported = (work: Promise<unknown>): void =>
    void work.then(
      () => {
        load();
        onChanged();
      },
      (error: Error) => toast.error(error.message),
    );
  if (builds.length === 0) return null;
  return (
    <details className="mt-6 border-t border-hair pt-2">
      <summary className="cursor-pointer text-soft">Deleted: {builds.length}</summary>
      <p className="mt-1 text-[13px] text-soft">
        Erased for good thirty days after they were deleted, with their pins, logs and pictures.
      </p>
      <ul className="mt-1">
        {builds.map((b) => (
          <li key={b.id} className="flex items-center gap-2 border-t border-hair py-1">
            <span className="min-w-0 flex-1 truncate">
              {b.name},{' '}
              <span className="text-soft">
                {formatDistanceToNow(new Date(b.deletedAt), { addSuffix: true })}
              </span>
            </span>
            <button type="button" className="btn" onClick={() => reported(api.restore(b.id))}>
              Bring back<span className="sr-only"> {b.name}</span>
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => {
                if (confirm(`Erase “${b.name}” for good? This cannot be undone.`)) reported(api.erase(b.id));
              }}
            >
              Erase<span className="sr-only"> {b.name}</span>
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn mt-2"
        onClick={() => {
          if (confirm(`Erase all ${builds.length} for good? This cannot be undone.`))
            reported(api.emptyTrash());
        }}
      >
        Erase all
      </button>
    </details>
  );
}
