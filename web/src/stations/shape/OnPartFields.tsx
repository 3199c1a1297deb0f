import type { Copies, Mount } from '@fomrik/core/document';
import { setFree } from '@fomrik/core/parts';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField, NumberField } from '../../parts/Field';
import { byId } from '@fomrik/core/units';
import { useReport } from '../../store/report';

type OnPart = Extract<Mount, { to: 'part' }>;

const startCopies: Record<Copies['way'], Copies> = {
  row: { way: 'row', count: 3, alongMm: 40, acrossMm: 0 },
  round: { way: 'round', count: 6, sweepDeg: 360, radiusMm: 40 },
  mirrored: { way: 'mirrored' },
};

/** Where a part lies on another, how it is held there, and how many of it there are. */
export function OnPartFields({
  mount,
  set,
  onSetFree,
}: {
  mount: OnPart;
  set: (next: OnPart) => void;
  onSetFree: () => void;
}) {
  const { copies } = mount;
  const anchor = useReport((s) => byId(byId(s.report?.parts ?? [], mount.part)?.anchors ?? [], mount.anchor));
  const withCopies = (next: Copies | undefined): void => {
    const { copies: _before, ...rest } = mount;
    set(next ? { ...rest, copies: next } : rest);
  };
  return (
    <>
      <LengthField
        label="Along"
        valueMm={mount.alongMm ?? 0}
        range={[-2000, 2000]}
        onChange={(alongMm) => set({ ...mount, alongMm })}
        help="On a face: up it, measured along it."
      />
      <LengthField
        label="Across"
        valueMm={mount.acrossMm ?? 0}
        range={[-2000, 2000]}
        onChange={(acrossMm) => set({ ...mount, acrossMm })}
        help="To the right, seen from outside."
      />
      <LengthField
        label="Off the face"
        valueMm={mount.offMm ?? 0}
        range={[-2000, 2000]}
        onChange={(offMm) => set({ ...mount, offMm })}
        help="Less than nothing lets it in."
      />
      <NumberField
        label="Turned"
        value={mount.turnDeg ?? 0}
        range={[-360, 360]}
        suffix="°"
        onChange={(turnDeg) => set({ ...mount, turnDeg })}
      />
      <NumberField
        label="Leaned to the side"
        value={mount.leanDeg ?? 0}
        range={[-180, 180]}
        suffix="°"
        onChange={(leanDeg) => set({ ...mount, leanDeg })}
        help="90° lays it flat."
      />
      <NumberField
        label="Leaned along"
        value={mount.nodDeg ?? 0}
        range={[-180, 180]}
        suffix="°"
        onChange={(nodDeg) => set({ ...mount, nodDeg })}
      />
      <ChoiceField
        label="Held"
        value={mount.apart ? 'apart' : 'glued'}
        choices={[
          { value: 'glued', label: 'glued for good' },
          { value: 'apart', label: 'comes off again' },
        ]}
        onChange={(held) => {
          const { apart: _before, ...rest } = mount;
          set(held === 'apart' ? { ...rest, apart: true } : rest);
        }}
        help="What is glued is filled and painted as one."
      />
      <ChoiceField
        label="What it lies in"
        value={mount.letIn === 'half' ? 'half' : mount.letIn ? 'cut' : 'whole'}
        choices={[
          { value: 'whole', label: 'stays whole' },
          { value: 'cut', label: 'is cut away for it' },
          { value: 'half', label: 'half-lapped: half the layers of each' },
        ]}
        onChange={(how) => {
          const { letIn: _before, ...rest } = mount;
          set(how === 'whole' ? rest : { ...rest, letIn: how === 'half' ? 'half' : true });
        }}
      />
      <ChoiceField
        label="Copies"
        value={copies?.way ?? 'one'}
        choices={[
          { value: 'one', label: 'one' },
          { value: 'row', label: 'in a row' },
          { value: 'round', label: 'in a circle' },
          { value: 'mirrored', label: 'mirrored' },
        ]}
        onChange={(way) => withCopies(way === 'one' ? undefined : startCopies[way])}
        help="One template, cut as often."
      />
      {copies && copies.way !== 'mirrored' && (
        <NumberField
          label="How many"
          value={copies.count}
          range={[2, 60]}
          whole
          onChange={(count) => withCopies({ ...copies, count })}
        />
      )}
      {setFree(mount, anchor) && (
        <button type="button" className="btn self-end" onClick={onSetFree}>
          Detach the last one
        </button>
      )}
      {copies?.way === 'row' && (
        <>
          <LengthField
            label="Apart, along"
            valueMm={copies.alongMm}
            range={[-2000, 2000]}
            onChange={(alongMm) => withCopies({ ...copies, alongMm })}
          />
          <LengthField
            label="Apart, across"
            valueMm={copies.acrossMm}
            range={[-2000, 2000]}
            onChange={(acrossMm) => withCopies({ ...copies, acrossMm })}
          />
        </>
      )}
      {copies?.way === 'round' && (
        <>
          <LengthField
            label="Radius"
            valueMm={copies.radiusMm}
            range={[0, 2000]}
            onChange={(radiusMm) => withCopies({ ...copies, radiusMm })}
          />
          <NumberField
            label="Sweep"
            value={copies.sweepDeg}
            range={[-360, 360]}
            suffix="°"
            onChange={(sweepDeg) => withCopies({ ...copies, sweepDeg })}
          />
        </>
      )}
    </>
  );
}
