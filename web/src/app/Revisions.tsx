import { format } from 'date-fns';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type ApiError } from '../store/api';
import { useSaving } from '../store/autosave';
import { useBuild } from '../store/build';

/** Versions the server keeps; any can be gone back to, and undone. */
export function Revisions() {
  const id = useBuild((s) => s.id);
  const version = useSaving((s) => s.version);
  const [all, setAll] = useState<{ version: number; savedAt: string }[]>([]);
  useEffect(() => {
    api.revisions(id).then(setAll, () => setAll([]));
  }, [id, version]);
  const goBack = async (to: number): Promise<void> => {
    try {
      const { doc } = await api.revision(id, to);
      useBuild.setState({ doc });
      toast(`Restored version ${to}. Undo reverts this.`);
    } catch (error) {
      toast.error((error as ApiError).message);
    }
  };
  return (
    <section className="mt-4">
      <h3 className="head">Saved versions</h3>
      <ul className="mt-1 max-h-40 overflow-auto">
        {all.map((r) => (
          <li key={r.version} className="flex items-center justify-between border-t border-hair py-0.5">
            <span>
              {r.version}{' '}
              <span className="text-[12px] text-soft">{format(new Date(r.savedAt), 'd MMM HH:mm:ss')}</span>
            </span>
            <button type="button" className="btn" onClick={() => void goBack(r.version)}>
              Go back to it
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
