import { expect } from 'chai';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import pino from 'pino';
import request from 'supertest';
import { createApp } from './app';
import { bench } from './testing/bench';

const script = `export const words = ${JSON.stringify('foam '.repeat(200))};`;

describe('the files of the application', () => {
  const { db, dir } = bench();
  const asked = (accept: string) => {
    const webDir = join(dir(), 'web');
    mkdirSync(join(webDir, 'assets'), { recursive: true });
    writeFileSync(join(webDir, 'assets', 'a.js'), script);
    writeFileSync(join(webDir, 'assets', 'a.js.br'), brotliCompressSync(script));
    const app = createApp({ db: db(), dataDir: dir(), webDir, log: pino({ level: 'silent' }) });
    return request(app).get('/assets/a.js').set('Host', '127.0.0.1').set('accept-encoding', accept).buffer();
  };

  it('go compressed to who can read them, and are kept by the browser', async () => {
    const { headers, text } = await asked('br');
    expect(text).to.equal(script);
    expect(headers['content-encoding']).to.equal('br');
    expect(Number(headers['content-length'])).to.be.lessThan(script.length / 5);
    expect(headers['cache-control']).to.include('immutable').and.include('max-age=31536000');
    expect(headers['content-type']).to.include('javascript');
  });

  it('go as they are to who cannot', async () => {
    const res = await asked('identity');
    expect(res.headers['content-encoding']).to.equal(undefined);
    expect(res.text).to.equal(script);
    expect(res.headers['content-type']).to.include('javascript');
  });
});
