import type { Finding, Severity, Station } from '@fomrik/core/findings/finding';
import { strainClassName } from '@fomrik/core/foam/bend';
import { FindingCard } from '../parts/FindingCard';
import { Amount } from '../parts/Amount';
import { useLength } from '../parts/useLength';
import { usePart } from '../parts/usePart';
import { useNotes } from '../store/notes';
import { useReport } from '../store/report';
import { difference } from './totals';
import { stations } from './stations';

interface Figure {
  label: string;
  text: string;
  change: string;
}

/** Figures of the chosen part, each with its difference from the pin. */
function useFigures(): Figure[] {
  const { made } = usePart();
  const length = useLength();
  const pinned = useNotes((s) => s.pinnedReport);
  if (!made) return [];
  const then = pinned?.parts.find((p) => p.id === made.id);
  const unit = { mm: ' mm', deg: ' °', g: ' g', '': '' };
  const fit = made.fit;
  const figures: Figure[] = [
    {
      label: 'one copy',
      text: `${made.totalG.toFixed(0)} g`,
      change: difference(made.totalG, then?.totalG, 0),
    },
    {
      label: fit ? 'pattern girth' : 'longest edge',
      text: length(made.patternGirthMm, 0),
      change: difference(made.patternGirthMm, then?.patternGirthMm, 0),
    },
    { label: 'room inside', text: length(made.roomMm), change: difference(made.roomMm, then?.roomMm, 1) },
    {
      label: `bend: ${strainClassName[made.strainClass]}`,
      text: `${(made.bendStrain * 100).toFixed(0)} %`,
      change: difference(made.bendStrain, then?.bendStrain, 0, 100),
    },
  ];
  if (fit) {
    figures.push(
      {
        label: 'opening',
        text: length(fit.openingMm, 0),
        change: difference(fit.openingMm, then?.fit?.openingMm, 0),
      },
      {
        label: 'elbow bends',
        text: `${fit.flexionDeg.toFixed(0)} °`,
        change: difference(fit.flexionDeg, then?.fit?.flexionDeg, 0),
      },
    );
  }
  made.figures.forEach((f, i) =>
    figures.push({
      label: f.label,
      text: f.unit === 'mm' ? length(f.value, f.decimals) : `${f.value.toFixed(f.decimals)}${unit[f.unit]}`,
      change: difference(f.value, then?.figures[i]?.value, f.decimals),
    }),
  );
  if (made.inside?.run)
    figures.push({
      label: 'light',
      text: `${made.inside.run.hours.toFixed(1)} h`,
      change: difference(made.inside.run.hours, then?.inside?.run?.hours, 1),
    });
  return figures;
}

const grave: Record<Severity, number> = { stop: 0, mind: 1, note: 2 };

/** Right of the bench: figures, then what Fomrik noticed, this station's first. */
export function TellTales({ station }: { station: Station }) {
  const findings = useReport((s) => s.report?.findings) ?? [];
  const figures = useFigures();
  const chosen = usePart().part?.id;
  // The chosen part's findings come before those of others as grave.
  const own = (f: Finding): number => (f.partId === chosen ? 0 : 1);
  const here = findings
    .filter((f) => f.station === station)
    .sort((a, b) => grave[a.severity] - grave[b.severity] || own(a) - own(b));
  const elsewhere = findings.filter((f) => f.station !== station);
  return (
    <aside
      aria-label="Tell-tales"
      className="min-h-0 overflow-auto border-l border-hair bg-paper p-2.5"
      tabIndex={-1}
    >
      {figures.length > 0 && (
        <dl className="mb-3 grid grid-cols-2 gap-x-3 gap-y-1.5">
          {figures.map((f) => (
            <div key={f.label} className="leading-tight">
              <dd>
                <span className="text-[16px] font-semibold">
                  <Amount text={f.text} />
                </span>
                {f.change && <span className="ml-1 text-[12px] font-medium text-teal">{f.change}</span>}
              </dd>
              <dt className="text-[11.5px] text-soft">{f.label}</dt>
            </div>
          ))}
        </dl>
      )}
      <h2 className="head">
        {here.length > 0 ? `Noticed here (${here.length})` : 'Nothing to mind at this station'}
      </h2>
      {here.map((f) => (
        <FindingCard key={f.id} finding={f} />
      ))}
      {elsewhere.length > 0 && <h2 className="head mt-4">At other stations ({elsewhere.length})</h2>}
      {elsewhere.map((f) => (
        <div key={f.id}>
          <p className="mt-1 text-[11.5px] text-soft">{stations.find((s) => s.key === f.station)!.label}</p>
          <FindingCard finding={f} />
        </div>
      ))}
    </aside>
  );
}
