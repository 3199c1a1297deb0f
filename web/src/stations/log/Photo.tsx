import { Dialog } from 'radix-ui';
import { X } from 'lucide-react';
import { api } from '../../store/api';

/** A photo shown small, opened large. */
export function Photo({ content, about }: { content: string; about: string }) {
  const url = api.pictureUrl(content);
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>
        <button type="button" className="border border-hair" aria-label={`Photo ${about}, open large`}>
          <img src={url} alt="" className="h-16 w-20 object-cover" />
        </button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/70" />
        <Dialog.Content className="fixed inset-6 z-50 grid place-items-center" aria-describedby={undefined}>
          <Dialog.Title className="sr-only">Photo {about}</Dialog.Title>
          <img src={url} alt={`Photo ${about}`} className="max-h-full max-w-full object-contain" />
          <Dialog.Close className="btn btn-icon absolute right-0 top-0 bg-paper" aria-label="Close the photo">
            <X size={18} aria-hidden />
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
