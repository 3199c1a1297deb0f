import { type Effect, effectAt } from '@fomrik/core/light';
import { useEffect, useRef, useState } from 'react';

interface PlayedEffectProps {
  effect: Effect;
  lamps: number;
  /** What flashes too often is never played. */
  safe: boolean;
}

/** A row of lamps as the controller would play them; still until it is asked for. */
export function PlayedEffect({ effect, lamps, safe }: PlayedEffectProps) {
  const row = useRef<SVGSVGElement>(null);
  const [asked, setAsked] = useState(false);
  const plays = asked && safe;
  const count = Math.min(24, Math.max(1, lamps));
  useEffect(() => {
    if (!plays) return;
    let frame = 0;
    const begun = performance.now();
    const draw = (now: number): void => {
      const seconds = (now - begun) / 1000;
      row.current?.querySelectorAll('circle').forEach((dot, i) => {
        dot.setAttribute('fill-opacity', effectAt(effect, seconds, i, count).toFixed(2));
      });
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [plays, effect, count]);
  return (
    <div className="flex items-center gap-2 self-center">
      <button
        type="button"
        className="btn min-h-7 px-2"
        aria-pressed={plays}
        disabled={!safe}
        title={safe ? 'Plays it on the lamps beside' : 'It flashes too often to be shown'}
        onClick={() => setAsked(!asked)}
      >
        {plays ? 'Stop' : 'Play'}
      </button>
      <svg ref={row} viewBox={`0 0 ${count * 12} 12`} className="h-4 max-w-32 flex-1" aria-hidden>
        {Array.from({ length: count }, (_, i) => (
          <circle
            key={i}
            cx={6 + i * 12}
            cy={6}
            r={4.5}
            fill="var(--color-marigold)"
            stroke="var(--color-ink)"
          />
        ))}
      </svg>
    </div>
  );
}
