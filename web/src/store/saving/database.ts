import type { BuildDoc, LogEntry } from '@fomrik/core/document';
import { type DBSchema, type IDBPDatabase, openDB } from 'idb';

/** What one tab has of a build that the server has not taken. */
export interface KeptCopy {
  buildId: string;
  /** The tab it was changed in. */
  tab: string;
  /** The saved version it began from. */
  baseVersion: number;
  doc: BuildDoc;
  keptAt: string;
}

/** An entry of the log that the server has not taken, with photographs that it has not either. */
export interface WaitingEntry {
  id: string;
  buildId: string;
  entry: LogEntry;
  photos: Blob[];
}

/** A build as the server was last known to have it. */
export interface LastKnown {
  id: string;
  version: number;
  updatedAt: string;
  doc: BuildDoc;
}

interface Schema extends DBSchema {
  copies: { key: [buildId: string, tab: string]; value: KeptCopy; indexes: { build: string } };
  waiting: { key: string; value: WaitingEntry };
  known: { key: string; value: LastKnown; indexes: { updated: string } };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** This browser's own database. @throws when storage is full or forbidden. */
export function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>('fomrik', 1, {
    upgrade: (db) => {
      db.createObjectStore('copies', { keyPath: ['buildId', 'tab'] }).createIndex('build', 'buildId');
      db.createObjectStore('waiting', { keyPath: 'id' });
      db.createObjectStore('known', { keyPath: 'id' }).createIndex('updated', 'updatedAt');
    },
  }).catch((error: unknown) => {
    // Asked again the next time: storage may be allowed by then.
    opened = undefined;
    throw error;
  });
  return opened;
}
