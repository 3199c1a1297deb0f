import type { PartReport } from '@fomrik/core/parts';
import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Range } from '../../parts/Range';
import { api } from '../../store/api';
import { useShownParts } from '../../store/version';
import { fileWorker } from '../../workers/fileClient';

/** A photo shown small, opened large; of a part beside its picture, turned to the same side. */
export function Photo({
  content,
  about,
  made,
}: {
  content: string;
  about: string;
  made?: PartReport | undefined;
}) {
  const url = api.pictureUrl(content);
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <button type="button" className="border border-hair" aria-label={`Photo ${about}, open large`}>
          <img src={url} alt="" className="h-16 w-20 object-cover" />
        </button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/70" />
        <Dialog.Content
          className="fixed inset-6 z-50 flex items-center justify-center gap-4"
          aria-describedby={undefined}
        >
          <Dialog.Title className="sr-only">Photo {about}</Dialog.Title>
          <img src={url} alt={`Photo ${about}`} className="max-h-full min-w-0 flex-1 object-contain" />
          {open && made && <SameView made={made} />}
          <Dialog.Close className="btn btn-icon absolute right-0 top-0 bg-paper" aria-label="Close the photo">
            <X size={18} aria-hidden />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const PX = 720;
/** Waited after the picture is turned, ms. */
const REST_MS = 120;

/** The part as it is planned, turned by hand to the side the photo was taken from. */
function SameView({ made }: { made: PartReport }) {
  const scheme = useShownParts().find((p) => p.id === made.id)?.scheme;
  const [turnDeg, setTurn] = useState(28);
  const [raisedDeg, setRaised] = useState(16);
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let left = false;
    const timer = setTimeout(() => {
      const [turn, raised] = [(turnDeg * Math.PI) / 180, (raisedDeg * Math.PI) / 180];
      const out = {
        x: Math.sin(turn) * Math.cos(raised),
        y: Math.sin(raised),
        z: Math.cos(turn) * Math.cos(raised),
      };
      fileWorker
        .still(made, scheme, {
          out,
          width: PX,
          height: PX,
          background: '#eef2f0',
          dimensions: false,
          unit: 'mm',
        })
        .then(
          (png) =>
            !left && setUrl(URL.createObjectURL(new Blob([new Uint8Array(png)], { type: 'image/png' }))),
          () => undefined,
        );
    }, REST_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [made, scheme, turnDeg, raisedDeg]);
  useEffect(() => () => (url ? URL.revokeObjectURL(url) : undefined), [url]);
  return (
    <figure className="leaf grid max-h-full w-[min(40vw,30rem)] gap-2 p-2">
      {url ? (
        <img src={url} alt={`${made.name} as planned`} className="min-h-0 w-full object-contain" />
      ) : (
        <p className="grid h-64 place-items-center text-soft">Drawing…</p>
      )}
      <figcaption className="grid gap-1">
        {made.name} as planned
        <span className="flex items-center gap-2">
          <Range
            label="Turned"
            range={[0, 360]}
            step={4}
            value={turnDeg}
            words={`${turnDeg}°`}
            onChange={setTurn}
          />
        </span>
        <span className="flex items-center gap-2">
          <Range
            label="From above"
            range={[-60, 85]}
            step={5}
            value={raisedDeg}
            words={`${raisedDeg}°`}
            onChange={setRaised}
          />
        </span>
      </figcaption>
    </figure>
  );
}
