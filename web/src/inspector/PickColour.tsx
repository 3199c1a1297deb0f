import { colourName } from '@fomrik/core/materials';
import type { Picture } from '@fomrik/core/picture';
import { byId } from '@fomrik/core/units';
import { Image as ImageIcon, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { type KeyboardEvent, useRef, useState } from 'react';
import { api } from '../store/api';
import { useBuild } from '../store/build';
import { colourAround, REACH } from './pickedColour';

/** A picture is looked at in no more pixels than this either way. */
const MOST_PX = 900;
const STEP_PX = 8;

/** A colour out of one of the pictures the build is made after: the mean under the pointer. */
export function PickColour({ label, onPick }: { label: string; onPick: (colour: string) => void }) {
  const pictures = useBuild((s) => s.doc.pictures) ?? [];
  const [open, setOpen] = useState(false);
  if (pictures.length === 0) return null;
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <button
          type="button"
          className="tiny"
          aria-label={`${label}: pick from a picture`}
          title="Pick the colour out of a picture the build is made after"
        >
          <ImageIcon size={15} aria-hidden />
        </button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="leaf fixed left-1/2 top-1/2 z-50 max-h-[94vh] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto p-3"
        >
          <Dialog.Title className="head">{label}: from a picture</Dialog.Title>
          <Dialog.Close className="btn btn-icon absolute right-2 top-2" aria-label="Close">
            <X size={16} aria-hidden />
          </Dialog.Close>
          <Sampled
            pictures={pictures}
            onPick={(colour) => {
              onPick(colour);
              setOpen(false);
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Sampled({ pictures, onPick }: { pictures: readonly Picture[]; onPick: (colour: string) => void }) {
  const [id, setId] = useState(pictures[0]!.id);
  const shown = byId(pictures, id) ?? pictures[0]!;
  const canvas = useRef<HTMLCanvasElement>(null);
  const [spot, setSpot] = useState<{ x: number; y: number }>();
  const [colour, setColour] = useState<string>();
  const look = (x: number, y: number): string | undefined => {
    const context = canvas.current?.getContext('2d', { willReadFrequently: true });
    if (!canvas.current || !context) return undefined;
    const { width, height } = canvas.current;
    const at = {
      x: Math.round(Math.min(width - 1, Math.max(0, x))),
      y: Math.round(Math.min(height - 1, Math.max(0, y))),
    };
    // Beyond the border there are clear pixels, which are left out.
    const round = context.getImageData(at.x - REACH, at.y - REACH, 2 * REACH + 1, 2 * REACH + 1);
    const found = colourAround(round, REACH, REACH);
    setSpot(at);
    setColour(found);
    return found;
  };
  const at = (e: { clientX: number; clientY: number; currentTarget: HTMLCanvasElement }) => {
    const box = e.currentTarget.getBoundingClientRect();
    return [
      ((e.clientX - box.left) / box.width) * e.currentTarget.width,
      ((e.clientY - box.top) / box.height) * e.currentTarget.height,
    ] as const;
  };
  const onKey = (e: KeyboardEvent<HTMLCanvasElement>): void => {
    const { width, height } = e.currentTarget;
    const from = spot ?? { x: width / 2, y: height / 2 };
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
    if (way) {
      e.preventDefault();
      look(from.x + way[0]! * STEP_PX, from.y + way[1]! * STEP_PX);
    } else if (e.key === 'Enter' && colour) onPick(colour);
  };
  const load = (img: HTMLImageElement): void => {
    const scale = Math.min(1, MOST_PX / Math.max(img.naturalWidth, img.naturalHeight));
    const target = canvas.current;
    if (!target) return;
    target.width = Math.max(1, Math.round(img.naturalWidth * scale));
    target.height = Math.max(1, Math.round(img.naturalHeight * scale));
    target.getContext('2d')!.drawImage(img, 0, 0, target.width, target.height);
  };
  return (
    <div className="grid gap-2">
      {pictures.length > 1 && (
        <select className="box" aria-label="Picture" value={shown.id} onChange={(e) => setId(e.target.value)}>
          {pictures.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      )}
      <img
        key={shown.id}
        src={api.pictureUrl(shown.content)}
        alt=""
        hidden
        onLoad={(e) => load(e.currentTarget)}
      />
      <canvas
        ref={canvas}
        tabIndex={0}
        role="img"
        aria-label={`${shown.name}: arrows move, Enter takes the colour`}
        className="max-h-[70vh] max-w-full cursor-crosshair border border-hair"
        onPointerMove={(e) => look(...at(e))}
        onClick={(e) => {
          const found = look(...at(e));
          if (found) onPick(found);
        }}
        onKeyDown={onKey}
      />
      <p className="flex min-h-7 items-center gap-2" aria-live="polite">
        <span className="h-6 w-10 border border-hair" style={{ backgroundColor: colour }} aria-hidden />
        {colour ? `${colourName(colour)} ${colour}: press to take it.` : 'Move over the picture.'}
      </p>
    </div>
  );
}
