import { firstOf } from '@fomrik/core/units';
import { zoneInfo } from '@fomrik/core/body';
import type { Mount, Part, Side } from '@fomrik/core/document';
import type { FormKind } from '@fomrik/core/forms';
import type { Draft } from 'immer';
import { ChoiceField } from '../../parts/ChoiceField';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { freeOne } from '../../app/partActions';
import { OnPartFields } from './OnPartFields';

interface MountFieldsProps {
  part: Part;
  form: FormKind;
  change: (recipe: (part: Draft<Part>) => void) => void;
}

const sideWords: Record<Side, string> = {
  left: 'left',
  right: 'right',
  pair: 'both',
  middle: 'middle',
};

/** Parts that hang, directly or not, from one: it cannot be mounted on them. */
function hangingFrom(parts: readonly Part[], id: string): Set<string> {
  const found = new Set([id]);
  for (let grown = true; grown;) {
    grown = false;
    for (const p of parts)
      if (p.mount.to === 'part' && found.has(p.mount.part) && !found.has(p.id)) {
        found.add(p.id);
        grown = true;
      }
  }
  return found;
}

/** What a part hangs from: the wearer, a stand, or a place on another part. */
export function MountFields({ part, form, change }: MountFieldsProps) {
  const parts = useBuild((s) => s.doc.parts);
  const made = useReport((s) => s.report?.parts);
  const { mount } = part;
  const own = hangingFrom(parts, part.id);
  const hosts = parts.filter((p) => !own.has(p.id));
  const set = (next: Mount): void => change((p) => void (p.mount = next));
  const anchorsOf = (id: string): { value: string; label: string }[] =>
    made?.find((p) => p.id === id)?.anchors.map((a) => ({ value: a.id, label: a.name })) ?? [];
  const to = (value: string): Mount => {
    if (value === 'stand') return { to: 'stand' };
    const zone = form.zones.find((z) => z === value);
    if (zone) return { to: 'wearer', zone, side: firstOf(zoneInfo(zone).sides) };
    const host = value.slice('part:'.length);
    return { to: 'part', part: host, anchor: anchorsOf(host)[0]?.value ?? 'none' };
  };
  const value = mount.to === 'wearer' ? mount.zone : mount.to === 'part' ? `part:${mount.part}` : 'stand';
  const gone = mount.to === 'part' && hosts.every((p) => p.id !== mount.part);
  return (
    <>
      <ChoiceField
        label="Hangs from"
        value={value}
        choices={[
          ...form.zones.map((z) => ({ value: z as string, label: zoneInfo(z).label })),
          { value: 'stand', label: 'a stand' },
          ...hosts.map((p) => ({ value: `part:${p.id}`, label: p.name })),
          ...(gone ? [{ value, label: 'a part that is gone' }] : []),
        ]}
        onChange={(next) => set(to(next))}
      />
      {mount.to === 'wearer' && zoneInfo(mount.zone).sides.length > 1 && (
        <ChoiceField
          label="Side"
          value={mount.side}
          choices={zoneInfo(mount.zone).sides.map((side) => ({ value: side, label: sideWords[side] }))}
          onChange={(side) => set({ ...mount, side })}
        />
      )}
      {mount.to === 'part' && (
        <>
          <ChoiceField
            label="Where on it"
            value={mount.anchor}
            choices={[
              ...(anchorsOf(mount.part).some((a) => a.value === mount.anchor)
                ? []
                : [{ value: mount.anchor, label: `${mount.anchor} (gone)` }]),
              ...anchorsOf(mount.part),
            ]}
            onChange={(anchor) => set({ ...mount, anchor })}
          />
          <OnPartFields mount={mount} set={set} onSetFree={() => freeOne(part)} />
        </>
      )}
    </>
  );
}
