import { Pause, Play } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Range } from './Range';
import { setApart, setFold, useView } from '../store/view';

/** The whole of it is played in so many seconds. */
const PLAYED_S = 9;

const WHOLE = [0, 1] as const;

/** How far the pieces are from the table to the solid: dragged, or played. */
export function FoldBar({ span = WHOLE }: { span?: readonly [number, number] }) {
  const share = useView((v) => v.foldShare);
  const apart = useView((v) => v.apartShare);
  const [plays, setPlays] = useState(false);
  useEffect(() => {
    if (!plays) return;
    let before = performance.now();
    let frame = requestAnimationFrame(function next(now) {
      const { foldShare } = useView.getState();
      const then = Math.min(span[1], foldShare + (now - before) / 1000 / PLAYED_S);
      before = now;
      setFold(then);
      if (then >= span[1]) setPlays(false);
      else frame = requestAnimationFrame(next);
    });
    return () => cancelAnimationFrame(frame);
  }, [plays, span]);
  return (
    <div className="absolute bottom-1 left-2 right-2 flex items-center gap-2 bg-paper px-2 py-1">
      <button
        type="button"
        className="btn btn-icon min-h-7 min-w-7"
        aria-label={plays ? 'Pause' : 'Play how it goes together'}
        title={plays ? 'Pause' : 'Play how it goes together'}
        onClick={() => {
          if (!plays && share >= span[1]) setFold(span[0]);
          setPlays(!plays);
        }}
      >
        {plays ? <Pause size={14} aria-hidden /> : <Play size={14} aria-hidden />}
      </button>
      <span className="text-[12.5px] text-soft">Flat</span>
      <Range
        bare
        label="From flat pieces to the solid"
        step={0.005}
        range={span}
        value={share}
        words={`${Math.round(share * 100)} % together`}
        onChange={(next) => {
          setPlays(false);
          setApart(0);
          setFold(next);
        }}
      />
      <span className="text-[12.5px] text-soft">Solid</span>
      <Range
        label="Apart"
        step={0.02}
        value={apart}
        className="w-20"
        words={`${Math.round(apart * 100)} % apart`}
        onChange={(next) => {
          setPlays(false);
          setFold(span[1]);
          setApart(next);
        }}
      />
    </div>
  );
}
