import { newBuild } from '@fomrik/core/parts';
import type { BuildFile } from '@fomrik/core/document';
import { expect } from 'chai';
import { createHash } from 'node:crypto';
import sharp from 'sharp';
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

  it('carries pictures in build files, and leaves out one that is not what it claims to be', async () => {
    const { content, widthPx, heightPx } = (await send(await photo())).body as {
      content: string;
      widthPx: number;
      heightPx: number;
    };
    const id = await create({
      ...doc,
      pictures: [{ id: 'front', name: 'Front', content, widthPx, heightPx }],
    });
    const file = (await get(`/api/builds/${id}/file`)).body as BuildFile;
    expect(file.pictures).to.have.length(1);
    await db().query('DELETE FROM picture');
    const forged = {
      ...file,
      pictures: [{ content, base64: Buffer.from('something else').toString('base64') }],
    };
    await post('/api/import', JSON.stringify(forged));
    expect((await get(`/api/pictures/${content}`)).status).to.equal(404);
    expect((await post('/api/import', JSON.stringify(file))).status).to.equal(201);
    expect((await get(`/api/pictures/${content}`)).status).to.equal(200);
  });

  it('keeps what an entry of the log is about, and carries its photos in the build file', async () => {
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
    const file = (await get(`/api/builds/${id}/file`)).body as BuildFile;
    expect(file.log).to.deep.equal([{ id: 'torn', ...entry }]);
    expect(file.pictures?.map((p) => p.content)).to.deep.equal([content]);
    await db().query('DELETE FROM picture');
    const again = (await post('/api/import', JSON.stringify(file))).body as { id: string };
    expect((await get(`/api/pictures/${content}`)).status).to.equal(200);
    expect(((await get(`/api/builds/${again.id}/log`)).body as { log: unknown }).log).to.deep.equal(file.log);
  });
});
