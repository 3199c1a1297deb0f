import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { strToU8, zipSync } from 'fflate';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import pino from 'pino';
import { createApp } from './app';
import { bench } from './testing/bench';

const doc = newBuild('Harbour light', '2026-03-01', { name: 'Tam Orrel', underLayerMm: 2, measures: [] });

describe('what is saved elsewhere', () => {
  const { db, dir } = bench();
  let server: Server;
  let url: string;
  beforeEach((done) => {
    server = createApp({ db: db(), dataDir: dir(), log: pino({ level: 'silent' }) }).listen(
      0,
      '127.0.0.1',
      () => {
        url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/builds`;
        done();
      },
    );
  });
  afterEach(() => {
    server.closeAllConnections();
    server.close();
  });
  const send = async (method: string, path: string, body: object): Promise<{ id: string }> =>
    (await (
      await fetch(url + path, {
        method,
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json()) as { id: string };

  it('is heard by every device that has the build open, within two seconds, and by no other', async () => {
    const [{ id }, other] = [await send('POST', '', { doc }), await send('POST', '', { doc })];
    const heard: unknown[] = [];
    const stop = new AbortController();
    const listen = async (build: string): Promise<void> => {
      const answer = await fetch(`${url}/${build}/live`, { signal: stop.signal });
      const read = answer.body!.pipeThrough(new TextDecoderStream());
      for await (const text of read as unknown as AsyncIterable<string>)
        for (const line of text.split('\n'))
          if (line.startsWith('data: ')) heard.push(JSON.parse(line.slice(6)));
    };
    const listening = [listen(id), listen(id)].map((l) => l.catch(() => undefined));
    const until = async (n: number): Promise<void> => {
      const late = Date.now() + 2000;
      while (heard.length < n && Date.now() < late) await new Promise((r) => setTimeout(r, 10));
      expect(heard).to.have.length(n);
    };
    await until(2);
    expect(heard).to.deep.equal([
      { buildId: id, version: 1 },
      { buildId: id, version: 1 },
    ]);
    await send('PUT', `/${other.id}`, { baseVersion: 1, doc });
    await send('PUT', `/${id}`, { baseVersion: 1, doc: { ...doc, name: 'Changed' } });
    await until(4);
    expect(heard[3]).to.deep.equal({ buildId: id, version: 2 });
    await send('PUT', `/${id}/log/l1`, {
      at: '2026-03-02T10:00:00.000Z',
      subject: 'cut',
      note: '',
      planned: null,
      actual: null,
      unit: '',
    });
    await until(6);
    expect(heard[5]).to.deep.equal({ buildId: id });
    stop.abort();
    await Promise.all(listening);
  });

  it('answers why a large archive is refused while it is still coming in', async () => {
    const head = zipSync({ 'build.json': strToU8('{') });
    const large = Buffer.concat([head.subarray(0, 60), Buffer.alloc(30_000_000, 7)]);
    const answer = await fetch(url.replace('builds', 'import'), {
      method: 'POST',
      headers: { 'content-type': 'application/zip' },
      body: large,
    });
    expect(answer.status).to.equal(400);
    expect(await answer.text()).to.include('build.json');
  });
});
