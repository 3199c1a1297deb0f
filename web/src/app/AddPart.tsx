import { formMenu, standardKinds } from '@fomrik/core/parts';
import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { addPart } from './partActions';

const menu = formMenu(standardKinds);

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
          collisionPadding={8}
          className="z-50 grid max-h-(--radix-dropdown-menu-content-available-height) grid-cols-2 gap-x-4 overflow-auto border border-ink bg-leaf p-2"
        >
          {menu.map(({ group, forms }) => (
            <DropdownMenu.Group key={group} className="mb-1">
              <DropdownMenu.Label className="head px-2">{group}</DropdownMenu.Label>
              {forms.map(({ kind, label, summary }) => (
                <DropdownMenu.Item
                  key={kind}
                  className="max-w-56 cursor-pointer px-2 py-1 leading-tight outline-none data-[highlighted]:bg-wash"
                  onSelect={() => addPart(kind)}
                >
                  <span className="font-medium text-teal">{label}</span>
                  <span className="block text-[12px] text-soft">{summary}</span>
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
