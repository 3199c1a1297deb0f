import { format } from 'date-fns';
import { useBuild } from '../store/build';
import { comparePin, unpin, useNotes } from '../store/notes';
import { useReport } from '../store/report';
import { toggle, useView } from '../store/view';
import { Sheet } from '../parts/Sheet';
import { CompareParts } from './CompareParts';
import { Revisions } from './Revisions';
import { difference, ledgerFigures, showFigure } from './totals';

/** Pins of the build, and the present figures beside those of the chosen one. */
export function Compare() {
  return useView((v) => v.compareOpen) ? <Pins /> : null;
}

function Pins() {
  const pins = useNotes((n) => n.pins);
  const pinned = useNotes((n) => n.pinned);
  const pinnedReport = useNotes((n) => n.pinnedReport);
  const report = useReport((s) => s.report);
  const totals = report?.totals;
  const doc = useBuild((s) => s.doc);
  const parts = report?.parts;
  const openings = parts?.flatMap((p) => {
    const then = pinnedReport?.parts.find((q) => q.id === p.id)?.clearances;
    return p.clearances.map(({ what, openingMm }) => ({
      name: `${p.name}, ${what}`,
      now: openingMm,
      then: then?.find((q) => q.what === what)?.openingMm,
    }));
  });
  return (
    <Sheet open onClose={() => toggle('compareOpen')} title="Compare with a pin" wide>
      <div className="grid grid-cols-[220px_1fr] gap-4">
        <div>
          {pins.length === 0 && <p className="text-soft">No pins yet. P pins the present state.</p>}
          <ul className="space-y-1">
            {pins.map((pin) => (
              <li
                key={pin.id}
                className={`border-l-4 p-1.5 ${pin.id === pinned?.id ? 'border-teal bg-wash' : 'border-hair'}`}
              >
                <button
                  type="button"
                  className="text-left font-medium text-teal"
                  aria-pressed={pin.id === pinned?.id}
                  onClick={() => comparePin(pin)}
                >
                  {pin.name}
                </button>
                <div className="text-[12px] text-soft">
                  {format(new Date(pin.pinnedAt), 'd MMM yyyy HH:mm')}
                </div>
                <div className="mt-1 flex gap-1">
                  <button type="button" className="btn" onClick={() => useBuild.setState({ doc: pin.doc })}>
                    Go back to it
                  </button>
                  <button type="button" className="btn" onClick={() => void unpin(pin)}>
                    Unpin
                  </button>
                </div>
              </li>
            ))}
          </ul>
          <Revisions />
        </div>
        <table className="w-full self-start text-right">
          <thead className="text-soft">
            <tr>
              <th className="text-left font-medium">figure</th>
              <th className="font-medium">{pinned?.name ?? 'pin'}</th>
              <th className="font-medium">now</th>
              <th className="font-medium">difference</th>
            </tr>
          </thead>
          <tbody>
            {ledgerFigures(doc.brief.currency).map((figure) => {
              const now = totals?.[figure.key] ?? null;
              const then = pinnedReport?.totals[figure.key] ?? null;
              return (
                <tr key={figure.key} className="border-t border-hair">
                  <th scope="row" className="py-1 text-left font-normal">
                    {figure.label}
                    <span className="unit">{figure.unit}</span>
                  </th>
                  <td>{showFigure(then, figure)}</td>
                  <td>{showFigure(now, figure)}</td>
                  <td className="font-medium text-teal">
                    {difference(now, then, figure.decimals, figure.scale) || '='}
                  </td>
                </tr>
              );
            })}
            {openings?.map(({ name, now, then }) => (
              <tr key={name} className="border-t border-hair">
                <th scope="row" className="py-1 text-left font-normal">
                  opening, {name}
                  <span className="unit">mm</span>
                </th>
                <td>{then?.toFixed(0) ?? '–'}</td>
                <td>{now.toFixed(0)}</td>
                <td className="font-medium text-teal">{difference(now, then, 0) || '='}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {report && pinnedReport && (
        <CompareParts now={report} then={pinnedReport} currency={doc.brief.currency} />
      )}
    </Sheet>
  );
}
