import type { LogSort } from '@fomrik/core/document';
import { EntitySchema } from 'typeorm';

/** The newest state of one build; `doc` is the checked document as JSON text. */
export interface BuildRow {
  id: string;
  name: string;
  doc: string;
  version: number;
  createdAt: string;
  updatedAt: string;
  /** Set when deleted; kept so that it can be brought back. */
  deletedAt: string | null;
  /** What was last worked out of it, JSON with the version it was worked out from. */
  digest: string | null;
}

export const BuildEntity = new EntitySchema<BuildRow>({
  name: 'build',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    doc: { type: 'text' },
    version: { type: 'integer' },
    createdAt: { type: 'text' },
    updatedAt: { type: 'text' },
    deletedAt: { type: 'text', nullable: true },
    digest: { type: 'text', nullable: true },
  },
});

/** Every save, pruned as it grows old. */
export interface RevisionRow {
  buildId: string;
  version: number;
  doc: string;
  savedAt: string;
}

export const RevisionEntity = new EntitySchema<RevisionRow>({
  name: 'revision',
  columns: {
    buildId: { type: 'text', primary: true },
    version: { type: 'integer', primary: true },
    doc: { type: 'text' },
    savedAt: { type: 'text' },
  },
});

export interface PinRow {
  id: string;
  buildId: string;
  name: string;
  pinnedAt: string;
  doc: string;
}

export const PinEntity = new EntitySchema<PinRow>({
  name: 'pin',
  columns: {
    id: { type: 'text', primary: true },
    buildId: { type: 'text', primary: true },
    name: { type: 'text' },
    pinnedAt: { type: 'text' },
    doc: { type: 'text' },
  },
});

export interface LogRow {
  id: string;
  buildId: string;
  at: string;
  subject: string;
  note: string;
  planned: number | null;
  actual: number | null;
  unit: string;
  sort: LogSort | null;
  part: string | null;
  /** Contents of its pictures, a JSON list. */
  photos: string | null;
}

export const LogEntity = new EntitySchema<LogRow>({
  name: 'log_entry',
  columns: {
    id: { type: 'text', primary: true },
    buildId: { type: 'text', primary: true },
    at: { type: 'text' },
    subject: { type: 'text' },
    note: { type: 'text' },
    planned: { type: 'real', nullable: true },
    actual: { type: 'real', nullable: true },
    unit: { type: 'text' },
    sort: { type: 'text', nullable: true },
    part: { type: 'text', nullable: true },
    photos: { type: 'text', nullable: true },
  },
});
