import { type FoldedPiece, spanOf } from '@fomrik/core/folding';
import type { Step } from '@fomrik/core/plan';
import type { PartReport } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { useEffect, useMemo, useState } from 'react';
import { FoldBar } from '../../parts/FoldBar';
import { LazySolid } from '../../parts/LazySolid';
import { useWorked } from '../../parts/useWorked';
import { useBuild } from '../../store/build';
import { askFolding, useReport } from '../../store/report';
import { setApart, setFold, useView } from '../../store/view';

/** How a step goes together: its part on its way, played over what the step does. */
export function StepFold({ step }: { step: Step }) {
  const made = useReport((s) => byId(s.report?.parts ?? [], step.partId));
  const [open, setOpen] = useState(false);
  const asked = open ? step.partId : undefined;
  const worked = useWorked(asked ? () => askFolding(asked) : undefined, [asked, made]);
  useEffect(() => setOpen(false), [step.id]);
  const span = useMemo(() => worked.value && spanOf(worked.value, step), [worked.value, step]);
  useEffect(() => {
    if (!open || !span) return;
    setApart(0);
    setFold(span[0]);
  }, [open, span]);
  if (!made || !playable.has(step.about)) return null;
  return (
    <section className="mt-2 max-w-3xl" aria-label="How it goes together">
      <button type="button" className="btn" aria-expanded={open} onClick={() => setOpen(!open)}>
        See it go together
      </button>
      {open && worked.value && !span && <p className="text-soft">This step moves nothing that is drawn.</p>}
      {open && worked.value && span && <Played made={made} pieces={worked.value} span={span} />}
    </section>
  );
}

/** Steps that something is seen to move in. */
const playable = new Set<Step['about']>([
  'folds',
  'darts',
  'bends',
  'seams',
  'attached',
  'laid',
  'details',
  'items',
  'mount',
  'wires',
]);

function Played({
  made,
  pieces,
  span,
}: {
  made: PartReport;
  pieces: readonly FoldedPiece[];
  span: readonly [number, number];
}) {
  const body = useReport((s) => s.report!.body);
  const scheme = useBuild((s) => byId(s.doc.parts, made.id)?.scheme);
  const share = useView((v) => v.foldShare);
  const apart = useView((v) => v.apartShare);
  const folding = useMemo(() => ({ pieces, share, apart }), [pieces, share, apart]);
  const finished = useMemo(() => ({ scheme }), [scheme]);
  return (
    <div className="relative mt-1 h-[42vh] border border-hair bg-leaf">
      <LazySolid made={made} body={body} handles={[]} folding={folding} finished={finished} />
      <FoldBar span={span} />
    </div>
  );
}
