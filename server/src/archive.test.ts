import type { BuildDoc } from '@fomrik/core/document';
import { docInFile } from '@fomrik/core/files/buildArchive';
import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { bench } from './testing/bench';

const measures = [{ key: 'stature' as const, valueMm: 1700, source: 'tape' as const, takenOn: '2026-01-01' }];
const doc = newBuild('Harbour light', '2026-03-01', { name: 'Tam Orrel', underLayerMm: 2, measures });

/** Bytes of an answer, whatever they are. */
const raw = (res: NodeJS.ReadableStream, done: (error: Error | null, body: Buffer) => void): void => {
  const chunks: Buffer[] = [];
  res.on('data', (chunk: Buffer) => chunks.push(chunk));
  res.on('end', () => done(null, Buffer.concat(chunks)));
};

describe('a build file with pictures', () => {
  const { api, create, db, get, put, remove } = bench();
  const send = (bytes: Buffer) =>
    api().post('/api/import').set('Host', '127.0.0.1').type('application/zip').send(bytes);
  const file = async (id: string, query = 'name=1'): Promise<Buffer> =>
    (
      await get(`/api/builds/${id}/file?${query}`)
        .buffer(true)
        .parse(raw as never)
    ).body as Buffer;
  const picture = async (grey: number): Promise<string> => {
    const png = await sharp({
      create: {
        width: 8 + (grey % 7),
        height: 8,
        channels: 3,
        background: { r: grey % 256, g: grey >> 8, b: 9 },
      },
    })
      .png()
      .toBuffer();
    const sent = await api().post('/api/pictures').set('Host', '127.0.0.1').type('image/png').send(png);
    return (sent.body as { content: string }).content;
  };
  const entry = (id: string, photos: string[]) => ({
    id,
    at: '2026-03-02T10:00:00.000Z',
    subject: `entry ${id}`,
    note: '',
    planned: null,
    actual: null,
    unit: '',
    photos,
  });
  const log = async (id: string) => ((await get(`/api/builds/${id}/log`)).body as { log: object[] }).log;

  it('comes back whole, pins, log and every picture', async () => {
    const id = await create(doc);
    const photos = await Promise.all(Array.from({ length: 44 }, (_, i) => picture(i)));
    expect(new Set(photos).size).to.equal(44);
    for (let i = 0; i < 450; i++)
      await put(`/api/builds/${id}/log/l${i}`, entry(`l${i}`, photos.slice(i % 40, (i % 40) + 5)));
    await put(`/api/builds/${id}/pins/p1`, { name: '6 mm', pinnedAt: '2026-03-02T10:00:00.000Z', doc });
    const bytes = await file(id);
    const before = await log(id);
    await remove(`/api/builds/${id}`);
    await remove('/api/trash');
    await db().query('DELETE FROM picture');
    const back = await send(bytes);
    expect(back.status).to.equal(201);
    const copy = (back.body as { id: string; doc: BuildDoc }).id;
    expect((back.body as { doc: BuildDoc }).doc).to.deep.equal(doc);
    expect(await log(copy)).to.have.deep.members(before);
    expect((await get(`/api/builds/${copy}/pins`)).body).to.deep.include({ broken: [] });
    for (const content of photos) expect((await get(`/api/pictures/${content}`)).status).to.equal(200);
    // Read by the command line as well, and the same once more around.
    expect(docInFile(bytes)).to.deep.equal({ ok: true, value: doc });
    expect(Object.keys(unzipSync(await file(copy)))).to.have.members(Object.keys(unzipSync(bytes)));
  });

  it('takes measures along and no name, unless asked otherwise', async () => {
    const id = await create(doc);
    const wearerIn = async (query: string) =>
      (JSON.parse((await file(id, query)).toString()) as { build: BuildDoc }).build.wearer;
    expect(await wearerIn('')).to.deep.include({ name: 'the wearer', measures });
    expect(await wearerIn('name=1')).to.deep.include({ name: 'Tam Orrel', measures });
    expect(await wearerIn('measures=0')).to.deep.include({ name: 'the wearer', measures: [] });
  });

  it('leaves nothing behind when it is torn, lies or is none of ours', async () => {
    const id = await create(doc);
    await put(`/api/builds/${id}/log/l1`, entry('l1', [await picture(3)]));
    const good = await file(id);
    const build = unzipSync(good)['build.json']!;
    const bad: [string, Uint8Array, string][] = [
      ['torn', good.subarray(0, good.length / 2), ''],
      ['nonsense', Buffer.from('PK nonsense'), ''],
      ['no build', zipSync({ 'log/00001.json': strToU8('[]') }), 'does not come first'],
      ['no JSON', zipSync({ 'build.json': strToU8('{') }), 'not JSON'],
      ['a bomb', zipSync({ 'build.json': new Uint8Array(17e6) }), 'unpacks to more than 16 MB'],
      ['a bad pin', zipSync({ 'build.json': build, 'pins/1.json': strToU8('{}') }), 'id'],
      [
        'a log twice',
        zipSync({
          'build.json': build,
          'log/1.json': strToU8(JSON.stringify([entry('a', []), entry('a', [])])),
        }),
        'duplicate',
      ],
    ];
    for (const [what, bytes, says] of bad) {
      const res = await send(Buffer.from(bytes));
      expect(res.status, what).to.equal(400);
      expect((res.body as { error: { message: string } }).error.message, what).to.include(says);
    }
    const rows: { id: string }[] = await db().query('SELECT id FROM build');
    expect(rows).to.deep.equal([{ id }]);
    const [{ n }] = (await db().query('SELECT count(*) AS n FROM log_entry')) as [{ n: number }];
    expect(n).to.equal(1);
  });
});
