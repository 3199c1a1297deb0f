import { useFrame, useThree } from '@react-three/fiber';
import { useRef } from 'react';
import { isStill, type Played, sharesAt } from './played';

/** What a moment of the effect changes: meshes and lights, each for items with a share of its light. */
export interface Changed {
  of: readonly { itemId: string; share: number }[];
  set: (share: number) => void;
}

/** Plays effects on what is drawn, as long as there are any. */
export function usePlaying(played: readonly Played[], changed: () => readonly Changed[]): void {
  const begun = useRef(0);
  const { invalidate } = useThree();
  useFrame(({ clock }) => {
    if (played.length === 0 || isStill()) return;
    begun.current ||= clock.elapsedTime;
    const shareOf = sharesAt(played, clock.elapsedTime - begun.current);
    for (const { of, set } of changed())
      set(of.reduce((sum, { itemId, share }) => sum + share * shareOf(itemId), 0));
    invalidate();
  });
}
