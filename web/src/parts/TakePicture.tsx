import type { Vec3 } from '@fomrik/core/geometry';
import { byId } from '@fomrik/core/units';
import { proxy } from 'comlink';
import { Camera } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { toast } from 'sonner';
import { saveFile } from '../stations/cut/saveFile';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { shownDoc } from '../store/version';
import { useView } from '../store/view';
import { fileWorker } from '../workers/fileClient';
import type { PictureAsked } from '../workers/stills';

const sizes = ['800 × 600', '1600 × 1200', '1080 × 1080', '1920 × 1080', '1080 × 1920'];
const backgrounds = [
  ['', 'none, seen through'],
  ['#ffffff', 'white'],
  ['#e3e7e4', 'pale'],
  ['#14181a', 'dark'],
] as const;
/** Pictures of a turntable: every 15 degrees. */
const ROUND = 24;

/** Saves what is looked at as a picture, from the same side; or all round. */
export function TakePicture({ partId, out, dark }: { partId: string; out: () => Vec3; dark: boolean }) {
  const [size, setSize] = useState(sizes[0]!);
  const [background, setBackground] = useState<string>('#ffffff');
  const [dimensions, setDimensions] = useState(false);
  const [busy, setBusy] = useState('');
  const take = async (round: boolean): Promise<void> => {
    const { unit, versionId } = useView.getState();
    const { name, parts } = shownDoc(useBuild.getState().doc, versionId);
    const [width, height] = size.split(' × ').map(Number) as [number, number];
    const asked: PictureAsked = {
      out: out(),
      width,
      height,
      background: background || undefined,
      dimensions,
      unit,
    };
    const made = byId(useReport.getState().report?.parts ?? [], partId);
    if (!made) return;
    const scheme = byId(parts, partId)?.scheme;
    setBusy('Drawing…');
    try {
      if (round) {
        const told = proxy((share: number) => setBusy(`Drawing ${Math.round(share * ROUND)} of ${ROUND}…`));
        const zip = await fileWorker.turntable(made, scheme, asked, ROUND, told);
        saveFile(zip, 'turntable.zip', 'application/zip', `${name} ${made.name}`);
      } else {
        const png = await fileWorker.still(made, scheme, asked);
        saveFile(png, 'picture.png', 'image/png', `${name} ${made.name}`);
      }
    } catch (error) {
      toast.error(`No picture: ${(error as Error).message}`);
    }
    setBusy('');
  };
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button
          type="button"
          className={`btn btn-icon min-h-6 min-w-6 px-1 ${dark ? 'text-white' : ''}`}
          aria-label="Take a picture"
          title="Take a picture from this side"
        >
          <Camera size={14} aria-hidden />
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="leaf z-40 grid w-64 gap-2 p-3" align="end" sideOffset={4}>
          <label>
            <span className="label">Size, pixels</span>
            <select className="box" value={size} onChange={(e) => setSize(e.target.value)}>
              {sizes.map((s) => (
                <option key={s}>{s}</option>
              ))}
            </select>
          </label>
          <label>
            <span className="label">Background</span>
            <select className="box" value={background} onChange={(e) => setBackground(e.target.value)}>
              {backgrounds.map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
          </label>
          <label className="flex min-h-8 items-center gap-2">
            <input type="checkbox" checked={dimensions} onChange={(e) => setDimensions(e.target.checked)} />
            With its dimensions
          </label>
          <div className="flex flex-wrap gap-1" aria-live="polite">
            {busy ? (
              <span className="text-soft">{busy}</span>
            ) : (
              <>
                <button type="button" className="btn btn-main" onClick={() => void take(false)}>
                  Save picture
                </button>
                <button
                  type="button"
                  className="btn"
                  title={`${ROUND} pictures in an archive`}
                  onClick={() => void take(true)}
                >
                  All round
                </button>
              </>
            )}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
