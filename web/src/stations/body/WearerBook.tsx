import { byId } from '@fomrik/core/units';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type ApiError, type SavedWearer } from '../../store/api';
import { useBuild } from '../../store/build';
import { fromVersion, undoing } from '../../store/shop';
import { newId } from '../../store/newId';

const plain = ({ name, underLayerMm, measures }: SavedWearer) => ({ name, underLayerMm, measures });

const counted = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

/** Wearers kept for every build: take one's measures, keep these, or take someone out. */
export function WearerBook() {
  const [book, setBook] = useState<SavedWearer[]>([]);
  const wearer = useBuild((s) => s.doc.wearer);
  const update = useBuild((s) => s.update);
  const load = (): void => void api.wearers().then(setBook, () => setBook([]));
  useEffect(load, []);
  const known = book.find((w) => w.name === wearer.name);
  const keep = async (): Promise<void> => {
    const id = known?.id ?? newId('wearer');
    const kept = await fromVersion(
      wearer.name,
      known?.version ?? 0,
      (base) => api.putWearer(id, base, wearer),
      load,
    );
    if (!kept) return;
    load();
    toast(`${wearer.name}’s measures are in the book.`);
  };
  const remove = async (gone: SavedWearer): Promise<void> => {
    try {
      const builds = (await api.list()).filter((b) => b.wearer === gone.name).length;
      await api.removeWearer(gone.id, gone.version);
      load();
      const still =
        builds === 0
          ? 'No build is for them.'
          : `${counted(builds, 'build')} for them ${builds === 1 ? 'keeps its' : 'keep their'} own copy of the measures.`;
      toast(`${gone.name} is out of the book with ${counted(gone.measures.length, 'reading')}. ${still}`, {
        duration: 12_000,
        action: undoing(gone.name, () => api.putWearer(gone.id, 0, plain(gone)), load),
      });
    } catch (error) {
      toast.error(`${gone.name} is still in the book: ${(error as ApiError).message}`);
    }
  };
  return (
    <div className="flex items-end gap-2">
      <div className="min-w-0 flex-1">
        <label className="label" htmlFor="wearer-book">
          Take measures from the book
        </label>
        <select
          id="wearer-book"
          className="box"
          value=""
          onChange={(e) => {
            const chosen = byId(book, e.target.value);
            if (chosen) update((d) => void (d.wearer = plain(chosen)));
          }}
        >
          <option value="">{book.length === 0 ? 'the book is empty' : 'choose a wearer'}</option>
          {book.map((w) => (
            <option key={w.id} value={w.id}>
              {w.name}
            </option>
          ))}
        </select>
      </div>
      <button type="button" className="btn" onClick={() => void keep()}>
        Keep these
      </button>
      {known && (
        <button
          type="button"
          className="btn btn-icon"
          aria-label={`Take ${known.name} out of the book`}
          title={`Take ${known.name} out of the book`}
          onClick={() => void remove(known)}
        >
          <Trash2 size={15} aria-hidden />
        </button>
      )}
    </div>
  );
}
