import { byId } from '@fomrik/core/units';
import type { Picture } from '@fomrik/core/picture';
import { useState } from 'react';
import { toast } from 'sonner';
import { api } from '../store/api';
import { keptPicture, MOST_PICTURES } from './keptPicture';
import { dragEnd, dragUpdate, useBuild } from '../store/build';
import { PictureMarks } from './PictureMarks';

/** The pictures a build is made after: added, marked, taken away. */
export function PictureBook() {
  const pictures = useBuild((s) => s.doc.pictures) ?? [];
  const update = useBuild((s) => s.update);
  const [open, setOpen] = useState('');
  const [busy, setBusy] = useState(0);
  const add = async (files: readonly File[]): Promise<void> => {
    for (const [i, file] of files.entries()) {
      setBusy(files.length - i);
      try {
        const picture = await keptPicture(file);
        update((d) => void (d.pictures ??= []).push(picture));
        setOpen(picture.id);
      } catch (error) {
        toast.error(`${file.name}: ${(error as Error).message}`);
      }
    }
    setBusy(0);
  };
  const replaced = (d: { pictures?: Picture[] }, to: Picture): void => {
    d.pictures = (d.pictures ?? []).map((p) => (p.id === to.id ? to : p));
  };
  const shown = byId(pictures, open);
  return (
    <section aria-label="Pictures">
      <h2 className="head">Pictures it is made after</h2>
      <div className="mt-1 flex flex-wrap items-center gap-2">
        {pictures.map((p) => (
          <button
            key={p.id}
            type="button"
            aria-pressed={p.id === open}
            title={p.name}
            onClick={() => setOpen(p.id === open ? '' : p.id)}
            className="grid w-28 gap-0.5 border border-hair p-1 text-[12px] aria-pressed:border-teal"
          >
            <img src={api.pictureUrl(p.content)} alt="" className="h-16 w-full object-contain" />
            <span className="truncate">{p.name}</span>
          </button>
        ))}
        <label
          className={`btn cursor-pointer ${pictures.length >= MOST_PICTURES || busy > 0 ? 'opacity-50' : ''}`}
        >
          {busy > 0 ? `Reading ${busy}…` : 'Add pictures'}
          <input
            type="file"
            multiple
            accept="image/png,image/jpeg,image/webp"
            className="sr-only"
            disabled={pictures.length >= MOST_PICTURES || busy > 0}
            onChange={(e) => {
              const files = [...(e.target.files ?? [])].slice(0, MOST_PICTURES - pictures.length);
              e.target.value = '';
              void add(files);
            }}
          />
        </label>
        {pictures.length === 0 && (
          <p className="text-soft">
            A photograph or drawing, PNG, JPEG or WebP. Marked to scale, it lies beneath the outlines you
            draw. Where and with what it was taken is removed.
          </p>
        )}
      </div>
      {shown && (
        <div className="mt-2">
          <PictureMarks
            key={shown.id}
            picture={shown}
            onChange={(to) => update((d) => replaced(d, to))}
            onDrag={(to) => dragUpdate((d) => replaced(d, to))}
            onDragEnd={dragEnd}
            onRemove={() =>
              update((d) => {
                d.pictures = (d.pictures ?? []).filter((p) => p.id !== shown.id);
                for (const part of d.parts) {
                  if (part.beneath?.picture === shown.id) delete part.beneath;
                  for (const detail of part.features) if (detail.picture === shown.id) delete detail.picture;
                }
              })
            }
          />
        </div>
      )}
    </section>
  );
}
