import { newBuild } from '@fomrik/core/parts';
import type { BuildDoc, BuildFile } from '@fomrik/core/document';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { seedBuilds } from './seed';
import { bench } from './testing/bench';

const wearer = { name: 'Tam Orrel', underLayerMm: 2, measures: [] };
const doc = newBuild('Harbour light', '2026-03-01', wearer);
const renamed = (name: string): BuildDoc => ({ ...doc, name });
const demoDir = new URL('../../demo', import.meta.url).pathname;

describe('server', () => {
  const { api, db, get, post, put, remove, ...made } = bench();
  const create = (of = doc): Promise<string> => made.create(of);

  it('is healthy', async () => {
    const res = await get('/api/health');
    expect(res.body).to.deep.equal({ ok: true });
    expect(res.headers['content-security-policy'])
      .to.include("script-src 'self'")
      .and.not.include("'unsafe-eval'");
  });

  it('tells a build what others said to do otherwise, and not what was deleted', async () => {
    const made = async (name: string): Promise<string> =>
      ((await post('/api/builds', { doc: { ...doc, name } })).body as { id: string }).id;
    const [past, now] = [await made('Past helm'), await made('New helm')];
    const entry = {
      id: 'l1',
      at: '2026-05-01T10:00:00.000Z',
      note: 'thicker',
      planned: null,
      actual: null,
      unit: '',
    };
    await put(`/api/builds/${past}/log/l1`, { ...entry, subject: 'Brim', sort: 'next' });
    await put(`/api/builds/${past}/log/l2`, { ...entry, id: 'l2', subject: 'A note' });
    const reported = async (id: string) =>
      ((await get(`/api/builds/${id}/lessons`)).body as { lessons: { subject: string; build: string }[] })
        .lessons;
    expect((await reported(now)).map((l) => [l.subject, l.build])).to.deep.equal([['Brim', 'Past helm']]);
    expect(await reported(past)).to.deep.equal([]);
    await remove(`/api/builds/${past}`);
    expect(await reported(now)).to.deep.equal([]);
  });

  it('creates, saves, lists and reads back a build', async () => {
    const id = await create();
    const saved = await put(`/api/builds/${id}`, { baseVersion: 1, doc: renamed('Harbour light II') });
    expect(saved.body).to.include({ version: 2 });
    const read = await get(`/api/builds/${id}`);
    expect(read.body).to.deep.include({ version: 2, doc: renamed('Harbour light II') });
    const list = (await get('/api/builds')).body as { builds: { name: string; wearer: string }[] };
    expect(list.builds).to.have.length(1);
    expect(list.builds[0]).to.include({ name: 'Harbour light II', wearer: 'Tam Orrel' });
  });

  it('refuses a stale save and offers both versions', async () => {
    const id = await create();
    await put(`/api/builds/${id}`, { baseVersion: 1, doc: renamed('theirs') });
    const stale = await put(`/api/builds/${id}`, { baseVersion: 1, doc: renamed('mine') });
    expect(stale.status).to.equal(409);
    const { error } = stale.body as {
      error: { code: string; current: { version: number; doc: BuildDoc }; yours: { doc: BuildDoc } };
    };
    expect(error.code).to.equal('stale');
    expect([error.current.version, error.current.doc.name, error.yours.doc.name]).to.deep.equal([
      2,
      'theirs',
      'mine',
    ]);
    expect(((await get(`/api/builds/${id}`)).body as { doc: BuildDoc }).doc.name).to.equal('theirs');
  });

  it('lets exactly one of many saves at once win', async () => {
    const id = await create();
    const all = await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        put(`/api/builds/${id}`, { baseVersion: 1, doc: renamed(`save ${i}`) }),
      ),
    );
    expect(all.filter((r) => r.status === 200)).to.have.length(1);
    expect(all.filter((r) => r.status === 409)).to.have.length(11);
  });

  it('keeps revisions that can be read', async () => {
    const id = await create();
    await put(`/api/builds/${id}`, { baseVersion: 1, doc: renamed('second') });
    const list = (await get(`/api/builds/${id}/revisions`)).body as { revisions: { version: number }[] };
    expect(list.revisions.map((r) => r.version)).to.deep.equal([2, 1]);
    expect(((await get(`/api/builds/${id}/revisions/1`)).body as { doc: BuildDoc }).doc.name).to.equal(
      'Harbour light',
    );
    expect((await get(`/api/builds/${id}/revisions/9`)).status).to.equal(404);
  });

  it('prunes old revisions but never the newest hundred', async function () {
    this.timeout(20000);
    const id = await create();
    for (let v = 1; v < 205; v++)
      await put(`/api/builds/${id}`, { baseVersion: v, doc: renamed(`v${v + 1}`) });
    const { revisions } = (await get(`/api/builds/${id}/revisions`)).body as {
      revisions: { version: number }[];
    };
    expect(revisions.length).to.be.within(100, 150);
    expect(revisions.slice(0, 100).map((r) => r.version)).to.deep.equal(
      Array.from({ length: 100 }, (_, i) => 205 - i),
    );
  });

  it('throws away and brings back', async () => {
    const id = await create();
    expect((await remove(`/api/builds/${id}`)).status).to.equal(204);
    expect((await get(`/api/builds/${id}`)).status).to.equal(404);
    expect((await post(`/api/builds/${id}/restore`)).status).to.equal(200);
    expect((await get(`/api/builds/${id}`)).status).to.equal(200);
  });

  it('duplicates without the ticks', async () => {
    const id = await create({ ...doc, make: { ...doc.make, done: { print: '2026-03-02T10:00:00.000Z' } } });
    const copy = (await post(`/api/builds/${id}/duplicate`)).body as { id: string; doc: BuildDoc };
    expect(copy.id).not.to.equal(id);
    expect(copy.doc.name).to.equal('Harbour light (copy)');
    expect(copy.doc.make.done).to.deep.equal({});
  });

  it('exports and imports a build with its pins and log', async () => {
    const id = await create();
    await put(`/api/builds/${id}/pins/p1`, { name: '6 mm', pinnedAt: '2026-03-02T10:00:00.000Z', doc });
    await put(`/api/builds/${id}/log/l1`, {
      at: '2026-03-02T10:00:00.000Z',
      subject: 'cutting',
      note: '',
      planned: 30,
      actual: 45,
      unit: 'min',
    });
    const file = await get(`/api/builds/${id}/file?name=1`);
    expect(file.headers['content-disposition']).to.include('harbour-light.fomrik.json');
    const again = await api()
      .post('/api/import')
      .set('Host', '127.0.0.1')
      .set('content-type', 'application/json')
      .send(file.text);
    expect(again.status).to.equal(201);
    const copy = (await get(`/api/builds/${(again.body as { id: string }).id}/file?name=1`)).text;
    expect(JSON.parse(copy) as BuildFile).to.deep.equal(JSON.parse(file.text) as BuildFile);
  });

  describe('bad requests', () => {
    const code = (res: { body: unknown }): string => (res.body as { error: { code: string } }).error.code;

    it('names the field and the range', async () => {
      const res = await post('/api/builds', { doc: { ...doc, brief: { ...doc.brief, hoursPerDay: 99 } } });
      expect(res.status).to.equal(400);
      expect((res.body as { error: object }).error).to.deep.include({
        code: 'invalid',
        field: 'doc.brief.hoursPerDay',
      });
      expect((res.body as { error: { message: string } }).error.message).to.include('16');
      expect(((await get('/api/builds')).body as { builds: unknown[] }).builds).to.have.length(0);
    });

    it('refuses malformed JSON, wrong shapes, unknown ids, routes, hosts and origins', async () => {
      expect(
        code(
          await api()
            .post('/api/builds')
            .set('Host', '127.0.0.1')
            .set('content-type', 'application/json')
            .send('{"doc":'),
        ),
      ).to.equal('bad-json');
      expect(code(await post('/api/builds', []))).to.equal('invalid');
      expect(code(await post('/api/import', 'not a file'))).to.equal('bad-file');
      expect(code(await get('/api/builds/nope'))).to.equal('not-found');
      expect(code(await get('/api/builds/..%2f..%2fetc'))).to.equal('not-found');
      expect(code(await get('/api/nothing'))).to.equal('not-found');
      expect(code(await api().get('/api/health').set('Host', 'evil.example'))).to.equal('wrong-host');
      expect(code(await post('/api/builds', { doc }).set('Origin', 'http://evil.example'))).to.equal(
        'wrong-origin',
      );
      expect(((await get('/api/builds')).body as { builds: unknown[] }).builds).to.have.length(0);
    });

    it('never blames itself: broken escapes, compression, ranges, kinds, names and ids that are taken', async () => {
      const builds = '/api/builds';
      const raw = (path: string) => api().get(path).set('Host', '127.0.0.1');
      expect((await raw('/api/builds/%E0%A4%A')).status).to.equal(400);
      const squeezed = await post(builds, '{}').set('content-encoding', 'gzip');
      expect(squeezed.status).to.be.within(400, 415);
      const plain = await api().post(builds).set('Host', '127.0.0.1').type('text/plain').send('{}');
      expect([plain.status, code(plain)]).to.deep.equal([415, 'not-json']);
      await put('/api/wearers/tam', { baseVersion: 0, wearer });
      const twin = await put('/api/wearers/other', { baseVersion: 0, wearer });
      expect([twin.status, code(twin)]).to.deep.equal([409, 'taken']);
      const pin = { id: 'p', name: 'x', pinnedAt: '2026-01-01T00:00:00Z', doc };
      const twice = await post('/api/import', { fomrik: 2, build: doc, pins: [pin, pin], log: [] });
      expect([twice.status, code(twice)]).to.deep.equal([400, 'bad-file']);
    });

    it('refuses bodies over the limit', async () => {
      const res = await post('/api/builds', { doc, padding: 'x'.repeat(17_000_000) });
      expect(res.status).to.equal(413);
      expect(code(res)).to.equal('too-large');
    });

    it('writes nothing when an import is half good', async () => {
      const file = { fomrik: 1, build: doc, pins: [{ id: 'p', name: 'x', pinnedAt: 'never', doc }], log: [] };
      expect((await post('/api/import', JSON.stringify(file))).status).to.equal(400);
      expect(((await get('/api/builds')).body as { builds: unknown[] }).builds).to.have.length(0);
    });
  });

  it('carries measures of an older data directory over', async () => {
    const measures = [{ key: 'wristGirth', valueMm: 170, source: 'tape', takenOn: '2026-01-01' }];
    await put('/api/wearers/tam', { baseVersion: 0, wearer: { ...wearer, measures } });
    for (let i = 0; i < 10; i++) await db().undoLastMigration();
    await db().runMigrations();
    const { wearers } = (await get('/api/wearers')).body as { wearers: { measures: object[] }[] };
    expect(wearers[0]!.measures).to.deep.equal([
      { key: 'wristGirth', valueMm: 170, source: 'tape', takenOn: '2026-01-01' },
    ]);
  });

  it('keeps what was worked out of a build for the shelf, until the build changes', async () => {
    const id = await create();
    const digest = { stops: 1, steps: 20, done: 3, daysToSpare: -2, cost: 41.5 };
    expect((await put(`/api/builds/${id}/digest`, { version: 1, ...digest })).status).to.equal(204);
    const shelf = async () =>
      ((await get('/api/builds')).body as { builds: { digest?: object }[] }).builds[0]!;
    expect((await shelf()).digest).to.deep.include(digest);
    await put(`/api/builds/${id}`, { baseVersion: 1, doc: renamed('Changed') });
    expect((await shelf()).digest).to.equal(undefined);
  });

  it('tells on the shelf what each build may cost and what its receipts come to, other currencies apart', async () => {
    const [id, other] = [await create(), await create()];
    const receipt = (key: string, actual: number | null, unit: string, sort: string | null) =>
      put(`/api/builds/${id}/log/${key}`, {
        id: key,
        at: '2026-01-02T10:00:00Z',
        subject: key,
        note: '',
        planned: null,
        actual,
        unit,
        ...(sort !== null && { sort }),
      });
    const { currency, budget } = doc.brief;
    await receipt('foam', 12.5, currency, 'bought');
    await receipt('glue', 7.25, currency, 'bought');
    await receipt('lamps', 9, currency === 'USD' ? 'GBP' : 'USD', 'bought');
    await receipt('not read yet', null, currency, 'bought');
    await receipt('hours', 40, currency, null);
    const { builds } = (await get('/api/builds')).body as {
      builds: { id: string; money: { budget: number; currency: string; spent: number; other: number } }[];
    };
    const money = (of: string) => builds.find((b) => b.id === of)!.money;
    expect(money(id)).to.deep.equal({ budget, currency, spent: 19.75, other: 1 });
    expect(money(other).spent).to.equal(0);
  });

  it('imports what it exports, however many pins there are', async () => {
    const id = await create();
    const big = JSON.parse(
      readFileSync(join(demoDir, 'lampwarden-harness.fomrik.json'), 'utf8'),
    ) as BuildFile;
    for (let i = 0; i < 130; i++)
      await put(`/api/builds/${id}/pins/p${i}`, {
        name: `p${i}`,
        pinnedAt: '2026-01-01T00:00:00Z',
        doc: big.build,
      });
    const file = (await get(`/api/builds/${id}/file?name=1`)).text;
    expect(file.length).to.be.greaterThan(2_000_000);
    const back = await post('/api/import', file);
    expect(back.status).to.equal(201);
    const again = (await get(`/api/builds/${(back.body as { id: string }).id}/file?name=1`)).text;
    expect(again).to.equal(file);
  });

  it('shows a build that cannot be read as broken, gives it out raw, and lets it be deleted', async () => {
    const good = await create();
    for (const [name, text] of [
      ['Thirteenth month', JSON.stringify({ ...doc, brief: { ...doc.brief, eventDate: '2026-13-45' } })],
      ['Torn', '{"brief":'],
      ['Empty', '{}'],
    ] as const) {
      const id = await create(renamed(name));
      await db().query('UPDATE build SET doc = ? WHERE id = ?', [text, id]);
      const { builds } = (await get('/api/builds')).body as { builds: { id: string; broken?: string }[] };
      expect(builds.find((b) => b.id === id)!.broken, name).to.be.a('string');
      expect(builds.find((b) => b.id === good)!.broken).to.equal(undefined);
      expect((await get(`/api/builds/${id}`)).status, name).to.equal(422);
      expect((await get(`/api/builds/${id}/raw`)).text).to.equal(text);
      expect((await remove(`/api/builds/${id}`)).status).to.equal(204);
    }
  });

  it('loads the demo once and never over changes', async () => {
    expect(await seedBuilds(db(), demoDir)).to.include('Lampwarden bracers');
    const id = 'demo-lampwarden-bracers';
    const file = JSON.parse(
      readFileSync(join(demoDir, 'lampwarden-bracers.fomrik.json'), 'utf8'),
    ) as BuildFile;
    await put(`/api/builds/${id}`, { baseVersion: 1, doc: { ...file.build, name: 'Mine now' } });
    expect(await seedBuilds(db(), demoDir)).to.deep.equal([]);
    expect(((await get(`/api/builds/${id}`)).body as { doc: BuildDoc }).doc.name).to.equal('Mine now');
  });
});
