import { findIn } from '@fomrik/core/units';
import Database from 'better-sqlite3';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdirSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { mkdtemp } from 'node:fs/promises';
import { basename, join } from 'node:path';
import type { DataSource } from 'typeorm';
import { rawOf } from './atomic';
import { openDatabase } from './database';
import { HttpError } from './errors';

/** A copy of everything, as the shelf shows it. */
export interface Copy {
  name: string;
  madeAt: string;
  bytes: number;
}

/** The newest copy of each of so many days is kept, and as many of the newest day; together no larger than this. */
const KEPT = 7;
const MOST_BYTES = 4e9;
/** Pages that are copied before others get their turn. */
const PAGES = 4096;

const folderOf = (dataDir: string): string => join(dataDir, 'copies');
const isCopy = (name: string): boolean => /^[\w.-]+\.sqlite$/.test(name);

/** Copies in the data directory, the newest first. */
export function copiesIn(dataDir: string): Copy[] {
  const folder = folderOf(dataDir);
  if (!existsSync(folder)) return [];
  return readdirSync(folder)
    .filter(isCopy)
    .map((name) => {
      const { mtime, size } = statSync(join(folder, name));
      return { name, madeAt: mtime.toISOString(), bytes: size };
    })
    .sort((a, b) => b.madeAt.localeCompare(a.madeAt));
}

/** The path of a copy by its name. @throws HttpError 404 when there is none. */
export function copyPath(dataDir: string, name: unknown): string {
  const path = join(folderOf(dataDir), basename(String(name)));
  if (typeof name !== 'string' || !isCopy(name) || !existsSync(path))
    throw new HttpError(404, 'not-found', 'There is no such copy.');
  return path;
}

/** Why a file is no copy that can be put back; nothing when it is sound. */
export function copyFault(file: string): string | undefined {
  try {
    const db = new Database(file, { readonly: true, fileMustExist: true });
    try {
      const [{ integrity_check: reported }] = db.pragma('integrity_check') as [{ integrity_check: string }];
      if (reported !== 'ok') return `it is damaged (${reported.slice(0, 200)})`;
      const has = db
        .prepare("SELECT count(*) AS n FROM sqlite_master WHERE name IN ('build', 'migrations')")
        .get();
      return (has as { n: number }).n === 2 ? undefined : 'it is not a copy of a Fomrik database';
    } finally {
      db.close();
    }
  } catch (error) {
    return `it cannot be read (${(error as Error).message})`;
  }
}

/**
 * Writes a copy of the open database, checks it, and only then gives it its name. Asked in the queue of writes: a copy
 * made on the same connection would hold half of a transaction that is open.
 * @throws when it cannot be written, or is not sound.
 */
export async function copyTo(db: DataSource, file: string): Promise<void> {
  const half = `${file}.half`;
  try {
    await rawOf(db).backup(half, { progress: () => PAGES });
    // One file by itself, that can be read from a disk that nobody writes to.
    const written = new Database(half);
    written.pragma('journal_mode = DELETE');
    written.close();
    const fault = copyFault(half);
    if (fault) throw new Error(`The copy was written, but ${fault}.`);
    chmodSync(half, 0o600);
    renameSync(half, file);
  } finally {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(half + end, { force: true });
  }
}

/** Copies that are not kept any more, of all there are, the newest first. */
export function surplus(copies: readonly Copy[]): Copy[] {
  const dayOf = ({ madeAt }: Copy): string => madeAt.slice(0, 10);
  const days = [...new Set(copies.map(dayOf))];
  let bytes = 0;
  return copies.filter((copy, i) => {
    const day = days.indexOf(dayOf(copy));
    const ofDay = i - copies.findIndex((c) => dayOf(c) === dayOf(copy));
    const wanted = day < KEPT && ofDay < (day === 0 ? KEPT : 1);
    if (wanted) bytes += copy.bytes;
    return i > 0 && (!wanted || bytes > MOST_BYTES);
  });
}

/** Makes a copy in the data directory and lets the oldest go. */
export async function makeCopy(db: DataSource, dataDir: string, now = new Date()): Promise<Copy> {
  const folder = folderOf(dataDir);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const name = `${now.toISOString().slice(0, 19).replaceAll(':', '-')}.sqlite`;
  await copyTo(db, join(folder, name));
  for (const old of surplus(copiesIn(dataDir))) rmSync(join(folder, old.name), { force: true });
  return findIn(copiesIn(dataDir), (copy) => copy.name === name);
}

/** Makes the copy of today when there is none yet and something is there to copy. */
export async function copyOfToday(
  db: DataSource,
  dataDir: string,
  now = new Date(),
): Promise<Copy | undefined> {
  const today = now.toISOString().slice(0, 10);
  if (copiesIn(dataDir).some((copy) => copy.name.startsWith(today))) return undefined;
  const [{ n }] = (await db.query('SELECT count(*) AS n FROM build')) as [{ n: number }];
  return n === 0 ? undefined : makeCopy(db, dataDir, now);
}

/** Tables in an order in which rows may be written: what others refer to comes first. */
const tables = [
  'build',
  'revision',
  'pin',
  'log_entry',
  'wearer',
  'measurement',
  'stock_item',
  'picture',
  'printer',
  'kept_part',
];

/**
 * Puts a copy back into the open database as one transaction; what is there now is copied first. Builds count on from
 * the higher of both versions, so that no device that has one open saves over it unasked.
 * @returns the copy that was made of what was there.
 * @throws HttpError 422 when the file is no copy that can be put back; nothing is changed then.
 */
export async function putBack(db: DataSource, dataDir: string, file: string): Promise<Copy> {
  const fault = copyFault(file);
  if (fault) throw new HttpError(422, 'broken', `This copy cannot be put back: ${fault}.`);
  const aside = await mkdtemp(join(dataDir, 'putting-back-'));
  try {
    // Brought to the present schema beside the open one.
    copyFileSync(file, join(aside, 'fomrik.sqlite'));
    await (await openDatabase(aside)).destroy();
    const before = await makeCopy(db, dataDir);
    const raw = rawOf(db);
    raw.prepare('ATTACH DATABASE ? AS copy').run(join(aside, 'fomrik.sqlite'));
    try {
      raw.exec('BEGIN IMMEDIATE');
      raw.exec('PRAGMA defer_foreign_keys = ON');
      raw.exec('CREATE TEMP TABLE counted AS SELECT id, version FROM main.build');
      for (const table of [...tables].reverse()) raw.exec(`DELETE FROM main.${table}`);
      for (const table of tables) {
        const columns = (raw.pragma(`main.table_info(${table})`) as { name: string }[])
          .map((c) => c.name)
          .join(', ');
        raw.exec(`INSERT INTO main.${table} (${columns}) SELECT ${columns} FROM copy.${table}`);
      }
      raw.exec(`UPDATE main.build SET version = 1 + max(version,
        COALESCE((SELECT c.version FROM temp.counted c WHERE c.id = build.id), 0)), digest = NULL`);
      raw.exec(`INSERT INTO main.revision (buildId, version, doc, savedAt)
        SELECT id, version, doc, updatedAt FROM main.build`);
      raw.exec('DROP TABLE temp.counted');
      raw.exec('COMMIT');
    } catch (error) {
      if (raw.inTransaction) raw.exec('ROLLBACK');
      throw error;
    } finally {
      raw.exec('DETACH DATABASE copy');
    }
    return before;
  } finally {
    rmSync(aside, { recursive: true, force: true });
  }
}
