import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { OutOfSight } from './outOfSight';
import { bench } from './testing/bench';

const doc = newBuild('Harbour light', '2026-03-01', { name: 'Tam Orrel', underLayerMm: 2, measures: [] });

describe('builds that are not on the shelf', () => {
  const { create, db, get, put, post, remove } = bench();
  const trash = async () =>
    ((await get('/api/trash')).body as { builds: { id: string }[] }).builds.map((b) => b.id);
  const shelf = async () =>
    ((await get('/api/builds')).body as { builds: { id: string }[] }).builds.map((b) => b.id);

  it('are told, brought back, and erased one by one or all, with their pins and logs', async () => {
    const [a, b, c] = [await create(doc), await create(doc), await create(doc)];
    await put(`/api/builds/${a}/pins/p1`, { name: 'x', pinnedAt: '2026-03-02T10:00:00.000Z', doc });
    for (const id of [a, b, c]) await remove(`/api/builds/${id}`);
    expect(await trash()).to.have.members([a, b, c]);
    await post(`/api/builds/${c}/restore`);
    expect([await shelf(), (await trash()).length]).to.deep.equal([[c], 2]);
    expect((await remove(`/api/trash/${c}`)).status).to.equal(404);
    expect((await remove(`/api/trash/${a}`)).status).to.equal(204);
    expect((await remove('/api/trash')).body).to.deep.equal({ erased: 1 });
    const rows = await db().query(
      'SELECT (SELECT count(*) FROM pin) AS pins, (SELECT count(*) FROM revision) AS saves',
    );
    expect(rows).to.deep.equal([{ pins: 0, saves: 1 }]);
    expect(await shelf()).to.deep.equal([c]);
  });

  it('are erased after thirty days and not before', async () => {
    const id = await create(doc);
    await remove(`/api/builds/${id}`);
    const store = new OutOfSight(db());
    const inDays = (n: number): Date => new Date(Date.now() + n * 86_400_000);
    expect(await store.emptyTrash(inDays(-1))).to.equal(0);
    expect(await store.emptyTrash(inDays(1))).to.equal(1);
    expect(await trash()).to.deep.equal([]);
  });

  it('that never came in whole are erased, and are neither on the shelf nor in the trash', async () => {
    const store = new OutOfSight(db());
    await store.beginImport('half', doc);
    expect([await shelf(), await trash()]).to.deep.equal([[], []]);
    await store.eraseUnfinished();
    expect((await post('/api/builds/half/restore')).status).to.equal(404);
  });
});
