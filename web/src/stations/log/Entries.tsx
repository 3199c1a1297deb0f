import type { LogEntry, Part } from '@fomrik/core/document';
import type { PartReport } from '@fomrik/core/parts';
import { byId, counted, findIn, trimNumber } from '@fomrik/core/units';
import { format } from 'date-fns';
import { Trash2 } from 'lucide-react';
import { memo, useState } from 'react';
import { eraseLog } from '../../store/notes';
import { Photo } from './Photo';
import { sorts } from './sorts';

interface EntriesProps {
  /** Oldest first. */
  log: readonly LogEntry[];
  parts: readonly Part[];
  made: readonly PartReport[];
}

/** So many of the newest are drawn at first, and with every press more. */
const MORE = 200;

/** What was written, drawn apart from what is being written, so that a letter there draws no line here anew. */
export const Entries = memo(function Entries({ log, parts, made }: EntriesProps) {
  const [shown, setShown] = useState(MORE);
  return (
    <>
      {log.length > shown && (
        <button type="button" className="btn justify-self-start" onClick={() => setShown(shown + MORE)}>
          Show {counted(Math.min(MORE, log.length - shown), 'older entry', 'older entries')} of{' '}
          {log.length - shown}
        </button>
      )}
      <table className="w-full">
        <thead className="text-left text-[12px] text-soft">
          <tr>
            {['when', 'about', 'planned', 'actual', 'difference', 'note', ''].map((h) => (
              <th key={h} className="px-1 font-medium">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {log.slice(-shown).map((e) => (
            <tr key={e.id} className="border-t border-hair align-top">
              <td className="whitespace-nowrap px-1 py-1.5 text-soft">
                {format(new Date(e.at), 'd MMM HH:mm')}
              </td>
              <td className="px-1 py-1.5">
                <span className="font-medium">{e.subject}</span>
                {(e.part ?? e.sort) && (
                  <span className="block text-[12.5px] text-soft">
                    {[
                      ...(e.sort ? [findIn(sorts, (s) => s.value === e.sort).label] : []),
                      ...(e.part ? [byId(parts, e.part)?.name ?? 'a part that is gone'] : []),
                    ].join(' · ')}
                  </span>
                )}
              </td>
              <td className="px-1 py-1.5">
                {e.planned === null ? '–' : `${trimNumber(e.planned, 1)} ${e.unit}`}
              </td>
              <td className="px-1 py-1.5">
                {e.actual === null ? '–' : `${trimNumber(e.actual, 1)} ${e.unit}`}
              </td>
              <td className="px-1 py-1.5 font-medium text-teal">
                {e.planned && e.actual !== null
                  ? `${e.actual >= e.planned ? '+' : '−'}${Math.abs(((e.actual - e.planned) / e.planned) * 100).toFixed(0)} %`
                  : ''}
              </td>
              <td className="px-1 py-1.5">
                {e.note}
                {e.photos && (
                  <span className="mt-1 flex flex-wrap gap-1">
                    {e.photos.map((content) => (
                      <Photo
                        key={content}
                        content={content}
                        about={`of ${e.subject}`}
                        made={byId(made, e.part)}
                      />
                    ))}
                  </span>
                )}
              </td>
              <td>
                <button
                  type="button"
                  className="btn btn-icon"
                  aria-label={`Erase: ${e.subject}`}
                  onClick={() => void eraseLog(e)}
                >
                  <Trash2 size={15} aria-hidden />
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
});
