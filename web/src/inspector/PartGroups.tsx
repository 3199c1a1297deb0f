import { zoneInfo } from '@fomrik/core/body';
import type { Part } from '@fomrik/core/document';
import type { FormKind } from '@fomrik/core/forms';
import { foamPicture, thicknessesOf } from '@fomrik/core/materials';
import { byId, firstOf } from '@fomrik/core/units';
import { memo } from 'react';
import { isPaired, mirrorPart } from '../app/partActions';
import { ChoiceField } from '../parts/ChoiceField';
import { WordsField } from '../parts/Field';
import { MountFields } from '../stations/shape/MountFields';
import { LayerList } from '../stations/shape/LayerList';
import { useCatalogue } from '../store/catalogue';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import type { Changer } from '../store/version';
import { Group } from './Group';
import { onlyWhen } from './onlyWhen';

/** What the foam of a part is about. */
const foamed = ['id', 'name', 'stack', 'lining'] as const satisfies readonly (keyof Part)[];

interface PartGroupsProps<P = Part> {
  part: P;
  form: FormKind;
  change: Changer;
  open: boolean;
}

/** What a part is made of: its name, foam, layers and lining. */
export const FoamGroup = memo(
  function FoamGroup({ part, form, change, open }: PartGroupsProps<Pick<Part, (typeof foamed)[number]>>) {
    const stock = useBuild((s) => s.doc.stock);
    const catalogue = useCatalogue();
    const sold = useReport((s) => byId(s.report?.parts ?? [], part.id)?.foam.sold ?? true);
    const ply = firstOf(part.stack);
    const can = (foamId: string): number[] => thicknessesOf(catalogue.foams, stock, foamId);
    const nearest = (foamId: string, mm: number): number =>
      can(foamId).reduce((a, b) => (Math.abs(b - mm) < Math.abs(a - mm) ? b : a));
    const unknown = catalogue.foams.every((f) => f.id !== ply.foamId);
    const lined = part.lining?.nominalMm ?? 0;
    const linings = [...new Set([...can('dense-eva').filter((t) => t <= 5), ...(lined > 0 ? [lined] : [])])];
    const one = form.sheets === 'one' || form.sheets === 'existing';
    const foamName = catalogue.foams.find((f) => f.id === ply.foamId)?.name ?? ply.foamId;
    return (
      <Group
        title={form.sheets === 'none' ? 'Name' : 'Name and foam'}
        open={open}
        holds={form.sheets === 'none' ? part.name : `${ply.nominalMm} mm ${foamName}`}
      >
        <WordsField label="Name" value={part.name} onChange={(name) => change((p) => void (p.name = name))} />
        {one && (
          <>
            <ChoiceField
              label={form.sheets === 'existing' ? 'Foam laid on it' : 'Foam'}
              value={ply.foamId}
              choices={[
                ...(unknown ? [{ value: ply.foamId, label: `${ply.foamId} (not known)` }] : []),
                ...catalogue.foams
                  .filter((f) => f.kind === 'foam' || form.zones.length === 0 || f.id === ply.foamId)
                  .map((f) => ({ value: f.id, label: f.name, picture: foamPicture(f) })),
              ]}
              onChange={(foamId) =>
                change((p) => void (p.stack = [{ foamId, nominalMm: nearest(foamId, ply.nominalMm) }]))
              }
            />
            <ChoiceField
              label="Thickness"
              value={ply.nominalMm}
              choices={[
                ...can(ply.foamId).map((mm) => ({ value: mm, label: `${mm} mm` })),
                ...(sold ? [] : [{ value: ply.nominalMm, label: `${ply.nominalMm} mm, not sold` }]),
              ]}
              onChange={(mm) => change((p) => void (firstOf(p.stack).nominalMm = mm))}
            />
          </>
        )}
        {form.sheets === 'one' && form.zones.length > 0 && (
          <ChoiceField
            label="Lining"
            value={lined}
            choices={[
              { value: 0, label: 'none' },
              ...linings.map((t) => ({ value: t, label: `${t} mm dense EVA` })),
            ]}
            onChange={(mm) =>
              change((p) => void (p.lining = mm === 0 ? null : { foamId: 'dense-eva', nominalMm: mm }))
            }
          />
        )}
        {form.sheets === 'layers' && <LayerList part={part} change={change} />}
      </Group>
    );
  },
  onlyWhen(...foamed),
);

/** What it hangs from and where it lies there. */
export function AttachGroup({ part, form, change, open }: PartGroupsProps) {
  const host = useBuild((s) => {
    const { mount } = part;
    return mount.to === 'part'
      ? (s.doc.parts.find((p) => p.id === mount.part)?.name ?? 'a part that is gone')
      : '';
  });
  const { mount } = part;
  const holds =
    mount.to === 'wearer' ? zoneInfo(mount.zone).label : mount.to === 'part' ? `on ${host}` : 'on a stand';
  return (
    <Group title="Where it is" open={open} holds={holds}>
      <MountFields part={part} form={form} change={change} />
      {isPaired(part) && (
        <button type="button" className="btn mt-1" onClick={() => mirrorPart(part.id)} title="Mirror (M)">
          {mount.to === 'wearer' && mount.side === 'pair' ? 'Make it one' : 'Mirror'}
        </button>
      )}
    </Group>
  );
}
