import { foamSheet } from '@fomrik/core/materials';
import { GrooveTest, RingTest } from '../../parts/FoamTests';
import { useCatalogue } from '../../store/catalogue';
import { useBuild } from '../../store/build';

/** Ring and groove tested on an offcut of the very sheet before it is cut: the pattern and its folds follow. */
export function FoamReading({ partId }: { partId: string | undefined }) {
  const parts = useBuild((s) => s.doc.parts);
  const stock = useBuild((s) => s.doc.stock);
  const catalogue = useCatalogue();
  const plies = parts.filter((p) => partId === undefined || p.id === partId).flatMap((p) => p.stack);
  const keys = [...new Set(plies.map((p) => `${p.foamId}/${p.nominalMm}`))];
  return (
    <div className="mt-4 grid gap-3">
      {keys.map((key) => {
        const [foamId, mm] = key.split('/') as [string, string];
        const sheet = foamSheet(catalogue.foams, stock, foamId, Number(mm));
        return (
          <div key={key} role="group" aria-label={`Reading: ${sheet.name}`} className="max-w-xl">
            <p className="label">{sheet.name}, tested on an offcut of it</p>
            <div className="grid grid-cols-[10rem_1fr] gap-3">
              <GrooveTest sheet={sheet} />
              <RingTest sheet={sheet} />
            </div>
          </div>
        );
      })}
    </div>
  );
}
