import { type Coat, type SurfaceLook, surfaceLooks } from '@fomrik/core/document';
import { colourName } from '@fomrik/core/materials';
import { Pipette } from 'lucide-react';
import { useId } from 'react';
import { PickColour } from './PickColour';

const surfaceWords: Record<SurfaceLook, string> = {
  matt: 'matt',
  satin: 'satin',
  gloss: 'gloss',
  metallic: 'metallic',
  pearl: 'pearl',
  bare: 'bare foam',
  leather: 'leather',
  wood: 'wood grain',
};

/** What some browsers have to pick a colour with. */
interface Dropper {
  open: () => Promise<{ sRGBHex: string }>;
}

/** A colour picked out of anything on the screen; none when it is given up. */
async function picked(): Promise<string | undefined> {
  const { EyeDropper } = window as unknown as { EyeDropper: new () => Dropper };
  try {
    return (await new EyeDropper().open()).sRGBHex.toLowerCase();
  } catch {
    return undefined;
  }
}

/** A colour and how it takes the light. */
export function CoatFields({
  label,
  coat,
  onChange,
}: {
  label: string;
  coat: Coat;
  onChange: (coat: Coat) => void;
}) {
  const id = useId();
  return (
    <div className="field">
      <label htmlFor={id} className="label block leading-tight">
        {label}
      </label>
      <div className="flex items-center gap-1">
        <input
          id={id}
          type="color"
          value={coat.colour}
          title={`${colourName(coat.colour)}, ${coat.colour}`}
          className="h-8 w-10 shrink-0 cursor-pointer border border-hair bg-leaf p-0.5"
          onChange={(e) => onChange({ surface: coat.surface, colour: e.target.value.toLowerCase() })}
        />
        <PickColour label={label} onPick={(colour) => onChange({ surface: coat.surface, colour })} />
        {'EyeDropper' in window && (
          <button
            type="button"
            className="tiny"
            aria-label={`${label}: pick from the screen`}
            title="Pick the colour out of anything on the screen, such as a reference picture"
            onClick={() =>
              void picked().then((colour) => colour && onChange({ surface: coat.surface, colour }))
            }
          >
            <Pipette size={15} aria-hidden />
          </button>
        )}
        <select
          className="box min-w-0 flex-1"
          aria-label={`${label}: surface`}
          value={coat.surface}
          onChange={(e) => {
            const surface = surfaceLooks.find((s) => s === e.target.value);
            if (surface) onChange({ colour: coat.colour, surface });
          }}
        >
          {surfaceLooks.map((s) => (
            <option key={s} value={s}>
              {surfaceWords[s]}
            </option>
          ))}
        </select>
      </div>
      <p className="field-note">
        {colourName(coat.colour)} {coat.colour}
      </p>
    </div>
  );
}
