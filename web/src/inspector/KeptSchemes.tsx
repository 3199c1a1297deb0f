import type { Part, Scheme } from '@fomrik/core/document';
import type { Draft } from 'immer';
import type { Changer } from '../store/version';
import { X } from 'lucide-react';
import { type FormEvent, useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type SavedScheme } from '../store/api';
import { newId } from '../store/newId';
import { fromVersion, undoing } from '../store/shop';

/** Colours of the shop: kept by a name, taken for any part of any build. Areas belong to a part and are not kept. */
export function KeptSchemes({ part, change }: { part: Pick<Part, 'name' | 'scheme'>; change: Changer }) {
  const [kept, setKept] = useState<SavedScheme[]>([]);
  const [name, setName] = useState('');
  const load = (): void =>
    void api.schemes().then(setKept, () => {
      // Without the server there is nothing to offer, and the top bar says so.
    });
  useEffect(load, []);
  const keep = async (e: FormEvent): Promise<void> => {
    e.preventDefault();
    const called = name.trim();
    if (!part.scheme || !called) return;
    const before = kept.find((k) => k.name === called);
    const id = before?.id ?? newId('scheme');
    const scheme = { ...part.scheme, areas: [] };
    const made = await fromVersion(called, before?.version ?? 0, (base) =>
      api.putScheme(base, { id, name: called, scheme }),
    );
    if (!made) return;
    setName('');
    load();
    toast(`${called} is kept${before ? ' in place of the one before' : ''}.`, {
      action: undoing(
        called,
        () => (before ? api.putScheme(made.version, before) : api.removeScheme(id, made.version)),
        load,
      ),
    });
  };
  const remove = async (one: SavedScheme): Promise<void> => {
    try {
      await api.removeScheme(one.id, one.version);
      load();
      toast(`${one.name} is removed.`, { action: undoing(one.name, () => api.putScheme(0, one), load) });
    } catch (error) {
      toast.error(`Not removed: ${(error as Error).message}`);
    }
  };
  if (kept.length === 0 && !part.scheme) return null;
  return (
    <section aria-label="Colours of the shop" className="mt-2">
      <h4 className="head">Colours of the shop</h4>
      <ul>
        {kept.map((one) => (
          <li key={one.id} className="flex min-h-8 items-center gap-2">
            <span
              aria-hidden
              className="h-5 w-5 shrink-0 border border-hair"
              style={{ backgroundColor: one.scheme.base.colour }}
            />
            <button
              type="button"
              className="min-w-0 flex-1 truncate text-left text-teal underline"
              title={`Paint ${part.name} in ${one.name}`}
              onClick={() =>
                change(
                  (p) =>
                    void (p.scheme = {
                      ...structuredClone(one.scheme),
                      areas: p.scheme?.areas ?? [],
                    } as Draft<Scheme>),
                )
              }
            >
              {one.name}
            </button>
            <button
              type="button"
              className="tiny"
              aria-label={`Remove ${one.name} from the shop`}
              onClick={() => void remove(one)}
            >
              <X size={15} aria-hidden />
            </button>
          </li>
        ))}
      </ul>
      {part.scheme && (
        <form className="flex items-center gap-1" onSubmit={(e) => void keep(e)}>
          <input
            className="box min-w-0 flex-1"
            aria-label="Name of these colours"
            placeholder="Name"
            maxLength={120}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
          <button type="submit" className="btn" disabled={name.trim() === ''}>
            Keep
          </button>
        </form>
      )}
    </section>
  );
}
