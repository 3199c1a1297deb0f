import { format, formatDistanceToNow } from 'date-fns';
import { Download, Upload } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import { toast } from 'sonner';
import { api, type Copy } from '../store/api';

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;

/** Adds what a shop file has. @returns what came of it, in words. */
async function readShop(file: File): Promise<string> {
  let value: unknown;
  try {
    value = JSON.parse(await file.text());
  } catch {
    throw new Error(`${file.name} is not a shop file.`);
  }
  const { added, there } = await api.readShop(value);
  return `${added} added; ${there} were there already and stay as they are.`;
}

/** Copies of everything: when and how large; one is made each day of use, and any can be put back. */
export function Copies({ onChanged }: { onChanged: () => void }) {
  const [copies, setCopies] = useState<Copy[]>();
  const [busy, setBusy] = useState('');
  const load = useCallback(() => void api.copies().then(setCopies, () => setCopies(undefined)), []);
  useEffect(load, [load]);
  const during = async (what: string, work: () => Promise<string>): Promise<void> => {
    setBusy(what);
    try {
      toast(await work());
      load();
    } catch (error) {
      toast.error((error as Error).message);
    } finally {
      setBusy('');
    }
  };
  const restore = (copy: Copy): void => {
    const when = format(new Date(copy.madeAt), 'd MMM yyyy HH:mm');
    if (!confirm(`Put everything back as it was on ${when}? What is here now is copied first.`)) return;
    void during('Putting it back…', async () => {
      await api.restoreCopy(copy.name);
      onChanged();
      return `Everything is as it was on ${when}. What was here is the newest copy now.`;
    });
  };
  if (!copies) return null;
  return (
    <details className="mt-3 border-t border-hair pt-2">
      <summary className="cursor-pointer text-soft">
        Copies:{' '}
        {copies[0]
          ? `the last ${formatDistanceToNow(new Date(copies[0].madeAt), { addSuffix: true })}`
          : 'none yet'}
      </summary>
      <p className="mt-1 text-[13px] text-soft">
        One is made each day of use and seven are kept, beside the data. Take one away to another disk from
        time to time.
      </p>
      <ul className="mt-1">
        {copies.map((copy) => (
          <li key={copy.name} className="flex items-center gap-2 border-t border-hair py-1">
            <span className="min-w-0 flex-1">
              {format(new Date(copy.madeAt), 'd MMM yyyy HH:mm')}{' '}
              <span className="text-soft">{megabytes(copy.bytes)}</span>
            </span>
            <a className="btn" href={api.copyUrl(copy.name)} download>
              <Download size={15} aria-hidden /> Take away
            </a>
            <button type="button" className="btn" disabled={busy !== ''} onClick={() => restore(copy)}>
              Put back
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn mt-2"
        disabled={busy !== ''}
        onClick={() =>
          void during(
            'Copying…',
            async () => `Copied and checked, ${megabytes((await api.makeCopy()).bytes)}.`,
          )
        }
      >
        {busy || 'Make a copy now'}
      </button>
      <p className="mt-3 text-[13px] text-soft">
        The shop alone, without builds: wearers with their readings, printers, the shared shelf, kept parts.
      </p>
      <div className="mt-1 flex gap-2">
        <a className="btn" href={api.shopFileUrl} download>
          <Download size={15} aria-hidden /> Shop file
        </a>
        <label className="btn cursor-pointer">
          <Upload size={15} aria-hidden /> Read a shop file
          <input
            type="file"
            accept=".json,application/json"
            className="sr-only"
            onChange={(e) => {
              const [file] = e.target.files ?? [];
              e.target.value = '';
              if (file) void during('Reading it…', () => readShop(file));
            }}
          />
        </label>
      </div>
    </details>
  );
}
