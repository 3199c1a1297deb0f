import type { MadeUp } from '../../workers/surface.worker';

const kinds: { value: MadeUp; label: string }[] = [
  { value: 'head', label: 'the wearer’s head' },
  { value: 'mask', label: 'a mask' },
  { value: 'lantern', label: 'a lantern of flat faces' },
];

/** Scans made up on the spot, with all that scanners do wrong, for whoever has no scanner. */
export function MadeUpScans({ disabled, onPick }: { disabled: boolean; onPick: (kind: MadeUp) => void }) {
  return (
    <label className="flex items-center gap-1 text-[13px]">
      or a made-up scan of
      <select
        className="box w-40"
        value=""
        disabled={disabled}
        onChange={(e) => {
          if (e.target.value !== '') onPick(e.target.value as MadeUp);
        }}
      >
        <option value="">choose</option>
        {kinds.map((k) => (
          <option key={k.value} value={k.value}>
            {k.label}
          </option>
        ))}
      </select>
    </label>
  );
}
