import { LengthField } from '../../parts/Field';
import { useBuild } from '../../store/build';

/** The two bars of the printed page, measured with a real ruler. */
export function BarReading() {
  const cut = useBuild((s) => s.doc.cut);
  const update = useBuild((s) => s.update);
  return (
    <div className="mt-4 grid max-w-md grid-cols-2 gap-3" role="group" aria-label="Reading: bars">
      <LengthField
        label="Bar across measured"
        valueMm={cut.barMeasuredMm}
        range={[80, 120]}
        onChange={(mm) => update((d) => void (d.cut.barMeasuredMm = mm))}
      />
      <LengthField
        label="Bar along measured"
        valueMm={cut.barAlongMeasuredMm ?? cut.barMeasuredMm}
        range={[80, 120]}
        onChange={(mm) => update((d) => void (d.cut.barAlongMeasuredMm = mm))}
      />
    </div>
  );
}
