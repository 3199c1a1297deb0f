import { useBuild } from '../../store/build';
import { applyShown } from '../../store/version';
import { useReport } from '../../store/report';

const signed = (value: number, decimals: number): string =>
  `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(decimals)}`;

/** The thickness trial across the build: what every part would rather be, taken one by one or at once. */
export function WholeBuild() {
  const advice = useReport((s) => s.report!.advice);
  const count = useReport((s) => s.report!.parts.length);
  const currency = useBuild((s) => s.doc.brief.currency);
  if (advice.length === 0 || (count < 2 && advice.every((a) => a.id === a.partId)))
    return (
      <p className="py-1 text-[13px] text-soft">No part or detail would be better in another thickness.</p>
    );
  return (
    <section aria-label="Thickness across the build" className="mt-2 border-t border-hair pt-1">
      <div className="flex items-center justify-between">
        <h2 className="head">
          Across the build: {advice.length} {advice.length === 1 ? 'part or detail' : 'parts and details'}{' '}
          would be better in another thickness
        </h2>
        <button type="button" className="btn" onClick={() => applyShown(advice.map((a) => a.change))}>
          Take all
        </button>
      </div>
      <ul className="text-[12.5px]">
        {advice.map((a) => (
          <li key={a.id} className="flex items-center gap-2 border-t border-hair py-0.5">
            <button
              type="button"
              className="min-h-6 text-teal underline"
              onClick={() => applyShown([a.change])}
            >
              {a.name}: {a.fromMm} → {a.toMm} mm
            </button>
            <span>
              {signed(a.massG, 0)} g, {signed(a.cost, 2)} {currency}
            </span>
            <span className="text-soft">{a.reasons.join('; ')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
