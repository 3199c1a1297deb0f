import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface SheetProps {
  open: boolean;
  onClose: () => void;
  title: string;
  children: ReactNode;
  wide?: boolean;
}

/** A leaf laid over the bench for reading; the bench stays usable by closing it with Escape. */
export function Sheet({ open, onClose, title, children, wide = false }: SheetProps) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed bottom-14 left-1/2 max-h-[86vh] -translate-x-1/2 overflow-auto border border-ink bg-leaf p-4 ${wide ? 'w-[980px]' : 'w-[520px]'} max-w-[94vw]`}
        >
          <div className="mb-2 flex items-center justify-between">
            <Dialog.Title className="text-lg">{title}</Dialog.Title>
            <Dialog.Close className="btn btn-icon" aria-label="Close">
              <X size={18} aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
