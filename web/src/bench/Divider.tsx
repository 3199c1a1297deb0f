import { Separator } from 'react-resizable-panels';

/** Between two panes: dragged, moved by arrow keys, set back by a double press. */
export function Divider({ label, level = false }: { label: string; level?: boolean }) {
  return (
    <Separator
      aria-label={label}
      className={`group relative z-10 grid place-items-center bg-hair outline-none focus-visible:bg-teal data-[separator=active]:bg-teal data-[separator=hover]:bg-teal ${level ? 'h-[5px]' : 'w-[5px]'}`}
    >
      <span aria-hidden className={`bg-soft ${level ? 'h-px w-6' : 'h-6 w-px'}`} />
    </Separator>
  );
}
