import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { copyFileSync, existsSync, readdirSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { copiesIn, copyFault, copyOfToday, copyTo, makeCopy, surplus } from './copies';
import { bench } from './testing/bench';

const doc = newBuild('Harbour light', '2026-03-01', { name: 'Tam Orrel', underLayerMm: 2, measures: [] });

describe('copies of everything', () => {
  const { create, db, dir, get, post, put, remove } = bench();
  const names = async (): Promise<string[]> =>
    ((await get('/api/builds')).body as { builds: { name: string }[] }).builds.map((b) => b.name).sort();
  const restore = (name: string) => post(`/api/copies/${name}/restore`);

  it('are put back whole, and what was there is a copy then', async () => {
    const id = await create(doc);
    await put(`/api/builds/${id}/log/l1`, {
      at: '2026-03-02T10:00:00.000Z',
      subject: 'cut',
      note: '',
      planned: null,
      actual: null,
      unit: '',
    });
    await put('/api/stock', {
      changes: [
        {
          foamId: 'dense-eva',
          nominalMm: 6,
          baseVersion: 0,
          item: { foamId: 'dense-eva', nominalMm: 6, sheets: 2 },
        },
      ],
    });
    const made = (await post('/api/copies')).body as { name: string; bytes: number };
    expect(made.bytes).to.be.greaterThan(10_000);
    await put(`/api/builds/${id}`, { baseVersion: 1, doc: { ...doc, name: 'Changed' } });
    await remove(`/api/builds/${id}/log/l1`);
    await create({ ...doc, name: 'Later' });
    const back = await restore(made.name);
    expect(back.status).to.equal(200);
    expect(await names()).to.deep.equal(['Harbour light']);
    expect(((await get(`/api/builds/${id}/log`)).body as { log: object[] }).log).to.have.length(1);
    expect(((await get('/api/stock')).body as { stock: object[] }).stock).to.have.length(1);
    // A device that had version 2 open does not save over what was put back.
    const late = await put(`/api/builds/${id}`, { baseVersion: 2, doc });
    expect(late.status).to.equal(409);
    const before = (back.body as { before: { name: string } }).before.name;
    await restore(before);
    expect(await names()).to.deep.equal(['Changed', 'Later']);
  });

  it('of an older Fomrik are put back as well; what is none changes nothing', async () => {
    await create(doc);
    const copy = (await makeCopy(db(), dir())).name;
    // An older one: without the tables of the last migrations.
    const older = join(dir(), 'copies', 'older.sqlite');
    const { default: Database } = await import('better-sqlite3');
    copyFileSync(join(dir(), 'copies', copy), older);
    const raw = new Database(older);
    raw.exec("DROP TABLE device; DELETE FROM migrations WHERE name LIKE 'Devices%'");
    raw.close();
    expect((await restore('older.sqlite')).status).to.equal(200);
    expect(await names()).to.deep.equal(['Harbour light']);
    writeFileSync(join(dir(), 'copies', 'none.sqlite'), 'a shopping list');
    const none = await restore('none.sqlite');
    expect([none.status, (none.body as { error: { code: string } }).error.code]).to.deep.equal([
      422,
      'broken',
    ]);
    expect((await restore('..%2f..%2fetc%2fpasswd')).status).to.equal(404);
    expect(await names()).to.deep.equal(['Harbour light']);
    expect(readdirSync(dir()).filter((f) => f.startsWith('putting-back'))).to.deep.equal([]);
  });

  it('are made once a day of use, seven are kept, and nobody else may read them', async () => {
    const day = (n: number): Date => new Date(Date.UTC(2026, 2, n, 12));
    expect(await copyOfToday(db(), dir(), day(1))).to.equal(undefined);
    await create(doc);
    for (let n = 1; n <= 9; n++) {
      const copy = await copyOfToday(db(), dir(), day(n));
      utimesSync(join(dir(), 'copies', copy!.name), day(n), day(n));
      expect(await copyOfToday(db(), dir(), day(n))).to.equal(undefined);
    }
    expect(copiesIn(dir()).map((c) => c.name.slice(8, 10))).to.deep.equal([
      '09',
      '08',
      '07',
      '06',
      '05',
      '04',
      '03',
    ]);
    for (const file of ['fomrik.sqlite', join('copies', copiesIn(dir())[0]!.name)])
      expect(statSync(join(dir(), file)).mode & 0o077, file).to.equal(0);
    expect(statSync(dir()).mode & 0o077).to.equal(0);
  });

  it('are checked after they were written, and a half one is never left', async () => {
    const file = join(dir(), 'away.sqlite');
    await copyTo(db(), file);
    expect(copyFault(file)).to.equal(undefined);
    let failed = false;
    await copyTo(db(), join(dir(), 'nowhere', 'away.sqlite')).catch(() => (failed = true));
    expect(failed).to.equal(true);
    expect(existsSync(`${file}.half`)).to.equal(false);
  });

  it('of earlier days are not pushed out by many of one day', () => {
    const at = (day: number, hour: number) => ({
      name: '',
      bytes: 1,
      madeAt: new Date(Date.UTC(2026, 2, day, hour)).toISOString(),
    });
    const copies = [
      ...Array.from({ length: 20 }, (_, i) => at(9, 23 - i)),
      at(8, 9),
      at(8, 8),
      at(7, 9),
      at(1, 9),
      at(0, 9),
      at(-1, 9),
      at(-2, 9),
      at(-3, 9),
    ];
    const gone = surplus(copies);
    const kept = copies.filter((c) => !gone.includes(c));
    expect(kept.map((c) => c.madeAt.slice(0, 10))).to.deep.equal([
      ...Array.from({ length: 7 }, () => '2026-03-09'),
      '2026-03-08',
      '2026-03-07',
      '2026-03-01',
      '2026-02-28',
      '2026-02-27',
      '2026-02-26',
    ]);
    expect(surplus([at(9, 9), { ...at(8, 9), bytes: 5e9 }]).map((c) => c.bytes)).to.deep.equal([5e9]);
  });

  it('leave nothing beside them when they are looked at', async () => {
    await create(doc);
    const { name } = await makeCopy(db(), dir());
    expect(copyFault(join(dir(), 'copies', name))).to.equal(undefined);
    expect(readdirSync(join(dir(), 'copies'))).to.deep.equal([name]);
  });
});
