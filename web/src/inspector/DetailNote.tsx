import { type Feature, MOST_NOTE, type Part } from '@fomrik/core/document';
import { byId } from '@fomrik/core/units';
import { type Draft, produce } from 'immer';
import { Camera } from 'lucide-react';
import { useId, useState } from 'react';
import { toast } from 'sonner';
import { ChoiceField } from '../parts/ChoiceField';
import { keptPicture, MOST_PICTURES } from '../pictures/keptPicture';
import { Photo } from '../stations/log/Photo';
import { useBuild } from '../store/build';
import { editedPart, shownDoc } from '../store/version';
import { useView } from '../store/view';

/** A photograph is kept with the build and named by the detail, in one step of undo. */
async function photograph(partId: string, featureId: string, file: File): Promise<void> {
  const picture = await keptPicture(file);
  const { doc, replace } = useBuild.getState();
  const withIt = produce(doc, (d) => void (d.pictures ??= []).push(picture));
  const before = byId(shownDoc(withIt, useView.getState().versionId).parts, partId);
  // Its part was taken away meanwhile.
  if (!before) return;
  const named = (part: Draft<Part>): void => {
    for (const f of part.features) if (f.id === featureId) f.picture = picture.id;
  };
  replace(editedPart(withIt, before, named));
}

/** So many letters go on a line of a note, about. */
const LINE = 34;

interface DetailNoteProps {
  partId: string;
  feature: Feature;
  name: string;
  onChange: (feature: Feature) => void;
}

/** What was found out about a detail: a few words, and a photograph among the pictures of the build. */
export function DetailNote({ partId, feature, name, onChange }: DetailNoteProps) {
  const pictures = useBuild((s) => s.doc.pictures) ?? [];
  const [busy, setBusy] = useState(false);
  const noteId = useId();
  const { note = '', picture: named, ...bare } = feature;
  const shown = byId(pictures, named);
  const set = (text: string, picture: string | undefined): void =>
    onChange({
      ...bare,
      ...(text !== '' && { note: text }),
      ...(picture !== undefined && { picture }),
    });
  const add = async (file: File): Promise<void> => {
    setBusy(true);
    try {
      await photograph(partId, feature.id, file);
    } catch (error) {
      toast.error(`${file.name}: ${(error as Error).message}`);
    }
    setBusy(false);
  };
  const full = pictures.length >= MOST_PICTURES;
  return (
    <div>
      <label htmlFor={noteId} className="head mt-1 block">
        Note
      </label>
      <textarea
        key={note}
        id={noteId}
        className="box min-h-8 p-1.5"
        rows={1 + Math.floor(note.length / LINE)}
        defaultValue={note}
        maxLength={MOST_NOTE}
        onBlur={(e) => {
          const text = e.target.value.trim();
          if (text !== note) set(text, named);
        }}
      />
      {pictures.length > 0 && (
        <ChoiceField
          label="Photograph"
          value={shown?.id ?? ''}
          choices={[{ value: '', label: 'none' }, ...pictures.map((p) => ({ value: p.id, label: p.name }))]}
          onChange={(picture) => set(note, picture || undefined)}
        />
      )}
      <div className="mt-1 flex flex-wrap items-end gap-1.5">
        {shown && <Photo content={shown.content} about={`of ${name.toLowerCase()}`} />}
        <label
          className={`btn min-h-7 cursor-pointer px-2 ${full || busy ? 'opacity-50' : ''}`}
          title={
            full
              ? `A build has ${MOST_PICTURES} pictures at most`
              : 'PNG, JPEG or WebP; where it was taken is removed'
          }
        >
          <Camera size={14} aria-hidden /> {busy ? 'Reading…' : 'Photograph it'}
          <input
            type="file"
            accept="image/png,image/jpeg,image/webp"
            capture="environment"
            className="sr-only"
            disabled={full || busy}
            onChange={(e) => {
              const file = e.target.files?.[0];
              e.target.value = '';
              if (file) void add(file);
            }}
          />
        </label>
      </div>
    </div>
  );
}
