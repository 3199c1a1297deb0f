import { useSyncExternalStore } from 'react';

/** Whether the window is as a media query asks. */
export function useMedia(query: string): boolean {
  return useSyncExternalStore(
    (told) => {
      const list = window.matchMedia(query);
      list.addEventListener('change', told);
      return () => list.removeEventListener('change', told);
    },
    () => window.matchMedia(query).matches,
  );
}

/** Narrower than this the inspector is a drawer over the bench. */
export const NARROW = '(max-width: 1099px)';
/** Taller than wide: panes stand above each other. */
export const UPRIGHT = '(max-aspect-ratio: 1/1)';
