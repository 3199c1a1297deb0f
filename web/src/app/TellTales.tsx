import { findIn } from '@fomrik/core/units';
import type { Finding } from '@fomrik/core/document';
import type { Severity, Station } from '@fomrik/core/document';
import { strainClassName } from '@fomrik/core/foam';
import { FindingCard, findingMark } from '../parts/FindingCard';
import { Amount } from '../parts/Amount';
import { useLength } from '../parts/useLength';
import { usePart } from '../parts/usePart';
import { useBuild } from '../store/build';
import { useNotes } from '../store/notes';
import { useReport } from '../store/report';
import { useBehind } from '../store/useBehind';
import { useView } from '../store/view';
import { difference } from './totals';
import { stations } from './stations';
import { Said } from '../parts/Said';

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
  const circuit = useReport.getState().report?.circuits.find((c) => c.source?.partId === made.id);
  const before = pinned?.circuits.find((c) => c.id === circuit?.id);
  const figures: Figure[] = [
    {
      label: 'one copy',
      text: `${made.totalG.toFixed(0)} g`,
      change: difference(made.totalG, then?.totalG, 0),
    },
    ...(made.girthMm > 0
      ? [
          {
            label: 'girth of the pattern',
            text: length(made.girthMm, 0),
            change: difference(made.girthMm, then?.girthMm, 0),
          },
        ]
      : []),
    ...(made.zone
      ? [
          {
            label: 'room inside',
            text: length(made.roomMm),
            change: difference(made.roomMm, then?.roomMm, 1),
          },
        ]
      : []),
  ];
  if (made.bent)
    figures.push({
      label: `bend: ${strainClassName[made.strainClass]}`,
      text: `${(made.bendStrain * 100).toFixed(0)} %`,
      change: difference(made.bendStrain, then?.bendStrain, 0, 100),
    });
  figures.push({
    label: made.pieces.length === 0 ? 'longest' : `longest, packed ${made.packed.how}`,
    text: length(made.packed.sidesMm[0], 0),
    change: difference(made.packed.sidesMm[0], then?.packed.sidesMm[0], 0),
  });
  for (const { what, openingMm } of made.clearances)
    figures.push({
      label: `opening for ${what}`,
      text: length(openingMm, 0),
      change: difference(openingMm, then?.clearances.find((p) => p.what === what)?.openingMm, 0),
    });
  for (const f of made.figures)
    figures.push({
      label: f.label,
      text: f.unit === 'mm' ? length(f.value, f.decimals) : `${f.value.toFixed(f.decimals)}${unit[f.unit]}`,
      change: difference(f.value, then?.figures.find((g) => g.key === f.key)?.value, f.decimals),
    });
  if (circuit?.run)
    figures.push({
      label: 'light',
      text: `${circuit.run.hours.toFixed(1)} h`,
      change: difference(circuit.run.hours, before?.run?.hours, 1),
    });
  return figures;
}

const grave: Record<Severity, number> = { stop: 0, mind: 1, note: 2 };

/** Stations where a part is chosen: elsewhere its figures would be read as the build's. */
const ofPart: readonly Station[] = ['body', 'shape', 'inside', 'cut'];

/** A finding in one line that opens. */
function Folded({ finding, where }: { finding: Finding; where: string }) {
  const { icon: Icon, word, tone } = findingMark[finding.severity];
  return (
    <details className="border-t border-hair">
      <summary className="flex cursor-pointer items-baseline gap-1.5 py-1 text-[13px]">
        <Icon aria-hidden size={13} className={`shrink-0 self-center ${tone}`} />
        <span className="sr-only">{word}:</span>
        <span className="line-clamp-1 flex-1">
          <Said words={finding.title} />
        </span>
        <span className="shrink-0 text-[11.5px] text-soft">{where}</span>
      </summary>
      <FindingCard finding={finding} />
    </details>
  );
}

/** Right of the bench: figures, then what Fomrik noticed, this station's first. */
export function TellTales({ station }: { station: Station }) {
  const findings = useReport((s) => s.report?.findings) ?? [];
  const open = useView((v) => v.talesOpen);
  const failed = useReport((s) => s.error !== '');
  const old = useBehind() > 0 || failed;
  const figures = useFigures();
  const aside = useBuild((s) => s.doc.setAside);
  const isAside = (f: Finding): boolean => aside?.[f.id]?.title === f.title;
  const chosen = usePart().part?.id;
  // The chosen part's findings come before those of others as grave.
  const own = (f: Finding): number => (f.partId === chosen ? 0 : 1);
  const here = findings
    .filter((f) => f.station === station && !isAside(f))
    .sort((a, b) => grave[a.severity] - grave[b.severity] || own(a) - own(b));
  const elsewhere = findings.filter((f) => f.station !== station && !isAside(f));
  const understood = findings.filter(isAside);
  return (
    <aside
      aria-label="Findings"
      className={`min-h-0 overflow-auto border-l border-hair bg-paper p-2.5 max-[1000px]:absolute max-[1000px]:inset-y-0 max-[1000px]:right-0 max-[1000px]:z-30 max-[1000px]:w-80 max-[1000px]:border-ink ${open ? '' : 'max-[1000px]:hidden'}`}
      tabIndex={-1}
    >
      {ofPart.includes(station) && figures.length > 0 && (
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
        {old
          ? 'From before the last change'
          : here.length > 0
            ? `Noticed here (${here.length})`
            : 'No problems here'}
      </h2>
      {here.map((f) => (
        <FindingCard key={f.id} finding={f} />
      ))}
      {elsewhere.length > 0 && <h2 className="head mt-4">At other stations ({elsewhere.length})</h2>}
      {elsewhere.map((f) => (
        <Folded key={f.id} finding={f} where={findIn(stations, (s) => s.key === f.station).label} />
      ))}
      {understood.length > 0 && <h2 className="head mt-4">Dismissed ({understood.length})</h2>}
      {understood.map((f) => (
        <Folded key={f.id} finding={f} where={aside![f.id]!.reason || 'understood'} />
      ))}
    </aside>
  );
}
