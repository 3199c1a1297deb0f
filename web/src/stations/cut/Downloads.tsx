import chinese from '@expo-google-fonts/zcool-kuaile/400Regular/ZCOOLKuaiLe_400Regular.ttf?url';
import japanese from '@expo-google-fonts/kosugi/Kosugi_400Regular.ttf?url';
import korean from '@expo-google-fonts/gowun-dodum/400Regular/GowunDodum_400Regular.ttf?url';
import plain from 'dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf?url';
import { downloadsOf, type DownloadKind } from '@fomrik/core/files/offered';
import type { FontName } from '@fomrik/core/files/pdf/fonts';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { toast } from 'sonner';
import { useShallow } from 'zustand/react/shallow';
import { ExportBuild } from '../../shelf/ExportBuild';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { useView } from '../../store/view';
import { saveFile } from './saveFile';

const kinds: { kind: DownloadKind; label: string; what: string; type: string }[] = [
  { kind: 'pattern.pdf', label: 'Pattern, PDF', what: 'actual size, tiled', type: 'application/pdf' },
  { kind: 'pattern.svg', label: 'Pattern, SVG', what: 'millimetres, layers', type: 'image/svg+xml' },
  { kind: 'pattern.dxf', label: 'Pattern, DXF', what: 'for a cutter', type: 'image/vnd.dxf' },
  { kind: 'cut-list.csv', label: 'Cut list, CSV', what: 'every piece', type: 'text/csv' },
  {
    kind: 'hand-cutting.csv',
    label: 'Hand cutting, CSV',
    what: 'pieces in order, by rule and by curve, fresh blades',
    type: 'text/csv',
  },
  { kind: 'shopping.csv', label: 'Shopping, CSV', what: 'less what is in stock', type: 'text/csv' },
  {
    kind: 'wiring.pdf',
    label: 'Wiring card, PDF',
    what: 'one page for the repair kit',
    type: 'application/pdf',
  },
  {
    kind: 'wiring.csv',
    label: 'Wiring, CSV',
    what: 'the same as a table, meter readings',
    type: 'text/csv',
  },
  {
    kind: 'effects.csv',
    label: 'Effects, CSV',
    what: 'brightness against time, any controller',
    type: 'text/csv',
  },
  {
    kind: 'event-card.pdf',
    label: 'Event card, PDF',
    what: 'one page for the day',
    type: 'application/pdf',
  },
  { kind: 'steps.ics', label: 'Steps, ICS', what: 'for a calendar', type: 'text/calendar' },
];

const fontUrls: Record<FontName, string> = { plain, japanese, chinese, korean };

/** A font of printed pages, as this application serves it. */
async function printFont(name: FontName): Promise<Uint8Array> {
  const answer = await fetch(fontUrls[name]);
  if (!answer.ok) throw new Error('a font of the pages could not be fetched.');
  return new Uint8Array(await answer.arrayBuffer());
}

/** One file, made in this browser from the present state. */
export function DownloadButton({ kind }: { kind: DownloadKind }) {
  const [busy, setBusy] = useState(false);
  const { label, what, type } = kinds.find((k) => k.kind === kind)!;
  const take = async (): Promise<void> => {
    const { report, doc } = useReport.getState();
    if (!report || !doc) return;
    setBusy(true);
    try {
      const { makeDownload } = await import('@fomrik/core/files/downloads');
      saveFile(
        await makeDownload(kind, doc, report, new Date(), printFont, useView.getState().unit),
        kind,
        type,
        doc.name,
      );
    } catch (error) {
      toast.error(`Not made: ${(error as Error).message}`);
    } finally {
      setBusy(false);
    }
  };
  return (
    <button
      type="button"
      className={`btn ${kind === 'pattern.pdf' ? 'btn-main' : ''}`}
      disabled={busy}
      title={what}
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
  const offered = useReport(useShallow((s) => (s.report && s.doc ? downloadsOf(s.doc, s.report) : [])));
  return (
    <section aria-label="Downloads">
      <h2 className="head">Take away</h2>
      <div className="mt-1 flex flex-wrap gap-2">
        {offered.map((kind) => (
          <DownloadButton key={kind} kind={kind} />
        ))}
        <button type="button" className="btn" onClick={() => setExporting(true)}>
          <Download size={15} aria-hidden /> Build file
        </button>
        {exporting && <ExportBuild build={{ id, name, wearer }} onClose={() => setExporting(false)} />}
      </div>
    </section>
  );
}
