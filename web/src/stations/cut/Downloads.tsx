import chinese from '@expo-google-fonts/zcool-kuaile/400Regular/ZCOOLKuaiLe_400Regular.ttf?url';
import japanese from '@expo-google-fonts/kosugi/Kosugi_400Regular.ttf?url';
import korean from '@expo-google-fonts/gowun-dodum/400Regular/GowunDodum_400Regular.ttf?url';
import plain from 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf?url';
import { type ExportId, type FileExport, makeExport, offeredExports } from '@fomrik/core/files/exports';
import type { FontName } from '@fomrik/core/files/pdf/fonts';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { useShallow } from 'zustand/react/shallow';
import { ExportBuild } from '../../shelf/ExportBuild';
import { useBuild } from '../../store/build';
import { answered, useReport } from '../../store/report';
import { useView } from '../../store/view';
import { fileWorker } from '../../workers/fileClient';
import { printFont } from '../../workers/files';
import { saveFile } from './saveFile';

const fontUrls: Record<FontName, string> = { plain, japanese, chinese, korean };

/** Where fonts are, wherever it is asked from. */
const fonts = Object.fromEntries(
  Object.entries(fontUrls).map(([name, url]) => [name, new URL(url, window.location.href).href]),
) as Record<FontName, string>;

/** One file, made in this browser from the present state. */
export function DownloadButton({ file }: { file: FileExport }) {
  const [busy, setBusy] = useState(false);
  const { id, label, about, type } = file;
  const take = async (): Promise<void> => {
    setBusy(true);
    try {
      const { report, doc } = await answered();
      const { unit } = useView.getState();
      const stamp = new Date();
      const made = file.slow
        ? await fileWorker.file(doc, id as ExportId, { unit, stamp, fonts })
        : await makeExport(file, { doc, report, stamp, font: (name) => printFont(fonts[name]), unit });
      saveFile(made, id, type, doc.name);
    } catch (error) {
      toast.error(`Not made: ${(error as Error).message}`);
    } finally {
      setBusy(false);
    }
  };
  return (
    <button
      type="button"
      className={`btn ${id === 'pattern.pdf' ? 'btn-main' : ''}`}
      disabled={busy}
      title={about}
      onClick={() => void take()}
    >
      <Download size={15} aria-hidden /> {busy ? 'Making it…' : label}
    </button>
  );
}

/** Everything that can be taken away. */
export function Downloads() {
  const id = useBuild((s) => s.id);
  const name = useBuild((s) => s.doc.name);
  const wearer = useBuild((s) => s.doc.wearer.name);
  const [exporting, setExporting] = useState(false);
  const offered = useReport(useShallow((s) => (s.report && s.doc ? offeredExports(s.doc, s.report) : [])));
  return (
    <section aria-label="Downloads">
      <h2 className="head">Downloads</h2>
      <div className="mt-1 flex flex-wrap gap-2">
        {offered.map((file) => (
          <DownloadButton key={file.id} file={file} />
        ))}
        <button type="button" className="btn" onClick={() => setExporting(true)}>
          <Download size={15} aria-hidden /> Build file
        </button>
        {exporting && <ExportBuild build={{ id, name, wearer }} onClose={() => setExporting(false)} />}
      </div>
    </section>
  );
}
