import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type ApiError, type SavedWearer } from '../../store/api';
import { useBuild } from '../../store/build';

const idOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, 60) || 'wearer';

/** Wearers kept for every build: take one's measures, or keep these. */
export function WearerBook() {
  const [book, setBook] = useState<SavedWearer[]>([]);
  const wearer = useBuild((s) => s.doc.wearer);
  const update = useBuild((s) => s.update);
  useEffect(() => {
    api.wearers().then(setBook, () => setBook([]));
  }, []);
  const keep = async (): Promise<void> => {
    try {
      const known = book.find((w) => w.name === wearer.name);
      await api.putWearer(known?.id ?? idOf(wearer.name), wearer);
      setBook(await api.wearers());
      toast(`${wearer.name}’s measures are in the book.`);
    } catch (error) {
      toast.error((error as ApiError).message);
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
            const chosen = book.find((w) => w.id === e.target.value);
            if (chosen)
              update(
                (d) =>
                  void (d.wearer = {
                    name: chosen.name,
                    underLayerMm: chosen.underLayerMm,
                    measures: chosen.measures,
                  }),
              );
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
    </div>
  );
}
