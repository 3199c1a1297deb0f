import { formOf, standardKinds } from '@fomrik/core/parts';
import { printMm } from '@fomrik/core/units';
import { useState } from 'react';
import { useBuild } from '../store/build';

/** A doubt larger than this share of the length is said before it is taken. */
const DOUBTFUL = 0.03;

/** A line measured on a picture becomes a length of a part. */
export function GiveLine({ lengthMm, likelyMm }: { lengthMm: number; likelyMm: number }) {
  const parts = useBuild((s) => s.doc.parts);
  const update = useBuild((s) => s.update);
  const [chosen, setChosen] = useState('');
  const [said, setSaid] = useState('');
  const fields = parts.flatMap((part) =>
    formOf(standardKinds, part.form)
      .fields.filter((f) => f.type === 'length' && (!f.when || f.when(part.params)))
      .map((field) => ({ key: `${part.id}/${field.key}`, part, field })),
  );
  if (fields.length === 0) return null;
  const one = fields.find((f) => f.key === chosen) ?? fields[0]!;
  const { part, field } = one;
  const give = (): void => {
    const mm = Math.round(lengthMm * 10) / 10;
    const [least, most] = 'range' in field ? field.range : [0, Infinity];
    if (mm < least || mm > most)
      return setSaid(
        `${field.label} of ${part.name}: ${printMm(mm)} is outside ${printMm(least)} to ${printMm(most)}.`,
      );
    update((d) => {
      const own = d.parts.find((p) => p.id === part.id);
      if (own) Object.assign(own.params, { [field.key]: mm });
    });
    const doubt = likelyMm > DOUBTFUL * lengthMm ? ' That is a wide doubt: mark the picture closer.' : '';
    setSaid(
      `${field.label} of ${part.name} is ${printMm(mm)}, ± ${printMm(likelyMm)} by the picture.${doubt}`,
    );
  };
  return (
    <div className="grid gap-1" role="group" aria-label="Give the measured line to a part">
      <label>
        <span className="label">The line is</span>
        <select className="box" value={one.key} onChange={(e) => setChosen(e.target.value)}>
          {fields.map((f) => (
            <option key={f.key} value={f.key}>
              {f.part.name}: {f.field.label}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn self-start" onClick={give}>
        Give it to the part
      </button>
      {said && (
        <p role="status" className="text-[12.5px]">
          {said}
        </p>
      )}
    </div>
  );
}
