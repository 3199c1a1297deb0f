import { useEffect, useState } from 'react';
import { toggle, useView } from '../store/view';

interface Stop {
  title: string;
  words: string;
  /** What is shown of the screen while it is read. */
  at: string;
}

const stops: readonly Stop[] = [
  {
    title: 'Seven stations',
    words:
      'From the brief to the log, in the order work is done. A number beside one counts what it found. Keys 1 to 7 go there.',
    at: 'nav[aria-label="Stations"]',
  },
  {
    title: 'The rack',
    words:
      'Every part of the build. Press one to work on it; hold Ctrl or Shift to select several. New parts are added here.',
    at: 'nav[aria-label="Rack"]',
  },
  {
    title: 'The bench',
    words:
      'The part itself. Drag to turn it; drag a grip to change a value. Drag the lines between panes; F fills the bench with one, V turns to the next view.',
    at: 'main',
  },
  {
    title: 'The inspector',
    words:
      'What is selected: its figures, what was noticed and what mends it, and its values in groups. Focus a value to see where it is on the picture.',
    at: 'aside[aria-label="Inspector"]',
  },
  {
    title: 'The ledger',
    words:
      'Mass, foam, cost, hours of light and of work, and the days to spare. Pin a state to see what a change costs.',
    at: 'footer[aria-label="Ledger"]',
  },
  {
    title: 'Nothing is lost',
    words:
      'Every change is saved by itself and undone with Ctrl+Z. Press / to find anything, ? for every key.',
    at: 'header',
  },
];

interface Box {
  left: number;
  top: number;
  width: number;
  height: number;
}

/** A short way round the screen, one place at a time; left at any moment with Escape. */
export function Tour() {
  const open = useView((v) => v.tourOpen);
  const [at, setAt] = useState(0);
  const [box, setBox] = useState<Box>();
  const stop = stops[at]!;
  useEffect(() => {
    if (!open) return setAt(0);
    const measure = (): void => {
      const found = document.querySelector(stop.at)?.getBoundingClientRect();
      setBox(found && { left: found.left, top: found.top, width: found.width, height: found.height });
    };
    measure();
    const leave = (event: KeyboardEvent): void => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      useView.setState({ tourOpen: false });
    };
    window.addEventListener('resize', measure);
    window.addEventListener('keydown', leave, true);
    return () => {
      window.removeEventListener('resize', measure);
      window.removeEventListener('keydown', leave, true);
    };
  }, [open, stop]);
  if (!open) return null;
  const last = at === stops.length - 1;
  return (
    <>
      {box && (
        <div
          aria-hidden
          className="pointer-events-none fixed z-40 border-[3px] border-marigold shadow-[0_0_0_100vmax_rgb(27_38_37/0.25)]"
          style={box}
        />
      )}
      <section
        role="dialog"
        aria-label="Tour"
        className="fixed bottom-16 left-1/2 z-50 w-[440px] max-w-[94vw] -translate-x-1/2 border border-ink bg-leaf p-4"
      >
        <p className="text-[12px] text-soft">
          {at + 1} of {stops.length}
        </p>
        <h2 className="text-lg">{stop.title}</h2>
        <p aria-live="polite" className="my-2">
          {stop.words}
        </p>
        <div className="flex justify-end gap-2">
          <button type="button" className="btn" onClick={() => toggle('tourOpen')}>
            End the tour
          </button>
          <button
            type="button"
            autoFocus
            className="btn btn-main"
            onClick={() => (last ? toggle('tourOpen') : setAt(at + 1))}
          >
            {last ? 'Done' : 'Next'}
          </button>
        </div>
      </section>
    </>
  );
}
