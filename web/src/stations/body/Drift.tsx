import { counted, lastOf, firstOf } from '@fomrik/core/units';
import type { Measure } from '@fomrik/core/body';
import { useEffect, useRef } from 'react';

/** How a measure has changed over its dated readings; nothing until there are two. */
export function Drift({ measures, label }: { measures: readonly Measure[]; label: string }) {
  const box = useRef<HTMLDivElement>(null);
  const sorted = [...measures].sort((a, b) => a.takenOn.localeCompare(b.takenOn));
  const key = sorted.map((m) => `${m.takenOn}=${m.valueMm}`).join(' ');
  useEffect(() => {
    const target = box.current;
    const points = key.split(' ').map((p) => p.split('=') as [string, string]);
    if (!target || points.length < 2) return;
    let gone = false;
    void import('../../parts/plotly').then(({ default: Plotly }) => {
      if (gone) return;
      void Plotly.react(
        target,
        [
          {
            x: points.map((p) => p[0]),
            y: points.map((p) => Number(p[1])),
            type: 'scatter',
            mode: 'lines+markers',
            line: { color: '#0b5a61', width: 2 },
          },
        ],
        {
          margin: { l: 40, r: 8, t: 4, b: 24 },
          paper_bgcolor: 'rgba(0,0,0,0)',
          plot_bgcolor: 'rgba(0,0,0,0)',
          font: { family: 'Barlow, sans-serif', size: 11, color: '#1b2625' },
          xaxis: { type: 'date', gridcolor: '#c9d3cd' },
          yaxis: { title: { text: 'mm' }, gridcolor: '#c9d3cd', nticks: 4 },
          showlegend: false,
        },
        { displayModeBar: false, responsive: true },
      );
    });
    return () => {
      gone = true;
    };
  }, [key]);
  if (sorted.length < 2) return null;
  const change = lastOf(sorted).valueMm - firstOf(sorted).valueMm;
  return (
    <figure className="mt-2">
      <figcaption className="head">
        {label}: {change >= 0 ? '+' : '−'}
        {Math.abs(change).toFixed(0)} mm since {firstOf(sorted).takenOn}
      </figcaption>
      <div
        ref={box}
        className="h-32"
        role="img"
        aria-label={`${label} over ${counted(sorted.length, 'reading')}`}
      />
    </figure>
  );
}
