import { resolveBody } from '@fomrik/core/body';
import type { FormKind } from '@fomrik/core/forms';
import { formMenu, newPart, standardKinds } from '@fomrik/core/parts';
import { Plus } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { toast } from 'sonner';
import { BegunPicture, typicalWearer } from '../parts/BegunPicture';
import { FormPicture, outlineOf, sizeMm } from '../parts/FormPicture';
import { api, type KeptPart } from '../store/api';
import { useReport } from '../store/report';
import { forgetKept } from './keptParts';
import { addPart, takeKept } from './partActions';

const menu = formMenu(standardKinds);

const item =
  'max-w-72 cursor-pointer px-2 py-1 leading-tight outline-none data-[highlighted]:bg-wash data-[disabled]:cursor-default';

/** Forms of one place, each with its picture: the choice is made by eye. */
function FormItems({ forms }: { forms: readonly FormKind[] }) {
  const body = useReport((s) => s.report?.body) ?? resolveBody([]);
  const drawn = forms.map((form) => ({ form, outline: outlineOf(form, body) }));
  const largestMm = Math.max(...drawn.map(({ outline }) => sizeMm(outline)));
  return drawn.map(({ form: { kind, label, summary }, outline }) => (
    <DropdownMenu.Item key={kind} className={`${item} flex gap-2`} onSelect={() => addPart(kind)}>
      <BegunPicture
        of={kind}
        parts={() => [newPart('picture', typicalWearer, kind)]}
        meanwhile={<FormPicture outline={outline} largestMm={largestMm} />}
        className="size-11 shrink-0"
      />
      <span>
        <span className="font-medium text-teal">{label}</span>
        <span className="block text-[12px] text-soft">{summary}</span>
      </span>
    </DropdownMenu.Item>
  ));
}

/** Forms by the place they hang from, and parts out of the shop's book. */
export function AddPart() {
  const [kept, setKept] = useState<KeptPart[]>([]);
  const fetchKept = (open: boolean): void => {
    if (open)
      api
        .keptParts()
        .then(setKept)
        .catch((error: Error) => toast.error(`The shop’s book could not be fetched: ${error.message}`));
  };
  return (
    <DropdownMenu.Root onOpenChange={fetchKept}>
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
              <FormItems forms={forms} />
            </DropdownMenu.Group>
          ))}
          {kept.length > 0 && (
            <DropdownMenu.Group className="col-span-2 mb-1 border-t border-hair pt-1">
              <DropdownMenu.Label className="head px-2">Out of the shop’s book</DropdownMenu.Label>
              {kept.map((k) => (
                <DropdownMenu.Item
                  key={k.id}
                  className={`${item} flex items-center gap-2`}
                  disabled={!k.doc}
                  onSelect={() => k.doc && takeKept(k.doc)}
                >
                  {k.doc && (
                    <BegunPicture
                      of={`kept ${k.id} ${k.version}`}
                      parts={() => k.doc!.parts}
                      doc={k.doc}
                      meanwhile={<span className="size-10" aria-hidden />}
                      className="size-10"
                    />
                  )}
                  <span>
                    <span className="font-medium text-teal">{k.name}</span>
                    <span className="block text-[12px] text-soft">
                      {k.broken ?? `kept ${k.keptAt.slice(0, 10)}`}
                    </span>
                  </span>
                </DropdownMenu.Item>
              ))}
              <DropdownMenu.Sub>
                <DropdownMenu.SubTrigger className={`${item} text-[12px] text-soft`}>
                  Take one out of the book…
                </DropdownMenu.SubTrigger>
                <DropdownMenu.Portal>
                  <DropdownMenu.SubContent className="z-50 border border-ink bg-leaf p-2">
                    {kept.map((k) => (
                      <DropdownMenu.Item key={k.id} className={item} onSelect={() => void forgetKept(k)}>
                        {k.name}
                      </DropdownMenu.Item>
                    ))}
                  </DropdownMenu.SubContent>
                </DropdownMenu.Portal>
              </DropdownMenu.Sub>
            </DropdownMenu.Group>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
