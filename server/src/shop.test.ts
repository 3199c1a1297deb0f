import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import { bench } from './testing/bench';

const wearer = { name: 'Tam Orrel', underLayerMm: 2, measures: [] };
const code = (res: { body: unknown }): string => (res.body as { error: { code: string } }).error.code;

describe('what the shop keeps', () => {
  const { db, get, post, put, remove } = bench();
  const foam = (foamId: string, nominalMm: number, sheets: number, baseVersion: number) => ({
    foamId,
    nominalMm,
    baseVersion,
    item: { foamId, nominalMm, sheets },
  });
  const change = (...changes: object[]) => put('/api/stock', { changes });
  const shelf = async () =>
    (
      (await get('/api/stock')).body as {
        stock: { foamId: string; nominalMm: number; sheets: number; version: number }[];
      }
    ).stock;

  it('loses no foam of fifty clients that add one each at the same time', async () => {
    const all = await Promise.all(
      Array.from({ length: 50 }, (_, i) => change(foam('dense-eva', i + 1, i, 0))),
    );
    expect(all.every((r) => r.status === 200)).to.equal(true);
    expect((await shelf()).map((s) => [s.nominalMm, s.sheets, s.version])).to.deep.equal(
      Array.from({ length: 50 }, (_, i) => [i + 1, i, 1]),
    );
  });

  it('changes foams one by one, all or none, and tells what was changed elsewhere', async () => {
    await change(foam('dense-eva', 6, 2, 0), foam('light-eva', 5, 1, 0));
    const stale = await change(foam('light-eva', 5, 9, 1), foam('dense-eva', 6, 9, 0));
    expect([stale.status, code(stale)]).to.deep.equal([409, 'stale']);
    expect((stale.body as { error: { current: object } }).error.current).to.include({
      sheets: 2,
      version: 1,
    });
    expect((await shelf()).map((s) => s.sheets)).to.deep.equal([2, 1]);
    await change({ foamId: 'light-eva', nominalMm: 5, baseVersion: 1, item: null });
    expect((await shelf()).map((s) => s.foamId)).to.deep.equal(['dense-eva']);
    const gone = await change(foam('light-eva', 5, 3, 1));
    expect((gone.body as { error: { message: string } }).error.message).to.include('taken out elsewhere');
  });

  it('keeps every figure of a foam, forgets what is left out, and refuses what no shelf holds', async () => {
    const offcut = {
      id: 'o1',
      place: 'rack 2',
      since: '2026-11-26',
      outline: [
        { x: 0, y: 0 },
        { x: 300, y: 0 },
        { x: 0, y: 200 },
      ],
    };
    const item = {
      foamId: 'light-eva',
      nominalMm: 5,
      sheets: 0,
      turns: 'halves',
      offcuts: [offcut],
      sheetG: 640,
    };
    const put5 = (baseVersion: number, now: object) =>
      change({ foamId: 'light-eva', nominalMm: 5, baseVersion, item: now });
    expect((await put5(0, item)).status).to.equal(200);
    expect(await shelf()).to.deep.equal([{ ...item, version: 1 }]);
    const off = await put5(1, { ...item, offcuts: [{ ...offcut, outline: [{ x: -5, y: 0 }] }] });
    expect(off.status).to.equal(400);
    expect((await put5(1, { ...item, sheets: -1 })).status).to.equal(400);
    expect((await put5(1, { ...item, nominalMm: 6 })).status).to.equal(400);
    await put5(1, { foamId: 'light-eva', nominalMm: 5, sheets: 3 });
    expect(await shelf()).to.deep.equal([{ foamId: 'light-eva', nominalMm: 5, sheets: 3, version: 2 }]);
  });

  it('keeps wearers whose names are in any script apart, with every dated reading', async () => {
    const reading = (takenOn: string, valueMm: number, side?: string) => ({
      key: 'wristGirth',
      valueMm,
      source: 'tape',
      takenOn,
      ...(side && { side }),
    });
    const keep = (id: string, baseVersion: number, name: string, measures: object[]) =>
      put(`/api/wearers/${id}`, { baseVersion, wearer: { ...wearer, name, measures } });
    await keep('w1', 0, 'Мира', [reading('2026-01-01', 170)]);
    await keep('w2', 0, 'Олег', [reading('2026-01-01', 190)]);
    await keep('w1', 1, 'Мира', [reading('2026-02-01', 172)]);
    await keep('w1', 2, 'Мира', [reading('2026-02-01', 176, 'left')]);
    const { wearers } = (await get('/api/wearers')).body as {
      wearers: { name: string; version: number; measures: object[] }[];
    };
    expect(wearers.map((w) => [w.name, w.version, w.measures.length])).to.deep.equal([
      ['Мира', 3, 3],
      ['Олег', 1, 1],
    ]);
    expect(wearers[0]!.measures).to.deep.include(reading('2026-02-01', 176, 'left'));
    expect((await keep('w1', 1, 'Мира', [])).status).to.equal(409);
    expect((await remove('/api/wearers/w1?baseVersion=1')).status).to.equal(409);
    expect((await remove('/api/wearers/w1')).status).to.equal(400);
    expect((await remove('/api/wearers/w1?baseVersion=3')).status).to.equal(204);
    const left: { n: number }[] = await db().query(
      "SELECT count(*) AS n FROM measurement WHERE wearerId = 'w1'",
    );
    expect(left[0]!.n).to.equal(0);
  });

  it('keeps printers with what their bars measured, and refuses bars no printer has', async () => {
    const printer = { id: 'up', name: 'Upstairs', acrossMm: 97.4, alongMm: 98.2 };
    const keep = (baseVersion: number, now: object) => put('/api/printers/up', { baseVersion, printer: now });
    expect((await keep(0, printer)).status).to.equal(200);
    expect((await keep(1, { ...printer, name: 'Upstairs, new roller' })).status).to.equal(200);
    const wrong = await keep(2, { ...printer, alongMm: 20 });
    expect(wrong.status).to.equal(400);
    expect(JSON.stringify(wrong.body)).to.include('alongMm').and.include('80');
    expect(((await get('/api/printers')).body as { printers: unknown }).printers).to.deep.equal([
      { ...printer, name: 'Upstairs, new roller', version: 2 },
    ]);
    expect((await keep(1, printer)).status).to.equal(409);
    expect((await remove('/api/printers/up?baseVersion=2')).status).to.equal(204);
    expect((await remove('/api/printers/up?baseVersion=2')).status).to.equal(404);
  });

  it('keeps colours by a name, refuses what is no colour, and never writes over what changed meanwhile', async () => {
    const scheme = {
      base: { colour: '#205a60', surface: 'satin' },
      areas: [],
      wear: { creases: 0.4, edges: 0, dust: 0, scratches: 0 },
    };
    const kept = { id: 'sea', name: 'Sea glass', scheme };
    const keep = (baseVersion: number, now: object) => put('/api/schemes/sea', { baseVersion, kept: now });
    expect((await keep(0, kept)).status).to.equal(200);
    const wrong = await keep(1, {
      ...kept,
      scheme: { ...scheme, base: { colour: 'teal', surface: 'satin' } },
    });
    expect(wrong.status).to.equal(400);
    expect(JSON.stringify(wrong.body)).to.include('colour');
    expect((await keep(1, { ...kept, name: 'Sea glass, dark' })).status).to.equal(200);
    expect((await keep(1, kept)).status).to.equal(409);
    expect(((await get('/api/schemes')).body as { schemes: unknown }).schemes).to.deep.equal([
      { ...kept, name: 'Sea glass, dark', version: 2 },
    ]);
    const file = (await get('/api/shop/file')).body as { schemes: unknown };
    expect(file.schemes).to.deep.equal([{ ...kept, name: 'Sea glass, dark' }]);
    expect((await remove('/api/schemes/sea?baseVersion=2')).status).to.equal(204);
    expect((await post('/api/shop/file', file)).body).to.include({ added: 1 });
    expect(((await get('/api/schemes')).body as { schemes: { name: string }[] }).schemes[0]!.name).to.equal(
      'Sea glass, dark',
    );
  });

  it('goes out as a file and comes in again, adding what is not there and changing nothing that is', async () => {
    const measures = [{ key: 'stature', valueMm: 1700, source: 'tape', takenOn: '2026-01-01' }];
    await put('/api/wearers/w1', { baseVersion: 0, wearer: { ...wearer, measures } });
    await put('/api/printers/up', {
      baseVersion: 0,
      printer: { id: 'up', name: 'Up', acrossMm: 99, alongMm: 98 },
    });
    await change(foam('dense-eva', 6, 2, 0));
    const doc = newBuild('Dial', '2026-03-01', wearer);
    const part = { ...doc, parts: [newPart('dial', wearer, 'donor')] };
    await put('/api/kept-parts/k1', { baseVersion: 0, name: 'Dial', doc: part });
    const file = (await get('/api/shop/file')).body as object;
    await remove('/api/wearers/w1?baseVersion=1');
    await remove('/api/kept-parts/k1?baseVersion=1');
    await change(foam('dense-eva', 6, 9, 1));
    const read = await post('/api/shop/file', file);
    expect(read.body).to.deep.equal({ added: 2, there: 2 });
    const back = (await get('/api/shop/file')).body as { stock: object[] };
    expect(back).to.deep.equal({ ...file, stock: [{ foamId: 'dense-eva', nominalMm: 6, sheets: 9 }] });
    expect((await post('/api/shop/file', { ...file, wearers: [{ id: 'x' }] })).status).to.equal(400);
  });
});
