import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import { bench } from './testing/bench';

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
const doc = newBuild('Full', '2026-03-01', wearer);
const fat = { ...doc, brief: { ...doc.brief, notes: 'x'.repeat(3000) } };
const part = { ...fat, parts: [newPart('dial', wearer, 'donor')] };
const note = 'y'.repeat(3000);
const entry = { at: '2026-03-01T10:00:00.000Z', subject: 'cut', note, planned: null, actual: null, unit: '' };
const readings = Array.from({ length: 60 }, (_, i) => ({
  key: 'stature',
  valueMm: 1700,
  source: 'tape',
  takenOn: `2026-0${1 + (i % 9)}-${10 + (i % 19)}`,
}));

describe('a full disk, in every kind of write', function () {
  this.timeout(60_000);
  const { api, create, db, get, post, put } = bench();

  const zip = (n: number): Buffer =>
    Buffer.from(
      zipSync({
        'build.json': strToU8(
          JSON.stringify({ fomrik: 2, build: { ...fat, name: `zip ${n}` }, pins: [], log: [] }),
        ),
        'log/00001.json': strToU8(JSON.stringify([{ ...entry, id: 'l' }])),
      }),
    );
  const zipped = (n: number) =>
    api().post('/api/import').set('Host', '127.0.0.1').type('application/zip').send(zip(n));

  /** Each write by number, and where it is found afterwards. */
  const writes = (
    id: string,
  ): Record<
    string,
    { write: (n: number) => PromiseLike<{ status: number }>; found: () => Promise<number> }
  > => {
    const counted = async (path: string, list: string, ours: (item: Record<string, unknown>) => boolean) =>
      ((await get(path)).body as Record<string, Record<string, unknown>[]>)[list]!.filter(ours).length;
    const mine = (item: Record<string, unknown>): boolean => /^n\d+$/.test(String(item['id']));
    return {
      log: {
        write: (n) => put(`/api/builds/${id}/log/n${n}`, entry),
        found: () => counted(`/api/builds/${id}/log`, 'log', mine),
      },
      pin: {
        write: (n) => put(`/api/builds/${id}/pins/n${n}`, { name: 'p', pinnedAt: entry.at, doc: fat }),
        found: () => counted(`/api/builds/${id}/pins`, 'pins', mine),
      },
      wearer: {
        write: (n) =>
          put(`/api/wearers/n${n}`, {
            baseVersion: 0,
            wearer: { ...wearer, name: `W ${n}`, measures: readings },
          }),
        found: () => counted('/api/wearers', 'wearers', mine),
      },
      'kept part': {
        write: (n) => put(`/api/kept-parts/n${n}`, { baseVersion: 0, name: 'k', doc: part }),
        found: () => counted('/api/kept-parts', 'parts', mine),
      },
      build: {
        write: (n) => post('/api/builds', { doc: { ...fat, name: `made ${n}` } }),
        found: () => counted('/api/builds', 'builds', (b) => String(b['name']).startsWith('made')),
      },
      'build file': {
        write: (n) =>
          post('/api/import', { fomrik: 2, build: { ...fat, name: `file ${n}` }, pins: [], log: [] }),
        found: () => counted('/api/builds', 'builds', (b) => String(b['name']).startsWith('file')),
      },
      archive: {
        write: zipped,
        found: () => counted('/api/builds', 'builds', (b) => String(b['name']).startsWith('zip')),
      },
    };
  };

  it('is told, loses nothing that was acknowledged, leaves nothing half-written, and all goes on afterwards', async () => {
    const id = await create(doc);
    for (const [kind, { write, found }] of Object.entries(writes(id))) {
      const [{ page_count: pages }] = (await db().query('PRAGMA page_count')) as [{ page_count: number }];
      await db().query(`PRAGMA max_page_count = ${pages + 30}`);
      let acknowledged = 0;
      for (let n = 1; ; n++) {
        const { status } = await write(n);
        if (status >= 300) {
          expect(status, kind).to.equal(507);
          break;
        }
        acknowledged++;
        expect(n, `${kind} never fills the disk`).to.be.lessThan(500);
      }
      expect((await write(1000)).status, kind).to.equal(507);
      expect(await found(), kind).to.equal(acknowledged);
      await db().query('PRAGMA max_page_count = 1000000');
      expect((await write(2000)).status, kind).to.be.lessThan(300);
      expect(await found(), kind).to.equal(acknowledged + 1);
    }
    expect(await db().query('PRAGMA integrity_check')).to.deep.equal([{ integrity_check: 'ok' }]);
    const half = await db().query("SELECT id FROM build WHERE deletedAt = 'importing'");
    expect(half).to.deep.equal([]);
  });
});
