import {
  createWriteStream,
  copyFileSync,
  existsSync,
  mkdirSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { get as http, type IncomingMessage } from 'node:http';
import { get as https } from 'node:https';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { copyFault, copyTo, putBack } from './copies';
import { openDatabase } from './database';
import { end } from './end';
import { HttpError, sqliteCode } from './errors';
import { runningAt } from './running';
import { startFault } from './startFault';

const megabytes = (file: string): string => `${(statSync(file).size / 1e6).toFixed(1)} MB`;

const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(sqliteCode(error) ?? '');
const isDamaged = (error: unknown): boolean => /^SQLITE_(CORRUPT|NOTADB|IOERR)/.test(sqliteCode(error) ?? '');

/** An answer of this computer's own server; its certificate is made out to another name than 127.0.0.1. */
const opened = (url: string): Promise<IncomingMessage> =>
  new Promise((resolve, reject) => {
    const asked = url.startsWith('https:')
      ? https(url, { rejectUnauthorized: false }, resolve)
      : http(url, resolve);
    asked.on('error', reject);
  });

/** A copy from the server that has the database open. */
async function askServer(data: string, file: string): Promise<void> {
  const url = runningAt(data);
  if (!url) throw new Error(`Another program has ${data} open.`);
  const answer = await opened(`${url}api/copies/now`);
  if (answer.statusCode !== 200) throw new Error(`The server at ${url} answers ${answer.statusCode}.`);
  const half = `${file}.half`;
  try {
    await pipeline(answer, createWriteStream(half, { mode: 0o600 }));
    const fault = copyFault(half);
    if (fault) throw new Error(`The copy was fetched, but ${fault}.`);
    renameSync(half, file);
  } finally {
    rmSync(half, { force: true });
  }
}

/** `fomrik backup FILE`: everything in one file, also while Fomrik runs; checked after it was written. */
export async function backup(data: string, file: string): Promise<void> {
  const to = resolve(file);
  if (!existsSync(join(data, 'fomrik.sqlite'))) end(`There is no Fomrik data in ${data}.`, 2);
  if (existsSync(to)) end(`${file} is there already; name another file.`, 2);
  try {
    const db = await openDatabase(data);
    await copyTo(db, to);
    await db.destroy();
  } catch (error) {
    try {
      if (!isBusy(error)) throw error;
      await askServer(data, to);
    } catch (failure) {
      end(`Not copied: ${startFault(failure, data).message}`, 5);
    }
  }
  console.log(`Everything in ${data} is in ${file}, ${megabytes(to)}, and was read back.`);
}

/** A database that cannot be opened is moved aside, and the copy put where it was. */
function replaceDamaged(data: string, file: string): void {
  const aside = join(data, `damaged-${new Date().toISOString().slice(0, 19).replaceAll(':', '-')}`);
  mkdirSync(aside, { recursive: true });
  for (const ending of ['', '-wal', '-shm']) {
    const from = join(data, `fomrik.sqlite${ending}`);
    if (existsSync(from)) renameSync(from, join(aside, `fomrik.sqlite${ending}`));
  }
  copyFileSync(file, join(data, 'fomrik.sqlite.half'));
  renameSync(join(data, 'fomrik.sqlite.half'), join(data, 'fomrik.sqlite'));
  console.log(`What was damaged lies in ${aside}.`);
}

/** `fomrik restore FILE`: puts a copy back; what is there now is copied first. */
export async function restore(data: string, file: string): Promise<void> {
  if (!existsSync(file)) end(`There is no file ${file}.`, 2);
  const fault = copyFault(file);
  if (fault) end(`${file} cannot be put back: ${fault}.`, 4);
  try {
    const db = await openDatabase(data);
    const before = await putBack(db, data, file);
    await db.destroy();
    console.log(`What was there before is kept as ${join(data, 'copies', before.name)}.`);
  } catch (error) {
    if (isBusy(error))
      end(`Fomrik is running on ${data}. Stop it first, or restore the backup from its shelf.`, 3);
    if (!isDamaged(error))
      end(error instanceof HttpError ? error.message : startFault(error, data).message, 5);
    replaceDamaged(data, file);
    await (await openDatabase(data)).destroy();
  }
  console.log(`${file} is put back in ${data}.`);
}
