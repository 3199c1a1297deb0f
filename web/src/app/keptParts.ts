import type { Part } from '@fomrik/core/document';
import { keptAlone } from '@fomrik/core/parts';
import { toast } from 'sonner';
import { api, type KeptPart } from '../store/api';
import { useBuild } from '../store/build';
import { todayIso } from '../store/today';

/** Puts a part in the shop's book; one of its name is replaced, and the toast puts that one back. */
export async function keepPart(part: Part): Promise<void> {
  const { doc } = useBuild.getState();
  try {
    const before = (await api.keptParts()).find((k) => k.name === part.name);
    const id = before?.id ?? `kept-${Date.now()}`;
    await api.putKeptPart(id, part.name, keptAlone(doc, part, todayIso()));
    toast(`${part.name} is in the shop’s book${before ? ' in place of the one before' : ''}.`, {
      action: {
        label: 'Undo',
        onClick: () =>
          void (before?.doc ? api.putKeptPart(id, before.name, before.doc) : api.removeKeptPart(id)).catch(
            (error: Error) => toast.error(`Not undone: ${error.message}`),
          ),
      },
    });
  } catch (error) {
    toast.error(`Not kept: ${(error as Error).message}`);
  }
}

/** Takes a part out of the book; the toast puts it back. */
export async function forgetKept({ id, name, doc }: KeptPart): Promise<void> {
  try {
    await api.removeKeptPart(id);
    toast(`${name} is out of the book.`, {
      ...(doc && {
        action: {
          label: 'Undo',
          onClick: () =>
            void api
              .putKeptPart(id, name, doc)
              .catch((error: Error) => toast.error(`Not undone: ${error.message}`)),
        },
      }),
    });
  } catch (error) {
    toast.error(`Still there: ${(error as Error).message}`);
  }
}
