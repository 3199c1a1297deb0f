import { trimNumber } from '@fomrik/core/units';
import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type SavedPrinter } from '../../store/api';
import { useBuild } from '../../store/build';
import { fromVersion, undoing } from '../../store/shop';
import { newId } from '../../store/newId';

const withoutVersion = ({ version, ...printer }: SavedPrinter) => printer;

/** The printers of the shop: measured once, used from then on. */
export function PrinterBook() {
  const cut = useBuild((s) => s.doc.cut);
  const update = useBuild((s) => s.update);
  const [printers, setPrinters] = useState<SavedPrinter[]>([]);
  const [name, setName] = useState('');
  const load = (): void => {
    api
      .printers()
      .then(setPrinters)
      .catch((error: Error) => toast.error(`The printers could not be fetched: ${error.message}`));
  };
  useEffect(load, []);
  const across = cut.barMeasuredMm;
  const along = cut.barAlongMeasuredMm ?? across;
  const now = printers.find((p) => p.acrossMm === across && p.alongMm === along);
  const take = (p: SavedPrinter): void =>
    update((d) => {
      d.cut.barMeasuredMm = p.acrossMm;
      d.cut.barAlongMeasuredMm = p.alongMm;
    });
  const keep = async (): Promise<void> => {
    const wanted = name.trim();
    if (wanted === '') return;
    const known = printers.find((p) => p.name === wanted);
    const bars = { id: known?.id ?? newId('printer'), name: wanted, acrossMm: across, alongMm: along };
    const kept = await fromVersion(wanted, known?.version ?? 0, (base) => api.putPrinter(base, bars), load);
    if (!kept) return;
    setName('');
    load();
    toast(`${wanted} is kept: every build may print on it.`, {
      ...(known && {
        action: undoing(wanted, () => api.putPrinter(kept.version, withoutVersion(known)), load),
      }),
    });
  };
  const remove = async (p: SavedPrinter): Promise<void> => {
    try {
      await api.removePrinter(p.id, p.version);
      load();
      toast(`${p.name} is forgotten.`, {
        action: undoing(p.name, () => api.putPrinter(0, withoutVersion(p)), load),
      });
    } catch (error) {
      toast.error(`Not removed: ${(error as Error).message}`);
    }
  };
  return (
    <div role="group" aria-label="Printers" className="mt-2 flex flex-wrap items-end gap-2">
      {printers.map((p) => (
        <span key={p.id} className="flex items-center">
          <button type="button" className="btn" aria-pressed={p.id === now?.id} onClick={() => take(p)}>
            {p.name}: {trimNumber(p.acrossMm)} × {trimNumber(p.alongMm)} mm
          </button>
          <button
            type="button"
            className="btn btn-icon"
            aria-label={`Forget ${p.name}`}
            onClick={() => void remove(p)}
          >
            <Trash2 size={14} aria-hidden />
          </button>
        </span>
      ))}
      <form
        className="flex items-end gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void keep();
        }}
      >
        <label className="grid">
          <span className="label">Keep these bars as printer</span>
          <input
            className="box w-48"
            maxLength={120}
            value={name}
            placeholder="the one upstairs"
            onChange={(e) => setName(e.target.value)}
          />
        </label>
        <button type="submit" className="btn" disabled={name.trim() === ''}>
          Keep
        </button>
      </form>
    </div>
  );
}
