import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { createHash } from 'node:crypto';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { PictureStore } from './pictureStore';
import { bench } from './testing/bench';

const doc = newBuild('Harbour light', '2026-03-01', { name: 'Tam Orrel', underLayerMm: 2, measures: [] });

describe('pictures on the server', () => {
  const { api, db, get, post, put, ...made } = bench();
  const create = (of = doc): Promise<string> => made.create(of);

  const photo = (): Promise<Buffer> =>
    sharp({ create: { width: 60, height: 40, channels: 3, background: '#345' } })
      .withExif({ IFD0: { Make: 'A camera', Orientation: '6' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
  const send = (bytes: Buffer) =>
    api().post('/api/pictures').set('Host', '127.0.0.1').type('image/jpeg').send(bytes);

  it('keeps a picture once, the right way up, without what the camera wrote into it', async () => {
    const bytes = await photo();
    expect((await sharp(bytes).metadata()).exif).to.be.instanceOf(Buffer);
    const first = await send(bytes);
    expect(first.status).to.equal(201);
    const { content, ...size } = first.body as { content: string };
    // Orientation 6 is a quarter turn: what was 60 across is 60 high.
    expect(size).to.deep.equal({ widthPx: 40, heightPx: 60 });
    expect((await send(bytes)).body).to.deep.equal(first.body);
    expect(await db().query('SELECT COUNT(*) AS n FROM picture')).to.deep.equal([{ n: 1 }]);
    const back = await get(`/api/pictures/${content}`).buffer(true).responseType('blob');
    expect(
      createHash('sha256')
        .update(back.body as Buffer)
        .digest('hex'),
    ).to.equal(content);
    const { exif, xmp, format } = await sharp(back.body as Buffer).metadata();
    expect({ exif, xmp, format }).to.deep.equal({ exif: undefined, xmp: undefined, format: 'webp' });
  });

  it('refuses what is no picture, and one that unpacks to far too much, by name', async () => {
    for (const bytes of [
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'),
      Buffer.from([255, 216, 255, 0]),
      (await photo()).subarray(0, 200),
    ]) {
      const res = await send(bytes);
      expect(res.status).to.equal(415);
      expect((res.body as { error: { message: string } }).error.message).to.match(/PNG, JPEG or WebP/);
    }
    const bomb = await sharp({ create: { width: 16000, height: 9000, channels: 3, background: 'red' } })
      .png({ compressionLevel: 9 })
      .toBuffer();
    expect((await send(bomb)).status).to.equal(415);
    expect((await get('/api/pictures/none')).status).to.equal(404);
  });

  it('reads pictures out of the text of an older build file, and leaves out one that is not what it claims to be', async () => {
    const { content, widthPx, heightPx } = (await send(await photo())).body as {
      content: string;
      widthPx: number;
      heightPx: number;
    };
    const build = { ...doc, pictures: [{ id: 'front', name: 'Front', content, widthPx, heightPx }] };
    const bytes = (await get(`/api/pictures/${content}`)).body as Buffer;
    const file = (base64: string): string =>
      JSON.stringify({ fomrik: 2, build, pins: [], log: [], pictures: [{ content, base64 }] });
    await db().query('DELETE FROM picture');
    await post('/api/import', file(Buffer.from('something else').toString('base64')));
    expect((await get(`/api/pictures/${content}`)).status).to.equal(404);
    expect((await post('/api/import', file(bytes.toString('base64')))).status).to.equal(201);
    expect((await get(`/api/pictures/${content}`)).status).to.equal(200);
  });

  it('leaves a forged picture out of an archive', async () => {
    const { content } = (await send(await photo())).body as { content: string };
    await db().query('DELETE FROM picture');
    const forged = zipSync({
      'build.json': strToU8(JSON.stringify({ fomrik: 2, build: doc, pins: [], log: [] })),
      [`pictures/${content}.webp`]: strToU8('something else'),
    });
    const back = await api()
      .post('/api/import')
      .set('Host', '127.0.0.1')
      .type('application/zip')
      .send(Buffer.from(forged));
    expect(back.status).to.equal(201);
    expect((await get(`/api/pictures/${content}`)).status).to.equal(404);
  });

  it('keeps what an entry of the log is about, and the entries beside one that was spoilt', async () => {
    const { content } = (await send(await photo())).body as { content: string };
    const id = await create();
    const entry = {
      at: '2026-03-01T20:00:00.000Z',
      subject: 'Strap tore',
      note: '',
      planned: null,
      actual: null,
      unit: '',
      sort: 'broke',
      part: 'bracer-1',
      photos: [content],
    };
    expect((await put(`/api/builds/${id}/log/torn`, entry)).status).to.equal(200);
    expect((await put(`/api/builds/${id}/log/torn`, { ...entry, photos: ['x'] })).status).to.equal(400);
    expect((await put(`/api/builds/${id}/log/torn`, { ...entry, sort: 'lost' })).status).to.equal(400);
    await put(`/api/builds/${id}/log/spoilt`, { ...entry, at: '2026-03-02T20:00:00.000Z' });
    await db().query("UPDATE log_entry SET photos = '[tor' WHERE id = 'spoilt'");
    const { log } = (await get(`/api/builds/${id}/log`)).body as { log: object[] };
    expect(log[0]).to.deep.equal({ id: 'torn', ...entry });
    expect(log[1]).to.deep.include({ id: 'spoilt', photos: [] });
  });

  it('sweeps pictures that nothing names, once they are a day old', async () => {
    const named = ((await send(await photo())).body as { content: string }).content;
    const other = await sharp({ create: { width: 30, height: 20, channels: 3, background: 'teal' } })
      .png()
      .toBuffer();
    const loose = ((await send(other)).body as { content: string }).content;
    await create({
      ...doc,
      pictures: [{ id: 'front', name: 'Front', content: named, widthPx: 4, heightPx: 4 }],
    });
    const torn = await create();
    await db().query("UPDATE build SET doc = '{torn' WHERE id = ?", [torn]);
    const store = new PictureStore(db());
    expect(await store.sweep(new Date())).to.equal(0);
    expect(await store.sweep(new Date(Date.now() + 2 * 86_400_000))).to.equal(1);
    expect((await get(`/api/pictures/${named}`)).status).to.equal(200);
    expect((await get(`/api/pictures/${loose}`)).status).to.equal(404);
  });
});
