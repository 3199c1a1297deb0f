import type { Finding } from '@fomrik/core/document';
import type { Severity } from '@fomrik/core/document';
import { provenanceLabel } from '@fomrik/core/units';
import { Circle, OctagonX, TriangleAlert } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { Said } from './Said';
import { useBuild } from '../store/build';
import { applyShown } from '../store/version';

export const findingMark: Record<Severity, { icon: typeof Circle; word: string; tone: string }> = {
  stop: { icon: OctagonX, word: 'Stop', tone: 'text-stop' },
  mind: { icon: TriangleAlert, word: 'Warning', tone: 'text-ink' },
  note: { icon: Circle, word: 'Note', tone: 'text-soft' },
};

/** Sets a finding aside with a reason, or takes it back; it comes back by itself when its numbers change. */
function SettingAside({ finding: { id, title } }: { finding: Finding }) {
  const aside = useBuild((s) => s.doc.setAside?.[id]?.title === title);
  const update = useBuild((s) => s.update);
  const [reason, setReason] = useState<string>();
  const settle = (event: FormEvent): void => {
    event.preventDefault();
    update((d) => void (d.setAside = { ...d.setAside, [id]: { title, reason: reason!.trim() } }));
    setReason(undefined);
  };
  if (aside)
    return (
      <button type="button" className="quiet" onClick={() => update((d) => void delete d.setAside![id])}>
        Show again
      </button>
    );
  if (reason === undefined)
    return (
      <button type="button" className="quiet" onClick={() => setReason('')}>
        Dismiss
      </button>
    );
  return (
    <form className="flex w-full gap-1.5" onSubmit={settle}>
      <input
        className="box flex-1"
        aria-label="Reason to dismiss it"
        placeholder="Reason to dismiss it"
        maxLength={500}
        autoFocus
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && setReason(undefined)}
      />
      <button type="submit" className="btn">
        Dismiss
      </button>
    </form>
  );
}

/** One finding with its numbers, reason and cures. Enter on the card applies the first cure. */
export function FindingCard({ finding }: { finding: Finding }) {
  const { icon: Icon, word, tone } = findingMark[finding.severity];
  const remedies = finding.remedies.filter((r) => r.changes.length > 0);
  return (
    <article
      tabIndex={0}
      aria-label={`${word}: ${finding.title}`}
      data-rule={finding.id.split(':')[0]}
      className="border-t border-hair py-2 pl-6 pr-2 relative"
      onKeyDown={(e) => {
        if (e.key === 'Enter' && e.target === e.currentTarget && remedies[0]) applyShown(remedies[0].changes);
      }}
    >
      <Icon aria-hidden size={16} className={`absolute left-1 top-2.5 ${tone}`} />
      <p className="font-medium leading-snug">
        <span className={`mr-1 text-[12px] font-semibold ${tone}`}>{word}</span>
        <Said words={finding.title} />
      </p>
      <p className="mt-0.5 text-[12.5px] leading-snug text-soft">
        <Said words={finding.why} /> <span className="italic">({provenanceLabel[finding.provenance]})</span>
      </p>
      <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
        {remedies.map((remedy) => (
          <button key={remedy.label} type="button" className="btn" onClick={() => applyShown(remedy.changes)}>
            <Said words={remedy.label} />
          </button>
        ))}
        <SettingAside finding={finding} />
      </div>
    </article>
  );
}
