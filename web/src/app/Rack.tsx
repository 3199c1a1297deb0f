import { byId, counted, firstOf } from '@fomrik/core/units';
import type { Part } from '@fomrik/core/document';
import { nested, type PartReport, sidesOf } from '@fomrik/core/parts';
import { BookPlus, Copy, Trash2 } from 'lucide-react';
import { memo } from 'react';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { fold, isFolded } from '../store/folded';
import { useShownParts } from '../store/version';
import { selectPart, selectPartToo, useSelected } from '../store/selection';
import { useView } from '../store/view';
import { PartPicture } from '../parts/PartPicture';
import { useMade } from '../parts/useMade';
import { LongList } from '../parts/LongList';
import { WearerOutline } from '../parts/WearerOutline';
import { AddPart } from './AddPart';
import { keepPart } from './keptParts';
import { copyPart, removePart } from './partActions';
import { VersionChoice } from './VersionChoice';
import { Said } from '../parts/Said';

/** What it is made of, in a word. */
function sheetWords(part: Part, report: PartReport | undefined): string {
  if (part.reused) return 'there already';
  if (part.printed) return 'printed';
  if (report && report.pieces.length === 0) return report.sticks[0]?.name ?? 'nothing cut';
  if (part.stack.length > 1)
    return `${counted(part.stack.length, 'layer')}, ${part.stack.reduce((sum, p) => sum + p.nominalMm, 0)} mm`;
  return `${firstOf(part.stack).nominalMm} mm`;
}

/** Left: the build's parts hung on an outline of the wearer. */
export function Rack() {
  const docParts = useShownParts();
  const folded = useView((v) => v.folded);
  const all = nested(docParts);
  const shown = all.filter(({ part }) => !isFolded(part.id, docParts, folded));
  const wearer = useBuild((s) => s.doc.wearer.name);
  const made = useReport((s) => s.report?.parts);
  const chosen = useSelected((s) => s.partId) || docParts[0]?.id;
  const worn =
    made?.flatMap((m) =>
      m.mount.to === 'wearer' ? [{ zone: m.mount.zone, sides: sidesOf(m), here: m.id === chosen }] : [],
    ) ?? [];
  const also = useSelected((s) => s.alsoPartIds);
  const current = byId(docParts, chosen) ?? docParts[0];
  return (
    <nav aria-label="Rack" className="flex min-h-0 flex-col overflow-auto border-r border-hair bg-paper p-2">
      <WearerOutline zones={worn} />
      <p className="mb-1 truncate text-center text-[12px] text-soft">{wearer}</p>
      <VersionChoice />
      <LongList items={shown} keyOf={(n) => n.part.id} rowPx={104} className="space-y-1">
        {({ part, deep, under }) => (
          <RackLine
            part={part}
            deep={deep}
            under={under}
            shut={folded.includes(part.id)}
            here={part.id === current?.id}
            also={also.includes(part.id)}
            small={docParts.length > 3}
          />
        )}
      </LongList>
      {docParts.length === 0 && (
        <p className="my-2 text-[13px] text-soft">No parts yet. Add the first one.</p>
      )}
      <div className="mt-2 grid grid-cols-3 justify-items-center gap-y-1 [&>:first-child]:col-span-3 [&>:first-child]:justify-self-start">
        <AddPart />
        {current && <PartTools id={current.id} name={current.name} />}
      </div>
    </nav>
  );
}

interface RackLineProps {
  part: Part;
  deep: number;
  /** Parts mounted on it, and whether they are folded away. */
  under: number;
  shut: boolean;
  here: boolean;
  also: boolean;
  small: boolean;
}

/** One part on the rack. */
const RackLine = memo(function RackLine({ part, deep, under, shut, here, also, small }: RackLineProps) {
  const report = useMade(part.id);
  const letter = useReport((s) => s.report?.letters[part.id]);
  return (
    <div className="relative" style={{ paddingLeft: Math.min(deep, 4) * 12 }}>
      {under > 0 && (
        <button
          type="button"
          className="absolute right-0 top-0 z-10 px-1 text-[12px] text-teal"
          aria-expanded={!shut}
          aria-label={`${shut ? 'Unfold' : 'Fold'} what is mounted on ${part.name}`}
          onClick={() => fold(part.id)}
        >
          {shut ? `+${under}` : '–'}
        </button>
      )}
      <button
        type="button"
        aria-pressed={here || also}
        onClick={(e) => (e.ctrlKey || e.metaKey || e.shiftKey ? selectPartToo(part.id) : selectPart(part.id))}
        className={`w-full border-l-4 px-1 py-1.5 text-left ${here ? 'border-teal bg-wash' : also ? 'border-teal' : 'border-transparent'}`}
      >
        {report && <PartPicture made={report} small={small} />}
        <span className="block truncate font-medium">{part.name}</span>
        <span className="block text-[12px] text-soft">
          {letter && `${letter} · `}
          <Said words={sheetWords(part, report)} /> · {report ? `${report.totalG.toFixed(0)} g` : '…'}
          {report?.copies === 2 && ' · pair'}
        </span>
      </button>
    </div>
  );
});

/** What is done with the chosen part as a whole. */
function PartTools({ id, name }: { id: string; name: string }) {
  return (
    <>
      <button
        type="button"
        className="btn btn-icon"
        aria-label={`Copy ${name}`}
        title="Copy the part"
        onClick={() => copyPart(id)}
      >
        <Copy size={16} aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-icon"
        aria-label={`Keep ${name} in the shop’s book`}
        title="Keep the part in the shop’s book, for other builds"
        onClick={() => void keepPart(id)}
      >
        <BookPlus size={16} aria-hidden />
      </button>
      <button
        type="button"
        className="btn btn-icon"
        aria-label={`Remove ${name}`}
        title="Remove the part (undo brings it back)"
        onClick={() => removePart(id)}
      >
        <Trash2 size={16} aria-hidden />
      </button>
    </>
  );
}
