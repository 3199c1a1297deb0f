import type { Pass } from '@fomrik/core/files/cutter/simulated';
import type { Sheet } from '@fomrik/core/cut';
import { polylineLength } from '@fomrik/core/geometry';
import { trimNumber } from '@fomrik/core/units';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';
import { useReport } from '../../store/report';
import { Range } from '../../parts/Range';
import { saveFile } from './saveFile';

/** The whole of a sheet is shown in about so many seconds. */
const SHOWN_S = 12;
const colours = ['', '#8fa3a1', '#e6eaeb', '#f2a71b'];

/** The motion list of a sheet as it is written and read back by a machine of no make. */
async function made(index: number): Promise<{ text: string; passes: Pass[]; name: string } | undefined> {
  const { report, doc } = useReport.getState();
  const sheet = report?.packed.sheets[index];
  if (!report || !doc || !sheet) return undefined;
  const [{ operationsOf }, { motionList }, { replay }] = await Promise.all([
    import('@fomrik/core/files/cutter/operations'),
    import('@fomrik/core/files/cutter/motionList'),
    import('@fomrik/core/files/cutter/simulated'),
  ]);
  const settings = { kerfMm: doc.cut.kerfMm ?? 0, tabMm: doc.cut.tabMm ?? 0 };
  const text = motionList(operationsOf(report, sheet, settings), settings, `${doc.name}, sheet ${index + 1}`);
  return { text, passes: replay(text, sheet), name: doc.name };
}

/** Takes the motion list of a sheet away. */
export async function takeMotion(index: number): Promise<void> {
  try {
    const file = await made(index);
    if (file) saveFile(file.text, `sheet-${index + 1}.nc`, 'text/plain', file.name);
  } catch (error) {
    toast.error(`Not made: ${(error as Error).message}`);
  }
}

const clock = (s: number): string => `${Math.floor(s / 60)}:${String(Math.floor(s % 60)).padStart(2, '0')}`;

/** A sheet as the cutter goes over it, at any moment. */
export function Replay({ sheet, index }: { sheet: Sheet; index: number }) {
  const report = useReport((s) => s.report);
  const [passes, setPasses] = useState<Pass[]>();
  const [at, setAt] = useState(0);
  const [plays, setPlays] = useState(false);
  useEffect(() => {
    let gone = false;
    setPasses(undefined);
    void made(index)
      .then((m) => !gone && m && setPasses(m.passes))
      .catch((error: Error) => toast.error(error.message));
    return () => {
      gone = true;
    };
  }, [index, report]);
  const whole = passes?.at(-1)?.toS ?? 0;
  useEffect(() => {
    if (!plays || whole === 0) return;
    const timer = setInterval(
      () => setAt((t) => (t >= whole ? (setPlays(false), whole) : Math.min(whole, t + whole / SHOWN_S / 10))),
      100,
    );
    return () => clearInterval(timer);
  }, [plays, whole]);
  if (!passes) return <p className="text-soft">Reading the motion list back…</p>;
  const y = (v: number): number => sheet.heightMm - v;
  const now = passes.filter((p) => p.fromS <= at).at(-1);
  const cutMm = passes.filter((p) => p.tool === 3).reduce((sum, p) => sum + polylineLength(p.points), 0);
  return (
    <div role="group" aria-label={`Cutter on sheet ${index + 1}`}>
      <svg
        viewBox={`-4 -4 ${sheet.widthMm + 8} ${sheet.heightMm + 8}`}
        className="w-full"
        role="img"
        aria-label={`Sheet ${index + 1} as the cutter goes over it, ${clock(at)} of ${clock(whole)}`}
      >
        <rect width={sheet.widthMm} height={sheet.heightMm} fill="var(--color-foam)" />
        {passes.map((p, i) => {
          if (p.fromS > at) return null;
          const share = at >= p.toS ? 1 : (at - p.fromS) / Math.max(1e-6, p.toS - p.fromS);
          const points = p.points.slice(0, Math.max(2, Math.ceil(share * p.points.length)));
          return (
            <polyline
              key={i}
              points={points.map((q) => `${q.x.toFixed(1)},${y(q.y).toFixed(1)}`).join(' ')}
              fill="none"
              stroke={colours[p.tool]}
              strokeWidth={p.tool === 3 ? 3 : 2}
              {...(p.tool === 2 && { strokeDasharray: '8 5' })}
            />
          );
        })}
      </svg>
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="btn min-h-7 px-2"
          onClick={() => {
            if (at >= whole) setAt(0);
            setPlays(!plays);
          }}
        >
          {plays ? 'Stop' : 'Play'}
        </button>
        <Range
          bare
          label="Moment of the cutting"
          range={[0, whole]}
          step={whole / 500 || 1}
          value={at}
          onChange={(next) => {
            setPlays(false);
            setAt(next);
          }}
        />
      </div>
      <p className="text-[12.5px]">
        {clock(at)} of {clock(whole)}, {trimNumber(cutMm / 1000, 1)} m cut through.{' '}
        {now ? `Now ${now.of}.` : ''} Grey marks, pale dashes score, amber cuts.
      </p>
    </div>
  );
}
