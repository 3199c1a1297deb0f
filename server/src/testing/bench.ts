import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BuildDoc } from '@fomrik/core/document';
import pino from 'pino';
import request from 'supertest';
import type { DataSource } from 'typeorm';
import { createApp } from '../app';
import { openDatabase } from '../database';

/** A server over a fresh data directory for every test, asked as a browser on this machine asks it. */
export function bench() {
  let dir: string;
  let db: DataSource;
  let app: ReturnType<typeof createApp>;
  beforeEach(async () => {
    dir = mkdtempSync(join(tmpdir(), 'fomrik-'));
    db = await openDatabase(dir);
    app = createApp({ db, dataDir: dir, log: pino({ level: 'silent' }) });
  });
  afterEach(async () => {
    await db.destroy();
    rmSync(dir, { recursive: true });
  });
  const api = () => request(app);
  const post = (path: string, body: object | string = {}) =>
    api().post(path).set('Host', '127.0.0.1').type('json').send(body);
  return {
    api,
    post,
    db: () => db,
    dir: () => dir,
    get: (path: string) => api().get(path).set('Host', '127.0.0.1'),
    put: (path: string, body: object) => api().put(path).set('Host', '127.0.0.1').send(body),
    remove: (path: string) => api().delete(path).set('Host', '127.0.0.1'),
    create: async (doc: BuildDoc): Promise<string> =>
      ((await post('/api/builds', { doc })).body as { id: string }).id,
  };
}
