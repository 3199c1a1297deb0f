import type { Finding } from '@fomrik/core/document';
import type { Severity } from '@fomrik/core/document';
import { provenanceLabel } from '@fomrik/core/units';
import { Circle, OctagonX, TriangleAlert } from 'lucide-react';
import { type FormEvent, memo, useState } from 'react';
import { Said } from './Said';
import { useBuild } from '../store/build';
import { selectPart } from '../store/selection';
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

/** One finding: what it says and what mends it; why, and from what, on a press. Enter on it applies the first remedy. */
export const FindingCard = memo(function FindingCard({
  finding,
  where,
}: {
  finding: Finding;
  where?: string;
}) {
  const { icon: Icon, word, tone } = findingMark[finding.severity];
  const remedies = finding.remedies.filter((r) => r.changes.length > 0);
  const [open, setOpen] = useState(false);
  const find = (): void => {
    if (finding.partId) selectPart(finding.partId);
  };
  return (
    <article
      tabIndex={0}
      aria-label={`${word}: ${finding.title}`}
      data-rule={finding.id.split(':')[0]}
      className="relative border-t border-hair py-1 pl-6"
      onKeyDown={(e) => {
        if (e.key === 'Enter' && e.target === e.currentTarget && remedies[0]) applyShown(remedies[0].changes);
      }}
    >
      <Icon aria-hidden size={15} className={`absolute left-1 top-2 ${tone}`} />
      <button
        type="button"
        className="block w-full text-left leading-snug"
        aria-expanded={open}
        title={open ? 'Fold the reason' : 'Show the reason'}
        onClick={() => {
          setOpen(!open);
          find();
        }}
      >
        <span className={`mr-1 text-[12px] font-semibold ${tone}`}>{word}</span>
        <span className="text-[13.5px] font-medium">
          <Said words={finding.title} />
        </span>
        {where && <span className="ml-1 text-[12px] text-soft">· {where}</span>}
      </button>
      {open && (
        <p className="mt-0.5 text-[12.5px] leading-snug text-soft">
          <Said words={finding.why} /> <span className="italic">({provenanceLabel[finding.provenance]})</span>
        </p>
      )}
      <div className="mt-0.5 flex flex-wrap items-center gap-1">
        {remedies.map((remedy) => (
          <button
            key={remedy.label}
            type="button"
            className="btn min-h-7 px-2 text-[13px]"
            onClick={() => applyShown(remedy.changes)}
          >
            <Said words={remedy.label} />
          </button>
        ))}
        <SettingAside finding={finding} />
      </div>
    </article>
  );
});
