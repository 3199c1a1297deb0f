import { counted } from '@fomrik/core/units';
import { Pin as PinIcon } from 'lucide-react';
import { useBuild } from '../store/build';
import { pinNow, useNotes } from '../store/notes';
import { useReport } from '../store/report';
import { useIsBehind } from '../store/useBehind';
import { useShownParts } from '../store/version';
import { toggle, useView } from '../store/view';
import { difference, ledgerFigures, showFigure } from './totals';

/** The figures of the whole build, always visible, with their difference from the pin. */
export function Ledger() {
  const totals = useReport((s) => s.report?.totals);
  const currency = useBuild((s) => s.doc.brief.currency);
  const pinned = useNotes((s) => s.pinnedReport?.totals);
  const pin = useNotes((s) => s.pinned);
  const parts = useReport((s) => s.report?.parts.length ?? 0);
  const left = useReport((s) => s.report?.coarse.length ?? 0);
  const noticed = useReport((s) => s.report?.findings.length ?? 0);
  const open = useView((v) => v.inspectorOpen);
  const all = useShownParts().length;
  const failed = useReport((s) => s.error !== '' && s.report !== undefined);
  const old = useIsBehind() || failed;
  return (
    <footer
      className="flex min-h-12 flex-wrap items-center gap-5 border-t border-ink bg-paper px-3 max-[1200px]:gap-3"
      aria-label="Ledger"
    >
      {ledgerFigures(currency).map((figure) => {
        const value = totals?.[figure.key] ?? null;
        const change = difference(value, pinned?.[figure.key], figure.decimals, figure.scale);
        return (
          <div key={figure.key} data-figure={figure.key} className="leading-tight">
            <span className="text-[17px] font-semibold">{showFigure(value, figure)}</span>
            <span className="unit">{figure.unit}</span>
            {change && <span className="ml-1 text-[12.5px] font-medium text-teal">{change}</span>}
            <div className="text-[11.5px] text-soft">{figure.label}</div>
          </div>
        );
      })}
      {old && (
        <p role="status" className="text-[12px] font-semibold text-stop">
          figures from before the last change
        </p>
      )}
      {parts > 0 && (left > 1 || parts < all) && (
        <p role="status" className="text-[12px] text-soft">
          {parts < all
            ? `figures of the first ${parts} of ${counted(all, 'part')}`
            : `${parts - left} of ${counted(parts, 'part')} worked out in full`}
        </p>
      )}
      <div className="ml-auto flex items-center gap-2">
        <button
          type="button"
          className="btn hidden max-[1099px]:inline-flex"
          aria-pressed={open}
          title="Values and findings of what is selected (I)"
          onClick={() => toggle('inspectorOpen')}
        >
          Inspector ({noticed})
        </button>
        {pin && (
          <span className="max-w-40 truncate text-[12px] text-soft">differences from “{pin.name}”</span>
        )}
        <button type="button" className="btn" onClick={() => void pinNow()} title="Pin the present state (P)">
          <PinIcon size={15} aria-hidden /> Pin
        </button>
        <button type="button" className="btn" onClick={() => toggle('compareOpen')} title="Compare (Shift+P)">
          Compare
        </button>
      </div>
    </footer>
  );
}
