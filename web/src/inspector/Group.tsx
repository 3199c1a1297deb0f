import { ChevronDown, ChevronRight } from 'lucide-react';
import { type ReactNode, useId } from 'react';
import { useView } from '../store/view';

interface GroupProps {
  /** Its name; unique within the inspector, and what its state is kept under. */
  title: string;
  /** What it holds, shown while it is folded. */
  holds?: ReactNode;
  /** Whether it begins open. */
  open?: boolean;
  /** Opened whatever it was, because something in it is selected. */
  forced?: boolean;
  /** Buttons at the end of its line. */
  tools?: ReactNode;
  children: ReactNode;
}

/** A named group of the inspector: folds, and says what it holds when it is folded. */
export function Group({ title, holds, open = true, forced = false, tools, children }: GroupProps) {
  const id = useId();
  const kept = useView((v) => v.groups[title]);
  const shown = forced || (kept ?? open);
  const Icon = shown ? ChevronDown : ChevronRight;
  return (
    <section aria-label={title} className="border-t border-hair">
      <div className="flex items-center gap-1">
        <h3 className="min-w-0 flex-1">
          <button
            type="button"
            aria-expanded={shown}
            aria-controls={id}
            className="flex min-h-8 w-full items-center gap-1 text-left font-tight text-[14px] font-semibold"
            onClick={() => useView.setState(({ groups }) => ({ groups: { ...groups, [title]: !shown } }))}
          >
            <Icon size={14} aria-hidden className="shrink-0" />
            <span className="shrink-0">{title}</span>
            {!shown && (
              <span className="ml-auto min-w-0 truncate pl-2 text-right text-[12.5px] font-normal text-soft">
                {holds}
              </span>
            )}
          </button>
        </h3>
        {tools}
      </div>
      <div id={id} hidden={!shown} className="rows pb-1.5 pl-[18px]">
        {shown && children}
      </div>
    </section>
  );
}
