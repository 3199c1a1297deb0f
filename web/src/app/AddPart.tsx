import type { Zone } from '@fomrik/core/forms/contract';
import { formKinds, type FormKindName } from '@fomrik/core/forms/kinds';
import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { addPart } from './partActions';

const regions: { label: string; zones: Zone[] }[] = [
  { label: 'Head and neck', zones: ['head', 'neck'] },
  { label: 'Trunk', zones: ['torso', 'back', 'hips'] },
  { label: 'Arm', zones: ['shoulder', 'upperArm', 'elbow', 'forearm'] },
  { label: 'Leg', zones: ['thigh', 'knee', 'lowerLeg'] },
];

const kinds = Object.keys(formKinds) as FormKindName[];

/** Forms by the place they hang from. */
export function AddPart() {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn px-1.5">
        <Plus size={15} aria-hidden /> Part
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          className="z-50 grid max-h-[70vh] grid-cols-2 gap-x-4 overflow-auto border border-ink bg-leaf p-2"
        >
          {regions.map(({ label, zones }) => (
            <DropdownMenu.Group key={label} className="mb-1">
              <DropdownMenu.Label className="head px-2">{label}</DropdownMenu.Label>
              {kinds
                .filter((kind) => zones.includes(formKinds[kind].zone))
                .map((kind) => (
                  <DropdownMenu.Item
                    key={kind}
                    className="max-w-56 cursor-pointer px-2 py-1 leading-tight outline-none data-[highlighted]:bg-wash"
                    onSelect={() => addPart(kind)}
                  >
                    <span className="font-medium text-teal">{formKinds[kind].label}</span>
                    <span className="block text-[12px] text-soft">{formKinds[kind].summary}</span>
                  </DropdownMenu.Item>
                ))}
            </DropdownMenu.Group>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
