import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import { bench } from './testing/bench';

const wearer = { name: 'Tam Orrel', underLayerMm: 2, measures: [] };
const empty = newBuild('Dial', '2026-03-01', wearer);
const doc = { ...empty, parts: [newPart('dial', wearer, 'donor')] };

describe('the shop’s book', () => {
  const { db, remove, ...made } = bench();
  const get = () => made.get('/api/kept-parts');
  const put = (id: string, body: object, baseVersion = 0) =>
    made.put(`/api/kept-parts/${id}`, { baseVersion, ...body });
  const names = async (): Promise<string[]> =>
    ((await get()).body as { parts: { name: string }[] }).parts.map((p) => p.name);

  it('keeps a part, gives it back whole, replaces it and lets it go', async () => {
    expect((await put('kept-1', { name: 'Tide dial', doc })).status).to.equal(200);
    const { parts } = (await get()).body as { parts: { doc: typeof doc }[] };
    expect(parts[0]!.doc.parts).to.deep.equal(doc.parts);
    await put('kept-1', { name: 'Other dial', doc }, 1);
    expect(await names()).to.deep.equal(['Other dial']);
    const gone = await remove('/api/kept-parts/kept-1?baseVersion=2');
    expect(gone.status).to.equal(204);
    expect(await names()).to.deep.equal([]);
    const again = await remove('/api/kept-parts/kept-1?baseVersion=2');
    expect(again.status).to.equal(404);
  });

  it('refuses what is not one part, by field and range, and keeps nothing of it', async () => {
    const none = await put('kept-1', { name: 'Nothing', doc: empty });
    expect(none.status).to.equal(400);
    expect((none.body as { error: { message: string } }).error.message).to.include('one part at a time');
    const nameless = await put('kept-1', { name: '', doc });
    expect(nameless.status).to.equal(400);
    expect((nameless.body as { error: { field: string } }).error.field).to.equal('name');
    const bad = { ...doc, parts: [{ ...doc.parts[0]!, params: { ...doc.parts[0]!.params, wallMm: 900 } }] };
    const wide = await put('kept-1', { name: 'Thick', doc: bad });
    expect(wide.status).to.equal(400);
    expect((wide.body as { error: { field: string } }).error.field).to.include('wallMm');
    expect(await names()).to.deep.equal([]);
  });

  it('says why one cannot be read, and still lists the others', async () => {
    await put('kept-1', { name: 'Good', doc });
    await put('kept-2', { name: 'Spoilt', doc });
    await db().query("UPDATE kept_part SET doc = '{]' WHERE id = 'kept-2'");
    const { parts } = (await get()).body as { parts: { name: string; doc?: object; broken?: string }[] };
    expect(parts.map((p) => [p.name, p.doc !== undefined, p.broken !== undefined])).to.deep.equal([
      ['Good', true, false],
      ['Spoilt', false, true],
    ]);
  });
});
