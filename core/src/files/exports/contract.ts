import type { BuildDoc } from '../../document';
import type { Report } from '../../report';
import type { LengthUnit } from '../../units';
import type { FontSource } from '../pdf/fonts';

/** What a file is made from; words and lists in `unit`, drawings always true size in millimetres. */
export interface ExportSource {
  doc: BuildDoc;
  report: Report;
  stamp: Date;
  font: FontSource;
  unit: LengthUnit;
}

type Contents = Uint8Array | string;

/** A file that can be taken away. */
export interface FileExport {
  /** Its name in a folder, with its extension. */
  id: string;
  label: string;
  /** What is in it, in a few words. */
  about: string;
  /** Media type. */
  type: string;
  /** Whether it would have something in it; always, when left out. */
  when?: (doc: BuildDoc, report: Report) => boolean;
  /** It takes a while: made only where it is asked for. */
  slow?: true;
  /** Fetches what makes it. */
  load: () => Promise<(source: ExportSource) => Contents | Promise<Contents>>;
}
