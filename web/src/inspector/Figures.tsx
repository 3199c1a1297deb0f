import { strainClassName } from '@fomrik/core/foam';
import type { PartReport } from '@fomrik/core/parts';
import { useState } from 'react';
import { difference } from '../app/totals';
import { Amount } from '../parts/Amount';
import { useLength } from '../parts/useLength';
import { useNotes } from '../store/notes';
import { useReport } from '../store/report';

interface Figure {
  label: string;
  text: string;
  change: string;
}

const unitText = { mm: ' mm', deg: ' °', g: ' g', '': '' };

/** Figures of a part, each with its difference from the pin; those that matter most come first. */
function useFigures(made: PartReport): Figure[] {
  const length = useLength();
  const then = useNotes((s) => s.pinnedReport)?.parts.find((p) => p.id === made.id);
  const circuit = useReport((s) => s.report?.circuits.find((c) => c.source?.partId === made.id));
  const before = useNotes((s) => s.pinnedReport)?.circuits.find((c) => c.id === circuit?.id);
  const mm = (label: string, value: number, was: number | undefined, decimals = 0): Figure => ({
    label,
    text: length(value, decimals),
    change: difference(value, was, decimals),
  });
  const passed = (what: string): number | undefined =>
    then?.clearances.find((p) => p.what === what)?.openingMm;
  return [
    {
      label: 'one copy',
      text: `${made.totalG.toFixed(0)} g`,
      change: difference(made.totalG, then?.totalG, 0),
    },
    ...(made.girthMm > 0 ? [mm('girth of the pattern', made.girthMm, then?.girthMm)] : []),
    ...(made.zone ? [mm('room inside', made.roomMm, then?.roomMm, 1)] : []),
    ...made.clearances.map(({ what, openingMm }) => mm(`opening for ${what}`, openingMm, passed(what))),
    ...made.figures.map((f) => ({
      label: f.label,
      text:
        f.unit === 'mm' ? length(f.value, f.decimals) : `${f.value.toFixed(f.decimals)}${unitText[f.unit]}`,
      change: difference(f.value, then?.figures.find((g) => g.key === f.key)?.value, f.decimals),
    })),
    ...(made.bent
      ? [
          {
            label: `bend: ${strainClassName[made.strainClass]}`,
            text: `${(made.bendStrain * 100).toFixed(0)} %`,
            change: difference(made.bendStrain, then?.bendStrain, 0, 100),
          },
        ]
      : []),
    mm(
      made.pieces.length === 0 ? 'longest' : `longest, packed ${made.packed.how}`,
      made.packed.sidesMm[0],
      then?.packed.sidesMm[0],
    ),
    ...(circuit?.run
      ? [
          {
            label: 'light',
            text: `${circuit.run.hours.toFixed(1)} h`,
            change: difference(circuit.run.hours, before?.run?.hours, 1),
          },
        ]
      : []),
  ];
}

const FIRST = 3;

/** What the selected part comes to: three figures, the rest one press away. */
export function Figures({ made }: { made: PartReport }) {
  const figures = useFigures(made);
  const [all, setAll] = useState(false);
  return (
    <>
      <dl className="grid grid-cols-3 gap-x-2 gap-y-1">
        {(all ? figures : figures.slice(0, FIRST)).map((f) => (
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
      {figures.length > FIRST && (
        <button type="button" className="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Fewer figures' : `All ${figures.length} figures`}
        </button>
      )}
    </>
  );
}
