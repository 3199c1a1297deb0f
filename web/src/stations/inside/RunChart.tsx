import { counted } from '@fomrik/core/units';
import type { CircuitReport } from '@fomrik/core/circuit';
import { useEffect, useRef } from 'react';
import { useBuild } from '../../store/build';

/** Brightness against hours as the cells sag, with the hours the event asks. */
export function RunChart({ circuit }: { circuit: CircuitReport | undefined }) {
  const box = useRef<HTMLDivElement>(null);
  const wanted = useBuild((s) => s.doc.brief.lightHours);
  const run = circuit?.run;
  useEffect(() => {
    const target = box.current;
    if (!target || !run) return;
    let gone = false;
    void import('../../parts/plotly').then(({ default: Plotly }) => {
      if (gone) return;
      const top = 110;
      void Plotly.react(
        target,
        [
          {
            x: run.points.map((p) => p.hour),
            y: run.points.map((p) => p.lightShare * 100),
            customdata: run.points.map((p) => [p.currentA * 1000, p.volts]),
            type: 'scatter',
            mode: 'lines',
            line: { color: '#d98e06', width: 3 },
            hovertemplate:
              '%{x:.1f} h: %{y:.0f} %, %{customdata[0]:.0f} mA at %{customdata[1]:.1f} V<extra></extra>',
          },
        ],
        {
          margin: { l: 44, r: 12, t: 8, b: 34 },
          paper_bgcolor: 'rgba(0,0,0,0)',
          plot_bgcolor: 'rgba(0,0,0,0)',
          font: { family: 'Barlow, sans-serif', size: 12, color: '#1b2625' },
          xaxis: {
            title: { text: 'hours' },
            range: [0, Math.max(run.hours, wanted) * 1.08],
            gridcolor: '#c9d3cd',
            zeroline: false,
          },
          yaxis: { title: { text: 'brightness, %' }, range: [0, top], gridcolor: '#c9d3cd', zeroline: false },
          shapes: [
            {
              type: 'line',
              x0: wanted,
              x1: wanted,
              y0: 0,
              y1: top,
              line: { color: '#1b2625', width: 1.5, dash: 'dash' },
            },
            {
              type: 'line',
              x0: run.hours,
              x1: run.hours,
              y0: 0,
              y1: top,
              line: { color: '#0b5a61', width: 1.5 },
            },
          ],
          annotations: [
            { x: wanted, y: top, text: 'asked', showarrow: false, xanchor: 'left', yanchor: 'top' },
            {
              x: run.hours,
              y: top * 0.85,
              text: `ends ${run.hours.toFixed(1)} h`,
              showarrow: false,
              xanchor: run.hours < wanted * 0.4 ? 'left' : 'right',
              yanchor: 'top',
            },
          ],
          showlegend: false,
        },
        { displayModeBar: false, responsive: true },
      );
    });
    return () => {
      gone = true;
    };
  }, [run, wanted]);
  if (!run) return <p className="text-soft">No run time until the lamps can be lit.</p>;
  return (
    <div
      ref={box}
      className="h-full min-h-0 w-full"
      role="img"
      aria-label={`Run time ${run.hours.toFixed(1)} hours, ${{ dim: 'then the lamps are half as bright', out: 'then the addressable lamps drop out', empty: 'then the cells are empty' }[run.endedBy]}; asked ${counted(wanted, 'hour')}`}
    />
  );
}
