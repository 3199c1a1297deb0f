import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { DataSource } from 'typeorm';
import { BuildStore } from './buildStore';
import { openDatabase } from './database';
import { sqliteCode } from './errors';

const doc = newBuild('Full', '2026-03-01', { name: 'Tam', underLayerMm: 2, measures: [] });
const fat = { ...doc, brief: { ...doc.brief, notes: 'x'.repeat(3000) } };

/** Saves until told otherwise; the code of the fault that stopped it. */
async function saveUntilFull(
  store: BuildStore,
  id: string,
  from: number,
): Promise<{ code?: string; version: number }> {
  for (let version = from; version < from + 3000; version++) {
    try {
      await store.save(id, version, { ...fat, name: `save ${version + 1}` });
    } catch (error) {
      const code = sqliteCode(error);
      return { ...(code && { code }), version };
    }
  }
  return { version: from + 3000 };
}

/** After a full disk: two more refusals, room again, fifty saves, and all fifty there when the file is opened anew. */
async function survives(
  dir: string,
  fill: (db: DataSource) => Promise<void>,
  free: (db: DataSource) => Promise<void>,
) {
  const db = await openDatabase(dir);
  const store = new BuildStore(db);
  await store.create('b', doc);
  await fill(db);
  const full = await saveUntilFull(store, 'b', 1);
  expect(full.code).to.equal('SQLITE_FULL');
  const again = await saveUntilFull(store, 'b', full.version);
  expect(again).to.deep.equal({ code: 'SQLITE_FULL', version: full.version });
  await free(db);
  for (let i = 0; i < 50; i++) await store.save('b', full.version + i, { ...doc, name: `after ${i}` });
  await db.destroy();
  const anew = await openDatabase(dir);
  const kept = await new BuildStore(anew).get('b');
  await anew.destroy();
  expect(kept.version).to.equal(full.version + 50);
  expect(kept.doc.name).to.equal('after 49');
}

describe('a disk that is full for a moment', function () {
  this.timeout(60_000);

  it('loses nothing that was acknowledged afterwards (database kept from growing)', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'fomrik-'));
    try {
      await survives(
        dir,
        async (db) => {
          const [{ page_count: pages }] = (await db.query('PRAGMA page_count')) as [{ page_count: number }];
          await db.query(`PRAGMA max_page_count = ${pages + 20}`);
        },
        async (db) => {
          await db.query('PRAGMA max_page_count = 1000000');
        },
      );
    } finally {
      rmSync(dir, { recursive: true, force: true });
    }
  });

  it('loses nothing on a small disk that fills up (where mounting is allowed)', async function () {
    const dir = mkdtempSync(join(tmpdir(), 'fomrik-'));
    if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=2m', 'tmpfs', dir]).status !== 0) this.skip();
    const ballast = join(dir, 'ballast');
    try {
      await survives(
        dir,
        () => Promise.resolve(writeFileSync(ballast, Buffer.alloc(700_000))),
        () => Promise.resolve(rmSync(ballast)),
      );
    } finally {
      spawnSync('umount', [dir]);
      rmSync(dir, { recursive: true, force: true });
    }
  });
});
