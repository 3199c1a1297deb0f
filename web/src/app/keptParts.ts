import { keptAlone } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { toast } from 'sonner';
import { api, type KeptPart } from '../store/api';
import { useBuild } from '../store/build';
import { fromVersion, undoing } from '../store/shop';
import { todayIso } from '../store/today';
import { shownDoc } from '../store/version';
import { useView } from '../store/view';
import { newId } from '../store/newId';

/** Puts a part in the shop's book; one of its name is replaced, and the toast puts that one back. */
export async function keepPart(partId: string): Promise<void> {
  const { doc } = useBuild.getState();
  const part = byId(shownDoc(doc, useView.getState().versionId).parts, partId);
  if (!part) return;
  try {
    const before = (await api.keptParts()).find((k) => k.name === part.name);
    const id = before?.id ?? newId('kept');
    const alone = keptAlone(doc, part, todayIso());
    const kept = await fromVersion(part.name, before?.version ?? 0, (base) =>
      api.putKeptPart(id, base, part.name, alone),
    );
    if (!kept) return;
    toast(`${part.name} is in the shop’s book${before ? ' in place of the one before' : ''}.`, {
      action: undoing(part.name, () =>
        before?.doc
          ? api.putKeptPart(id, kept.version, before.name, before.doc)
          : api.removeKeptPart(id, kept.version),
      ),
    });
  } catch (error) {
    toast.error(`Not kept: ${(error as Error).message}`);
  }
}

/** Takes a part out of the book; the toast puts it back. */
export async function forgetKept({ id, name, doc, version }: KeptPart): Promise<void> {
  try {
    await api.removeKeptPart(id, version);
    toast(`${name} is out of the book.`, {
      ...(doc && { action: undoing(name, () => api.putKeptPart(id, 0, name, doc)) }),
    });
  } catch (error) {
    toast.error(`Not removed: ${(error as Error).message}`);
  }
}
