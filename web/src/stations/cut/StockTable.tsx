import { foamSheet, type FoamSheet, type Offcut } from '@fomrik/core/materials';
import { trimNumber } from '@fomrik/core/units';
import { toast } from 'sonner';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField, NumberField } from '../../parts/Field';
import { api, type ApiError } from '../../store/api';
import { useCatalogue } from '../../store/catalogue';
import { useBuild } from '../../store/build';
import { changeShelf, undoing, withShelf } from '../../store/shop';
import { setStock } from '../../store/stock';
import { GrooveTest, RingTest } from '../../parts/FoamTests';
import { Said } from '../../parts/Said';

/** What a whole sheet weighs by its density, grams. */
const sheetMassG = ({ widthMm, heightMm, thicknessMm, densityKgM3 }: FoamSheet): number =>
  widthMm * heightMm * thicknessMm.value * densityKgM3.value * 1e-6;

/** Foam on the shelf: sheets, real thickness, ring test and price correct every pattern and every sum. */
export function StockTable() {
  const brief = useBuild((s) => s.doc.brief);
  const parts = useBuild((s) => s.doc.parts);
  const stock = useBuild((s) => s.doc.stock);
  const catalogue = useCatalogue();
  const update = useBuild((s) => s.update);
  const used = [
    ...new Set(
      parts.flatMap((p) => [
        ...p.stack.map((ply) => `${ply.foamId}/${ply.nominalMm}`),
        ...(p.lining ? [`${p.lining.foamId}/${p.lining.nominalMm}`] : []),
      ]),
    ),
  ];
  const rows = [...new Set([...used, ...stock.map((s) => `${s.foamId}/${s.nominalMm}`)])].map((key) => {
    const [foamId, mm] = key.split('/') as [string, string];
    return { foamId, nominalMm: Number(mm) };
  });
  const give = async (): Promise<void> => {
    try {
      const { changes, back } = await changeShelf(() => stock);
      if (changes.length === 0) {
        toast('The shared shelf has these foams already.');
        return;
      }
      toast(
        `${changes.length === 1 ? 'One foam' : `${changes.length} foams`} put on the shared shelf; the others there stay.`,
        {
          action: undoing('The shelf is', back),
        },
      );
    } catch (error) {
      toast.error(`The shared shelf is as it was: ${(error as ApiError).message}`);
    }
  };
  const take = async (): Promise<void> => {
    try {
      const shared = await api.stock();
      update((d) => void (d.stock = withShelf(d.stock, shared)));
      toast(shared.length === 0 ? 'The shared shelf is empty.' : 'Taken from the shared shelf.');
    } catch (error) {
      toast.error((error as ApiError).message);
    }
  };
  return (
    <section aria-label="Foam on the shelf" className="leaf p-3">
      <div className="flex items-center justify-between">
        <h2 className="head">Foam on the shelf</h2>
        <div className="flex gap-2">
          <button type="button" className="btn" onClick={() => void take()}>
            Take the shared shelf
          </button>
          <button type="button" className="btn" onClick={() => void give()}>
            Keep for every build
          </button>
        </div>
      </div>
      <table className="mt-1 w-full">
        <thead className="sr-only">
          <tr>
            <th>foam</th>
            <th>sheets</th>
            <th>real thickness</th>
            <th>mass of a sheet</th>
            <th>price</th>
            <th>groove test</th>
            <th>ring test</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ foamId, nominalMm }) => {
            const sheet = foamSheet(catalogue.foams, stock, foamId, nominalMm);
            const own = stock.find((s) => s.foamId === foamId && s.nominalMm === nominalMm);
            return (
              <tr key={sheet.name} className="border-t border-hair align-top">
                <th scope="row" className="py-2 pr-3 text-left font-medium">
                  <Said words={sheet.name} />
                  <span className="block text-[12px] font-normal text-soft">
                    {trimNumber(sheet.densityKgM3.value, 0)} kg/m³ ({sheet.densityKgM3.provenance}) · k{' '}
                    {trimNumber(sheet.neutralFraction.value, 2)} ({sheet.neutralFraction.provenance})
                  </span>
                  <Offcuts
                    offcuts={own?.offcuts ?? []}
                    onDrop={(id) =>
                      setStock(foamId, nominalMm, { offcuts: own?.offcuts?.filter((o) => o.id !== id) })
                    }
                  />
                </th>
                <td className="w-24 pr-2">
                  <NumberField
                    label="Sheets"
                    whole
                    value={sheet.inStock}
                    range={[0, 1000]}
                    onChange={(sheets) => setStock(foamId, nominalMm, { sheets })}
                  />
                </td>
                <td className="w-32 pr-2">
                  <LengthField
                    label="Real thickness"
                    valueMm={sheet.thicknessMm.value}
                    range={[nominalMm * 0.6, nominalMm * 1.6]}
                    onChange={(measuredMm) => setStock(foamId, nominalMm, { measuredMm })}
                    help="Measured with a caliper; nominal 6 is often 6–7."
                  />
                  <ChoiceField
                    label="Turns"
                    value={own?.turns ?? 'any'}
                    choices={[
                      { value: 'any', label: 'any way' },
                      { value: 'quarters', label: 'square' },
                      { value: 'halves', label: 'with the grain' },
                    ]}
                    onChange={(turns) => setStock(foamId, nominalMm, { turns })}
                  />
                </td>
                <td className="w-28 pr-2">
                  <NumberField
                    label="A sheet weighs"
                    value={Math.round(sheetMassG(sheet))}
                    range={[1, 50000]}
                    suffix="g"
                    onChange={(sheetG) => setStock(foamId, nominalMm, { sheetG })}
                  />
                </td>
                <td className="w-28 pr-2">
                  <NumberField
                    label="Price a sheet"
                    value={sheet.price.value}
                    range={[0, 10000]}
                    suffix={brief.currency}
                    onChange={(pricePerSheet) => setStock(foamId, nominalMm, { pricePerSheet })}
                  />
                </td>
                <td className="w-36 pr-2">
                  <GrooveTest sheet={sheet} />
                </td>
                <td className="w-56">
                  <RingTest sheet={sheet} />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}

/** What was left of sheets, drawn small; one that is gone is taken off. */
function Offcuts({ offcuts, onDrop }: { offcuts: readonly Offcut[]; onDrop: (id: string) => void }) {
  if (offcuts.length === 0) return null;
  return (
    <ul className="mt-1 grid gap-1 text-[12px] font-normal" aria-label="Offcuts">
      {offcuts.map((o) => {
        const [w, h] = [Math.max(...o.outline.map((p) => p.x)), Math.max(...o.outline.map((p) => p.y))];
        const size = `${trimNumber(w, 0)} × ${trimNumber(h, 0)} mm`;
        return (
          <li key={o.id} className="flex items-center gap-2">
            <svg viewBox={`0 0 ${w} ${h}`} className="h-5 w-8" aria-hidden>
              <path
                d={[o.outline, ...(o.holes ?? [])]
                  .map((ring) => `M${ring.map((p) => `${p.x} ${h - p.y}`).join('L')}Z`)
                  .join('')}
                fillRule="evenodd"
                fill="var(--color-foam)"
              />
            </svg>
            offcut {size}
            {o.place && `, ${o.place}`}
            <button type="button" className="text-teal underline" onClick={() => onDrop(o.id)}>
              Used up<span className="sr-only">: offcut {size}</span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
