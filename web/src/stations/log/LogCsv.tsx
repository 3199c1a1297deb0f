import { Download, Upload } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { useNotes, writeLog } from '../../store/notes';
import { saveFile } from '../cut/saveFile';

/** The diary as a table for other programs, and back. */
export function LogCsv() {
  const log = useNotes((s) => s.log);
  const name = useBuild((s) => s.doc.name);
  const [message, setMessage] = useState('');
  const [left, setLeft] = useState(0);
  const take = async (): Promise<void> => {
    const { logCsv } = await import('@fomrik/core/files/csv');
    saveFile(logCsv(log), 'log.csv', 'text/csv', name);
  };
  const read = async (file: File): Promise<void> => {
    const { notYetIn, readLogCsv } = await import('@fomrik/core/files/logCsv');
    const entries = readLogCsv(await file.text(), new Date().toISOString());
    if (!entries.ok) return setMessage(`${file.name}: ${entries.message}`);
    setMessage('');
    const fresh = notYetIn(useNotes.getState().log, entries.value);
    const known = entries.value.length - fresh.length;
    for (const [i, entry] of fresh.entries()) {
      setLeft(fresh.length - i);
      if (!(await writeLog(entry))) {
        setLeft(0);
        return setMessage(`${i} of ${fresh.length} entries were written; reading the file again goes on.`);
      }
    }
    setLeft(0);
    toast(`${fresh.length} entries read${known > 0 ? `; ${known} were in the log already` : ''}.`);
  };
  return (
    <div className="flex flex-wrap items-center gap-2">
      {log.length > 0 && (
        <button type="button" className="btn" onClick={() => void take()}>
          <Download size={15} aria-hidden /> Log, CSV
        </button>
      )}
      <label className={`btn cursor-pointer ${left > 0 ? 'opacity-50' : ''}`}>
        <Upload size={15} aria-hidden /> {left > 0 ? `Reading ${left}…` : 'Read a log, CSV'}
        <input
          type="file"
          accept=".csv,text/csv"
          className="sr-only"
          disabled={left > 0}
          onChange={(e) => {
            const [file] = e.target.files ?? [];
            if (file) void read(file);
            e.target.value = '';
          }}
        />
      </label>
      {message && (
        <p role="alert" className="w-full text-stop">
          {message}
        </p>
      )}
    </div>
  );
}
