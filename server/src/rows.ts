import type { BuildDoc, LogEntry, Pin } from '@fomrik/core/document';
import { upgradeDoc } from '@fomrik/core/files/buildFile';
import type { LogRow, PinRow, BuildRow } from './entities/build';
import { HttpError } from './errors';

export interface SavedBuild {
  id: string;
  version: number;
  updatedAt: string;
  doc: BuildDoc;
}

/** A stored document, lifted to the present schema whatever version it was saved in. */
export function docOf(row: { doc: string }): BuildDoc {
  let value: unknown;
  try {
    value = JSON.parse(row.doc);
  } catch (error) {
    throw new HttpError(422, 'broken', `This build cannot be read: ${(error as Error).message}.`);
  }
  const read = upgradeDoc(value);
  if (!read.ok) throw new HttpError(422, 'broken', `This build cannot be read: ${read.message}`);
  return read.value;
}
export const saved = (row: BuildRow): SavedBuild => ({
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt,
  doc: docOf(row),
});

export const pinOf = (row: PinRow): Pin => ({
  id: row.id,
  name: row.name,
  pinnedAt: row.pinnedAt,
  doc: docOf(row),
});
/** One row that was spoilt does not take the others along. */
function photosOf(text: string): string[] {
  try {
    return JSON.parse(text) as string[];
  } catch {
    return [];
  }
}

export const logOf = ({ buildId, sort, part, photos, ...entry }: LogRow): LogEntry => ({
  ...entry,
  ...(sort && { sort }),
  ...(part && { part }),
  ...(photos && { photos: photosOf(photos) }),
});
export const logRow = (buildId: string, { sort, part, photos, ...entry }: LogEntry): LogRow => ({
  ...entry,
  buildId,
  sort: sort ?? null,
  part: part ?? null,
  photos: photos && photos.length > 0 ? JSON.stringify(photos) : null,
});
