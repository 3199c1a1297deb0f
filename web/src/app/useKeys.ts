import { useEffect } from 'react';
import { useNavigate } from 'react-router';
import { redo, undo } from '../store/build';
import { pinNow } from '../store/notes';
import { toggle, useView } from '../store/view';
import { mirrorPart, stepPart } from './partActions';
import { stations } from './stations';

const typing = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

/** The keys of the workshop; letters are left alone while something is being typed. */
export function useKeys(id: string): void {
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const command = event.ctrlKey || event.metaKey;
      if (command && event.key.toLowerCase() === 'z' && !typing(event.target)) {
        event.preventDefault();
        if (event.shiftKey) redo();
        else undo();
        return;
      }
      if (command || event.altKey || typing(event.target)) return;
      const station = stations[Number(event.key) - 1];
      const does: Record<string, () => void> = {
        '[': () => stepPart(-1),
        ']': () => stepPart(1),
        t: () => toggle('trialOpen'),
        p: () => void pinNow(),
        P: () => toggle('compareOpen'),
        m: () => mirrorPart(useView.getState().partId),
        u: () => useView.setState(({ unit }) => ({ unit: unit === 'mm' ? 'in' : 'mm' })),
        l: () => toggle('legendOpen'),
        s: () => toggle('stretchOpen'),
        g: () => toggle('gapOpen'),
        v: () => toggle('sightOpen'),
        o: () => toggle('ringsOpen'),
        f: () => toggle('figureOpen'),
        '/': () => toggle('findOpen'),
        '?': () => toggle('keysOpen'),
      };
      const act = station ? () => void navigate(`/build/${id}/${station.key}`) : does[event.key];
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [id, navigate]);
}
