import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import type { Express } from 'express';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { createApp } from './app';
import { openDatabase } from './database';

const wearer = { name: 'Tam Orrel', underLayerMm: 2, measures: [] };
const empty = newBuild('Dial', '2026-03-01', wearer);
const doc = { ...empty, parts: [newPart('dial', wearer, 'donor')] };

describe('the shop’s book', () => {
  let dir: string;
  let db: DataSource;
  let app: Express;
  const get = () => request(app).get('/api/kept-parts').set('Host', '127.0.0.1');
  const put = (id: string, body: object) =>
    request(app).put(`/api/kept-parts/${id}`).set('Host', '127.0.0.1').send(body);
  const names = async (): Promise<string[]> =>
    ((await get()).body as { parts: { name: string }[] }).parts.map((p) => p.name);

  beforeEach(async () => {
    dir = mkdtempSync(join(tmpdir(), 'fomrik-'));
    db = await openDatabase(dir);
    app = createApp({ db, log: pino({ level: 'silent' }) });
  });
  afterEach(async () => {
    await db.destroy();
    rmSync(dir, { recursive: true });
  });

  it('keeps a part, gives it back whole, replaces it and lets it go', async () => {
    expect((await put('kept-1', { name: 'Tide dial', doc })).status).to.equal(200);
    const { parts } = (await get()).body as { parts: { doc: typeof doc }[] };
    expect(parts[0]!.doc.parts).to.deep.equal(doc.parts);
    await put('kept-1', { name: 'Other dial', doc });
    expect(await names()).to.deep.equal(['Other dial']);
    const gone = await request(app).delete('/api/kept-parts/kept-1').set('Host', '127.0.0.1');
    expect(gone.status).to.equal(204);
    expect(await names()).to.deep.equal([]);
    const again = await request(app).delete('/api/kept-parts/kept-1').set('Host', '127.0.0.1');
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
    await db.query("UPDATE kept_part SET doc = '{]' WHERE id = 'kept-2'");
    const { parts } = (await get()).body as { parts: { name: string; doc?: object; broken?: string }[] };
    expect(parts.map((p) => [p.name, p.doc !== undefined, p.broken !== undefined])).to.deep.equal([
      ['Good', true, false],
      ['Spoilt', false, true],
    ]);
  });
});
