import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import type { RequestListener } from 'node:http';
import pino from 'pino';
import request from 'supertest';
import { createApp } from './app';
import { Queue } from './oneAtATime';
import { Pairing } from './pairing';
import { bench } from './testing/bench';

const doc = newBuild('Harbour light', '2026-03-01', { name: 'Tam Orrel', underLayerMm: 2, measures: [] });
const LAN = '192.168.7.20:4600';

describe('devices of the local network', () => {
  const { db, dir } = bench();
  let now: Date;
  let pairing: Pairing;
  let app: RequestListener;
  beforeEach(() => {
    now = new Date('2026-03-01T10:00:00Z');
    pairing = new Pairing(db(), new Queue(), () => now);
    const inner = createApp({
      db: db(),
      dataDir: dir(),
      log: pino({ level: 'silent' }),
      pairing,
      extraHosts: ['192.168.7.20'],
      lan: { addresses: [`http://${LAN}/`], secure: false },
    });
    app = inner;
  });
  const get = (path: string, cookie = '', host = LAN) =>
    request(app).get(path).set('Host', host).set('Cookie', cookie);
  const type = (code: string) =>
    request(app).post('/pair').set('Host', LAN).type('form').send({ code, name: 'Bench tablet' });
  const cookieOf = (res: { headers: Record<string, unknown> }): string =>
    String((res.headers['set-cookie'] as string[])[0]).split(';')[0]!;
  const pair = async (): Promise<string> => cookieOf(await type(pairing.begin().code));

  it('are answered by 401 until they are paired, whatever they ask', async () => {
    for (const path of ['/api/builds', '/api/health', '/api/copies/now', '/assets/x.js', '/api/stock'])
      expect((await get(path)).status, path).to.equal(401);
    const made = await request(app).post('/api/builds').set('Host', LAN).send({ doc });
    expect(made.status).to.equal(401);
    const page = await get('/build/a/make').set('Accept', 'text/html');
    expect([page.status, page.text.includes('Type the six digits')]).to.deep.equal([401, true]);
    expect((await get('/api/builds', 'fomrik-device=guess')).status).to.equal(401);
    expect((await get('/api/builds', '', '127.0.0.1:4600')).status).to.equal(200);
    expect((await get('/api/builds', '', 'evil.example')).status).to.equal(403);
  });

  it('are let in by the code once, by a cookie that no script reads from then on', async () => {
    const { code } = pairing.begin();
    const res = await type(code);
    expect([res.status, res.headers['location']]).to.deep.equal([303, '/']);
    const set = String((res.headers['set-cookie'] as unknown as string[])[0]);
    expect(set).to.include('HttpOnly').and.include('SameSite=Strict');
    expect((await get('/api/builds', cookieOf(res))).status).to.equal(200);
    expect((await type(code)).status).to.equal(403);
  });

  it('are not let in by five wrong tries, after ten minutes, or by a form that is none', async () => {
    const { code } = pairing.begin();
    const wrong = code === '000000' ? '000001' : '000000';
    for (let i = 0; i < 5; i++) expect((await type(wrong)).status).to.equal(403);
    const sixth = await type(code);
    expect([sixth.status, sixth.text.includes('five times')]).to.deep.equal([403, true]);
    const next = pairing.begin().code;
    now = new Date(now.getTime() + 10 * 60_000);
    expect((await type(next)).text).to.include('older than ten minutes');
    expect((await type('<script>')).status).to.equal(400);
  });

  it('are listed, and sent away only from this computer', async () => {
    const cookie = await pair();
    const { devices, here } = (await get('/api/devices', cookie)).body as {
      here: boolean;
      devices: { id: string; name: string; tokenHash?: string }[];
    };
    expect([here, devices.length, devices[0]!.name]).to.deep.equal([false, 1, 'Bench tablet']);
    expect(devices[0]!.tokenHash).to.equal(undefined);
    const away = (host: string) =>
      request(app).delete(`/api/devices/${devices[0]!.id}`).set('Host', host).set('Cookie', cookie);
    expect((await away(LAN)).status).to.equal(403);
    expect(
      (await request(app).post('/api/devices/code').set('Host', LAN).set('Cookie', cookie)).status,
    ).to.equal(403);
    expect((await away('127.0.0.1')).status).to.equal(204);
    expect((await get('/api/builds', cookie)).status).to.equal(401);
  });

  it('get a code with a picture of it from this computer', async () => {
    const made = (await request(app).post('/api/devices/code').set('Host', '127.0.0.1')).body as {
      code: string;
      links: string[];
      qr: string;
    };
    expect(made.code).to.match(/^\d{6}$/);
    expect(made.links).to.deep.equal([`http://${LAN}/pair?code=${made.code}`]);
    expect(made.qr).to.include('<svg');
    expect((await get(`/pair?code=${made.code}`)).text).to.include(`value="${made.code}"`);
    expect((await get('/pair?code="><script>')).text).to.not.include('"><script>');
  });
});
