import type { BuildDoc } from '@fomrik/core/document';
import { formOf, standardKinds } from '@fomrik/core/parts';
import { byId, printMm, trimNumber } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { useState } from 'react';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';

/** A doubt larger than this share of the length is said before it is taken. */
const DOUBTFUL = 0.03;
/** Figures that say how large something skinned over a surface is. */
const SIZES = ['wide', 'deep', 'high'];

interface GiveLineProps {
  lengthMm: number;
  likelyMm: number;
  /** Keeps the line on the picture, for the length it was given to; one change with it. */
  keep: (doc: Draft<BuildDoc>, part: string, field: string) => void;
}

/** What a measured line may become. */
interface Target {
  key: string;
  label: string;
  /** As in “Width of the shield”. */
  words: string;
  part: string;
  field: string;
  /** The value of the field that a length makes, and its range. */
  value: (mm: number) => number;
  range: readonly [number, number];
  print: (value: number) => string;
  /** It is the length itself, and so may follow the picture. */
  follows: boolean;
}

/** A line measured on a picture becomes a length of a part, or the size of what is skinned over a surface. */
export function GiveLine({ lengthMm, likelyMm, keep }: GiveLineProps) {
  const parts = useBuild((s) => s.doc.parts);
  const made = useReport((s) => s.report?.parts);
  const update = useBuild((s) => s.update);
  const [chosen, setChosen] = useState('');
  const [said, setSaid] = useState('');
  const targets = parts.flatMap((part): Target[] => {
    const form = formOf(standardKinds, part.form);
    const lengths = form.fields.flatMap((f): Target[] =>
      f.type === 'length' && (!f.when || f.when(part.params))
        ? [
            {
              key: `${part.id}/${f.key}`,
              label: `${part.name}: ${f.label}`,
              words: `${f.label} of ${part.name}`,
              part: part.id,
              field: f.key,
              value: (mm) => Math.round(mm * 10) / 10,
              range: f.range,
              print: (mm) => printMm(mm),
              follows: true,
            },
          ]
        : [],
    );
    const figures = form.surface ? (made?.find((m) => m.id === part.id)?.figures ?? []) : [];
    const sizes = figures
      .filter((f) => SIZES.includes(f.key) && f.value > 0)
      .map((f): Target => ({
        key: `${part.id}/size/${f.key}`,
        words: `Size of ${part.name}`,
        label: `${part.name}: its size, by how ${f.label} it is`,
        part: part.id,
        field: 'scalePct',
        value: (mm) => Math.round((1000 * Number(part.params['scalePct']) * mm) / f.value / 100) / 10,
        range: [10, 2000],
        print: (percent) => `${trimNumber(percent)} %`,
        follows: false,
      }));
    return [...lengths, ...sizes];
  });
  const one = targets.find((f) => f.key === chosen) ?? targets[0];
  if (!one) return null;
  const give = (): void => {
    const value = one.value(lengthMm);
    const [least, most] = one.range;
    if (value < least || value > most)
      return setSaid(
        `${one.words}: ${one.print(value)} is outside ${one.print(least)} to ${one.print(most)}.`,
      );
    update((d) => {
      const own = byId(d.parts, one.part);
      if (own) Object.assign(own.params, { [one.field]: value });
      if (one.follows) keep(d, one.part, one.field);
    });
    const doubt = likelyMm > DOUBTFUL * lengthMm ? ' That is imprecise: mark the picture more closely.' : '';
    setSaid(
      one.follows
        ? `${one.words} is ${one.print(value)}, ± ${printMm(likelyMm)} by the picture.${doubt}`
        : `It is ${printMm(lengthMm)} ± ${printMm(likelyMm)} there: ${one.print(value)} of the size in the file.${doubt}`,
    );
  };
  return (
    <div className="grid gap-1" role="group" aria-label="Use this length for a part">
      <label>
        <span className="label">The line is</span>
        <select className="box" value={one.key} onChange={(e) => setChosen(e.target.value)}>
          {targets.map((f) => (
            <option key={f.key} value={f.key}>
              {f.label}
            </option>
          ))}
        </select>
      </label>
      <button type="button" className="btn self-start" onClick={give}>
        Apply to the part
      </button>
      {said && (
        <p role="status" className="text-[12.5px]">
          {said}
        </p>
      )}
    </div>
  );
}
