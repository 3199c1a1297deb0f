import { buildTrial } from '@fomrik/core/build/buildTrial';
import { detailTrial } from '@fomrik/core/build/detailTrial';
import { catalogue } from '@fomrik/core/materials/catalogue';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';

const signed = (value: number, decimals: number): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(decimals)}`;

/** The thickness trial across the build: what every part would rather be, taken one by one or at once. */
export function WholeBuild() {
  const parts = useReport((s) => s.report!.parts);
  const worked = useReport((s) => s.doc!);
  const apply = useBuild((s) => s.apply);
  const currency = useBuild((s) => s.doc.brief.currency);
  const advice = buildTrial(parts);
  const details = detailTrial(worked, parts, catalogue);
  const count = advice.length + details.length;
  if ((parts.length < 2 && details.length === 0) || count === 0) return null;
  return (
    <section aria-label="Thickness across the build" className="mt-2 border-t border-hair pt-1">
      <div className="flex items-center justify-between">
        <h2 className="head">
          Across the build: {count} {count === 1 ? 'piece' : 'parts and details'} would rather be another
          thickness
        </h2>
        <button
          type="button"
          className="btn"
          onClick={() => apply([...advice, ...details].map((a) => a.change))}
        >
          Take all
        </button>
      </div>
      <ul className="text-[12.5px]">
        {advice.map((a) => (
          <li key={a.partId} className="flex items-center gap-2 border-t border-hair py-0.5">
            <button type="button" className="text-teal underline" onClick={() => apply([a.change])}>
              {a.name}: {a.fromMm} → {a.toMm} mm
            </button>
            <span>
              {signed(a.massG, 0)} g, {signed(a.cost, 2)} {currency}
            </span>
            <span className="text-soft">{a.reasons.join('; ')}</span>
          </li>
        ))}
        {details.map((d) => (
          <li
            key={`${d.partId}/${d.detailId}`}
            className="flex items-center gap-2 border-t border-hair py-0.5"
          >
            <button type="button" className="text-teal underline" onClick={() => apply([d.change])}>
              {d.name}: {d.fromMm} → {d.toMm} mm
            </button>
            <span className="text-soft">{d.reason}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
