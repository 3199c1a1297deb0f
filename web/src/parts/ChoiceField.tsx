import type { Picture } from '@fomrik/core/thumbnail';
import { Popover } from 'radix-ui';
import { useId, useState } from 'react';
import { PictureChoice } from './PictureChoice';
import { PictureOf } from './PictureOf';

interface Choice<T> {
  value: T;
  label: string;
  picture?: Picture;
}

interface ChoiceFieldProps<T extends string | number> {
  label: string;
  value: T;
  choices: readonly Choice<T>[];
  onChange: (value: T) => void;
  help?: string;
  bare?: boolean;
}

/** Choices longer than this stand under their label where fields are lines. */
const WORDY = 17;

/** One of several: by its name, and by its picture where there is one. */
export function ChoiceField<T extends string | number>({
  label,
  value,
  choices,
  onChange,
  help,
  bare = false,
}: ChoiceFieldProps<T>) {
  const id = useId();
  const pictured = !bare && choices.some((c) => c.picture);
  const wordy = choices.some((c) => c.label.length > WORDY);
  return (
    <div className={`field ${wordy ? 'field-wordy' : ''}`} title={help}>
      <label htmlFor={id} className={bare ? 'sr-only' : 'label block leading-tight'}>
        {label}
      </label>
      <div className="flex items-center gap-1">
        {pictured && <ByPicture label={label} value={value} choices={choices} onChange={onChange} />}
        <select
          id={id}
          className="box min-w-0 flex-1"
          value={String(value)}
          onChange={(e) => {
            const chosen = choices.find((c) => String(c.value) === e.target.value);
            if (chosen) onChange(chosen.value);
          }}
        >
          {choices.map((c) => (
            <option key={String(c.value)} value={String(c.value)}>
              {c.label}
            </option>
          ))}
        </select>
      </div>
    </div>
  );
}

/** The picture of what is chosen; pressed, those of all there are. */
function ByPicture<T extends string | number>({
  label,
  value,
  choices,
  onChange,
}: Pick<ChoiceFieldProps<T>, 'label' | 'value' | 'choices' | 'onChange'>) {
  const [open, setOpen] = useState(false);
  const now = choices.find((c) => c.value === value)?.picture;
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        className="grid h-9 w-12 shrink-0 place-items-center border border-hair bg-paper hover:bg-wash"
        aria-label={`${label}: choose by picture`}
        title={`${label}: choose by picture`}
      >
        {now ? <PictureOf picture={now} className="h-7 w-[42px]" /> : <span aria-hidden>…</span>}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className="z-40 max-h-[min(440px,80vh)] w-[min(380px,92vw)] overflow-auto border border-ink bg-bench p-2 shadow-lg"
        >
          <PictureChoice
            label={label}
            value={String(value)}
            choices={choices.map((c) => ({
              value: String(c.value),
              label: c.label,
              picture: c.picture ? (
                <PictureOf picture={c.picture} className="h-9 w-[54px]" />
              ) : (
                <span className="grid h-9 place-items-center text-soft" aria-hidden>
                  …
                </span>
              ),
            }))}
            onChange={(next) => {
              const chosen = choices.find((c) => String(c.value) === next);
              if (chosen) onChange(chosen.value);
              setOpen(false);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
