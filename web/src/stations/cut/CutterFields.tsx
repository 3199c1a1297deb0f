import { cautions } from '@fomrik/core/materials';
import { LengthField } from '../../parts/Field';
import { useBuild } from '../../store/build';

/** What the machine takes away and what it leaves standing; a knife in the hand does neither. */
export function CutterFields() {
  const cut = useBuild((s) => s.doc.cut);
  const cutter = useBuild((s) => s.doc.make.habits.cutter);
  const update = useBuild((s) => s.update);
  return (
    <section aria-label="Cutter" className="leaf p-3">
      <h2 className="head">Files for a cutting machine: SVG, DXF or motion list of each sheet</h2>
      <div className="mt-1 grid grid-cols-6 gap-3 max-[1100px]:grid-cols-3">
        <LengthField
          label="Kerf"
          valueMm={cut.kerfMm ?? 0}
          range={[0, 5]}
          onChange={(mm) => update((d) => void (d.cut.kerfMm = mm))}
          help="What the tool takes away across its way; the motion list runs half of it outside every outline and inside every hole."
        />
        <LengthField
          label="Tabs"
          valueMm={cut.tabMm ?? 0}
          range={[0, 20]}
          onChange={(mm) => update((d) => void (d.cut.tabMm = mm))}
          help="So long, left standing about every 180 mm of an outline; none at 0."
        />
        <p className="col-span-4 self-end text-[13px] text-soft max-[1100px]:col-span-3">
          {cutter === 'laser' ? cautions.laser : cautions.blade}
        </p>
      </div>
    </section>
  );
}
