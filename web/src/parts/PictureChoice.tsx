import { RadioGroup } from 'radix-ui';
import { type ReactNode, useId } from 'react';

interface PictureChoiceProps<T extends string> {
  label: string;
  value: T | '';
  choices: readonly { value: T; label: string; summary?: string; picture: ReactNode }[];
  onChange: (value: T) => void;
}

/** One of several kinds, chosen by eye: a small picture to scale with its name. */
export function PictureChoice<T extends string>({ label, value, choices, onChange }: PictureChoiceProps<T>) {
  const id = useId();
  return (
    <div>
      <p id={id} className="head mb-1">
        {label}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(next) => onChange(next as T)}
        className="grid grid-cols-[repeat(auto-fill,minmax(80px,1fr))] gap-1"
      >
        {choices.map((c) => (
          <RadioGroup.Item
            key={c.value}
            value={c.value}
            aria-label={c.label}
            title={c.summary ?? c.label}
            className="grid min-h-20 content-start justify-items-center gap-1 border border-hair bg-paper p-1 text-center text-[12.5px] leading-tight text-teal hover:bg-wash data-[state=checked]:border-2 data-[state=checked]:border-teal data-[state=checked]:bg-wash data-[state=checked]:font-semibold"
          >
            {c.picture}
            {c.label}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
