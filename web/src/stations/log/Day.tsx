import { eventCard } from '@fomrik/core/files/eventCard';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { exportOf } from '@fomrik/core/files/exports';
import { DownloadButton } from '../cut/Downloads';

/** The card for the day, readable on a telephone; the same on one printed page. */
export function Day() {
  const doc = useBuild((s) => s.doc);
  const report = useReport((s) => s.report)!;
  if (report.parts.length === 0)
    return <p className="text-soft">There is nothing to put on yet. Parts are chosen under Shape.</p>;
  return (
    <article className="max-w-xl" aria-label="Card for the day">
      <DownloadButton file={exportOf('event-card.pdf')} />
      {eventCard(doc, report).map(({ title, lines }) => (
        <section key={title} className="mt-3">
          <h2 className="head">{title}</h2>
          {lines.map((line) => (
            <p key={line} className="mt-1 text-[16px] leading-snug">
              {line}
            </p>
          ))}
        </section>
      ))}
    </article>
  );
}
