import { differenceInCalendarDays, format, formatDistanceToNow } from 'date-fns';
import { Copy, Download, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { sidesWorn } from '@fomrik/core/body';
import { WearerOutline } from '../parts/WearerOutline';
import { api, type ApiError, type BuildSummary } from '../store/api';
import { ExportBuild } from './ExportBuild';

const plural = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;

/** How long there is until the event, in words. */
function daysLeft(eventDate: string): string {
  const days = differenceInCalendarDays(new Date(`${eventDate}T00:00`), new Date());
  if (days < 0) return `event ${plural(-days, 'day')} ago`;
  return days === 0 ? 'event today' : `${plural(days, 'day')} left`;
}

/** How far it is and what stands in its way, as far as it is known. */
function Standing({ build: { digest, parts } }: { build: BuildSummary }) {
  if (parts === 0) return <p className="text-[13px] text-soft">nothing begun</p>;
  if (!digest) return <p className="text-[13px] text-soft">being worked out…</p>;
  const share = digest.steps === 0 ? 0 : digest.done / digest.steps;
  return (
    <div className="text-[13px]">
      <p className={digest.stops > 0 ? 'font-medium text-stop' : 'text-soft'}>
        {digest.stops > 0 ? `${plural(digest.stops, 'stop')} open` : 'no stop open'}
      </p>
      <p className="text-soft">
        {digest.done} of {digest.steps} steps done
      </p>
      <svg viewBox="0 0 100 4" preserveAspectRatio="none" className="mt-0.5 h-1 w-full" aria-hidden>
        <rect width={100} height={4} fill="var(--color-hair)" />
        <rect width={100 * share} height={4} fill="var(--color-teal)" />
      </svg>
    </div>
  );
}

/** What it has cost so far and may cost, and what is still to be bought. */
function Money({ build: { money, digest } }: { build: BuildSummary }) {
  if (!money) return null;
  const { budget, currency, spent, other } = money;
  const left = digest?.cost;
  // What was bought may still be on the list: the two are not added up.
  const over = Math.max(spent, left ?? 0) > budget;
  return (
    <p className="text-[13px] text-soft">
      {spent.toFixed(2)} of {budget.toFixed(0)} {currency} spent
      {other > 0 && ` and ${plural(other, 'receipt')} in other currencies`}
      {left !== undefined && `, ${left.toFixed(2)} to buy by the plan`}
      {left !== undefined && over && <strong className="text-stop">, over budget</strong>}
    </p>
  );
}

/** One build of the shelf: what of it is worn and where, for whom, until when, how far. */
export function BuildRow({ build, onChanged }: { build: BuildSummary; onChanged: () => void }) {
  const tell = (error: unknown): void => void toast.error((error as ApiError).message);
  const [exporting, setExporting] = useState(false);
  const duplicate = (): void => void api.duplicate(build.id).then(onChanged, tell);
  const remove = async (): Promise<void> => {
    try {
      await api.remove(build.id);
      onChanged();
      toast(`“${build.name}” deleted.`, {
        duration: 12000,
        action: { label: 'Undo', onClick: () => void api.restore(build.id).then(onChanged, tell) },
      });
    } catch (error) {
      tell(error);
    }
  };
  return (
    <article className="flex items-center gap-4 border-t border-hair py-2">
      <div className="grid h-24 w-20 shrink-0 place-items-center">
        {build.digest?.picture ? (
          <img src={build.digest.picture} alt="" className="max-h-24 max-w-20" />
        ) : (
          <WearerOutline
            zones={build.worn.map(({ zone, side }) => ({
              zone,
              sides: sidesWorn(side),
              here: false,
            }))}
          />
        )}
      </div>
      <div className="min-w-0 flex-1">
        {build.broken ? (
          <>
            <h2 className="font-tight text-[18px] font-semibold">{build.name}</h2>
            <p className="text-stop">
              Cannot be opened: {build.broken}. Export what is stored, or delete it.
            </p>
          </>
        ) : (
          <>
            <Link to={`/build/${build.id}/shape`} className="font-tight text-[18px] font-semibold text-teal">
              {build.name}
            </Link>
            <p className="text-[13px] text-soft">
              for {build.wearer} · {plural(build.parts, 'part')} ·{' '}
              {format(new Date(`${build.eventDate}T00:00`), 'd MMM yyyy')}, {daysLeft(build.eventDate)}
            </p>
            <Money build={build} />
            <p className="text-[13px] text-soft">
              changed {formatDistanceToNow(new Date(build.updatedAt), { addSuffix: true })}
            </p>
          </>
        )}
      </div>
      {!build.broken && (
        <div className="w-40 shrink-0 max-[900px]:w-28">
          <Standing build={build} />
        </div>
      )}
      <div className="flex shrink-0 gap-1">
        {!build.broken && (
          <button type="button" className="btn" onClick={duplicate}>
            <Copy size={15} aria-hidden /> Duplicate
          </button>
        )}
        {build.broken ? (
          <a className="btn" href={api.rawUrl(build.id)} download>
            <Download size={15} aria-hidden /> Export
          </a>
        ) : (
          <button type="button" className="btn" onClick={() => setExporting(true)}>
            <Download size={15} aria-hidden /> Export
          </button>
        )}
        {exporting && <ExportBuild build={build} onClose={() => setExporting(false)} />}
        <button
          type="button"
          className="btn btn-icon"
          aria-label={`Delete ${build.name}`}
          title="Delete (undo brings it back)"
          onClick={() => void remove()}
        >
          <Trash2 size={16} aria-hidden />
        </button>
      </div>
    </article>
  );
}
