import { sheetGroups, shelfAfter } from '@fomrik/core/cut';
import { catalogue } from '@fomrik/core/materials';
import { trimNumber } from '@fomrik/core/units';
import { useState } from 'react';
import { toast } from 'sonner';
import { WordsField } from '../../parts/Field';
import { api, type ApiError } from '../../store/api';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';

/** Once everything is cut, what is left of the sheets goes on the shared shelf, where later builds find it. */
export function Remainders() {
  const done = useBuild((s) => s.doc.make.done);
  const shelvedOn = useBuild((s) => s.doc.cut.shelvedOn);
  const update = useBuild((s) => s.update);
  const steps = useReport((s) => s.report!.steps);
  const [place, setPlace] = useState('offcut rack');
  const [busy, setBusy] = useState(false);
  const cuts = steps.filter((s) => s.kind === 'cut');
  const left = cuts.filter((s) => done[s.id] === undefined).length;
  const shelve = async (): Promise<void> => {
    const { doc } = useBuild.getState();
    const { parts, packed } = useReport.getState().report!;
    const today = todayIso();
    setBusy(true);
    try {
      const items = sheetGroups(doc, parts, catalogue).flatMap((g) => g.items);
      const apartMm = Math.max(doc.cut.kerfMm ?? 0, 2);
      const shelf = await api.stock();
      const after = shelfAfter(shelf, packed, items, apartMm, place, today, () => crypto.randomUUID());
      const put = JSON.stringify(await api.putStock(after.shelf));
      update((d) => void (d.cut.shelvedOn = today));
      const back = async (): Promise<void> => {
        try {
          // Only the shelf as it was left: what another build has put there since stays.
          if (JSON.stringify(await api.stock()) !== put) {
            toast.error('The shelf has changed since: take what is wrong off it by hand.');
            return;
          }
          await api.putStock(shelf);
          update((d) => void delete d.cut.shelvedOn);
        } catch (error) {
          toast.error((error as ApiError).message);
        }
      };
      toast(
        after.kept === 0
          ? 'Nothing is left that is worth keeping; the sheets are taken off the shelf.'
          : `${after.kept} offcuts, ${trimNumber(after.keptMm2 * 1e-6, 2)} m², are on the shelf.`,
        { action: { label: 'Take it back', onClick: () => void back() } },
      );
    } catch (error) {
      toast.error((error as ApiError).message);
    } finally {
      setBusy(false);
    }
  };
  if (cuts.length === 0) return null;
  return (
    <section aria-label="What is left" className="leaf p-3">
      <h2 className="head">What is left of the sheets</h2>
      {shelvedOn ? (
        <p>
          Put on the shared shelf on {shelvedOn}. Builds that take the shelf lay their pieces on it first.
        </p>
      ) : (
        <div className="mt-1 grid grid-cols-[16rem_auto_1fr] items-end gap-3">
          <WordsField label="Where it is put" value={place} onChange={setPlace} maxLength={80} />
          <button type="button" className="btn" disabled={left > 0 || busy} onClick={() => void shelve()}>
            Put what is left on the shelf
          </button>
          <p className="text-[13px] text-soft">
            {left > 0
              ? `When everything is cut: ${left} of ${cuts.length} cutting steps are not ticked yet.`
              : 'Outlines wider than 50 mm and larger than 150 cm² are kept; whole sheets that were cut are taken off the shelf.'}
          </p>
        </div>
      )}
    </section>
  );
}
