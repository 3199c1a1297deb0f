import { sheetGroups, shelfAfter } from '@fomrik/core/cut';
import { trimNumber } from '@fomrik/core/units';
import { useState } from 'react';
import { toast } from 'sonner';
import { WordsField } from '../../parts/Field';
import type { ApiError } from '../../store/api';
import { catalogueNow } from '../../store/catalogue';
import { useBuild } from '../../store/build';
import { changeShelf, plainFoam, undoing } from '../../store/shop';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { newId } from '../../store/newId';

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
      const items = sheetGroups(doc, parts, catalogueNow()).flatMap((g) => g.items);
      const apartMm = Math.max(doc.cut.kerfMm ?? 0, 2);
      let after = { kept: 0, keptMm2: 0 };
      const { back } = await changeShelf((shelf) => {
        const next = shelfAfter(shelf.map(plainFoam), packed, items, apartMm, place, today, () =>
          newId('offcut'),
        );
        after = next;
        return next.shelf;
      });
      update((d) => void (d.cut.shelvedOn = today));
      toast(
        after.kept === 0
          ? 'Nothing is left that is worth keeping; the sheets are taken off the shelf.'
          : `${after.kept} offcuts, ${trimNumber(after.keptMm2 * 1e-6, 2)} m², are on the shelf.`,
        {
          // Only foams as they were left: what another build has put there since stays, and that is reported.
          action: {
            ...undoing('The shelf is', back, () => update((d) => void delete d.cut.shelvedOn)),
            label: 'Take it back',
          },
        },
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
