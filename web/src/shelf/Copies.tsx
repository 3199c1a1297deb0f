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
    if (!confirm(`Restore everything as it was on ${when}? What is here now is backed up first.`)) return;
    void during('Restoring…', async () => {
      await api.restoreCopy(copy.name);
      onChanged();
      return `Everything is as it was on ${when}. The state before is the newest backup.`;
    });
  };
  if (!copies) return null;
  return (
    <details className="mt-3 border-t border-hair pt-2">
      <summary className="cursor-pointer text-soft">
        Backups:{' '}
        {copies[0]
          ? `the last ${formatDistanceToNow(new Date(copies[0].madeAt), { addSuffix: true })}`
          : 'none yet'}
      </summary>
      <p className="mt-1 text-[13px] text-soft">
        A backup is made each day you use Fomrik; the last seven days are kept beside the data. Download one
        to another disk from time to time.
      </p>
      <ul className="mt-1">
        {copies.map((copy) => (
          <li key={copy.name} className="flex items-center gap-2 border-t border-hair py-1">
            <span className="min-w-0 flex-1">
              {format(new Date(copy.madeAt), 'd MMM yyyy HH:mm')}{' '}
              <span className="text-soft">{megabytes(copy.bytes)}</span>
            </span>
            <a className="btn" href={api.copyUrl(copy.name)} download>
              <Download size={15} aria-hidden /> Download
            </a>
            <button type="button" className="btn" disabled={busy !== ''} onClick={() => restore(copy)}>
              Restore
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
            'Backing up…',
            async () => `Backed up and checked, ${megabytes((await api.makeCopy()).bytes)}.`,
          )
        }
      >
        {busy || 'Back up now'}
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
