import { bevelPictures, foldPictures, type Habits as HabitsDoc } from '@fomrik/core/materials';
import type { Picture } from '@fomrik/core/thumbnail';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField } from '../../parts/Field';
import { useBuild } from '../../store/build';

interface HabitChoice {
  key: keyof HabitsDoc;
  label: string;
  choices: { value: string; label: string; picture?: Picture }[];
}

const habitChoices: HabitChoice[] = [
  {
    key: 'glue',
    label: 'Glue',
    choices: [
      { value: 'contact', label: 'contact cement' },
      { value: 'instant', label: 'instant glue' },
      { value: 'hot', label: 'hot glue' },
    ],
  },
  {
    key: 'fold',
    label: 'Folds',
    choices: [
      { value: 'v-groove', label: 'deep V groove', picture: foldPictures['v-groove'] },
      { value: 'slanted-pair', label: 'half-depth slanted pair', picture: foldPictures['slanted-pair'] },
      { value: 'heat-and-fold', label: 'heat and fold', picture: foldPictures['heat-and-fold'] },
      { value: 'partial-cut', label: 'partial cut with depth stops', picture: foldPictures['partial-cut'] },
    ],
  },
  {
    key: 'seal',
    label: 'Sealing',
    choices: [
      { value: 'spray-rubber', label: 'spray-on rubber coating' },
      { value: 'brush-on', label: 'flexible brush-on sealer' },
      { value: 'acrylic', label: 'acrylic coats' },
      { value: 'latex', label: 'latex' },
      { value: 'thermoplastic', label: 'thermoplastic skin' },
    ],
  },
  {
    key: 'cutter',
    label: 'Cutting',
    choices: [
      { value: 'knife', label: 'knife' },
      { value: 'band-saw', label: 'band saw' },
      { value: 'laser', label: 'laser' },
    ],
  },
  {
    key: 'bevel',
    label: 'Bevels',
    choices: [
      {
        value: 'two-lines',
        label: 'cut square, then bevel to a second line',
        picture: bevelPictures['two-lines'],
      },
      { value: 'tilted', label: 'blade tilted on one line', picture: bevelPictures['tilted'] },
    ],
  },
  {
    key: 'patterned',
    label: 'Patterned face of mats',
    choices: [
      { value: 'inside', label: 'inside, smooth face out' },
      { value: 'outside', label: 'outside, sanded off before the sealer' },
    ],
  },
];

/** Where makers differ: how this shop works. */
export function Habits() {
  const habits = useBuild((s) => s.doc.make.habits);
  const update = useBuild((s) => s.update);
  return (
    <fieldset className="m-5 grid max-w-2xl grid-cols-2 gap-3">
      <legend className="head">Shop habits; they change steps, times and cost</legend>
      {habitChoices.map(({ key, label, choices }) => (
        <ChoiceField
          key={key}
          label={label}
          value={habits[key] ?? choices[0]!.value}
          choices={choices}
          onChange={(value) => update((d) => void Object.assign(d.make.habits, { [key]: value }))}
        />
      ))}
      <LengthField
        label="Saw kerf"
        help="What the saw for pipes and rods takes away with every cut."
        valueMm={habits.sawKerfMm}
        range={[0.5, 6]}
        onChange={(mm) => update((d) => void (d.make.habits.sawKerfMm = mm))}
      />
    </fieldset>
  );
}
