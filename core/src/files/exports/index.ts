import { findIn } from '../../units';
import type { BuildDoc } from '../../document';
import type { Report } from '../../report';
import type { ExportSource, FileExport } from './contract';
import { fileExports as all } from './exports';

export type { ExportSource, FileExport } from './contract';

/** Every file that can be taken away. */
export const fileExports: readonly FileExport[] = all;
export type ExportId = (typeof all)[number]['id'];

export const exportOf = (id: ExportId): FileExport => findIn(all, (e) => e.id === id);

/** The files that would have something in them. */
export const offeredExports = (doc: BuildDoc, report: Report): FileExport[] =>
  fileExports.filter(({ when }) => when?.(doc, report) ?? true);

/** A file as bytes or text. */
export async function makeExport(of: FileExport, source: ExportSource): Promise<Uint8Array | string> {
  const make = await of.load();
  return make(source);
}
