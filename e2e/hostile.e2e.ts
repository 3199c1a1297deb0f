import { chance } from '../core/src/units';
import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** How many mutated requests are sent; FOMRIK_HOSTILE=22000 for a long run. */
const count = Number(process.env['FOMRIK_HOSTILE'] ?? 700);
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261125);

const paths = [
  '/api/builds',
  '/api/builds/ID',
  '/api/builds/ID/restore',
  '/api/builds/ID/duplicate',
  '/api/builds/ID/revisions',
  '/api/builds/ID/revisions/1',
  '/api/builds/ID/file',
  '/api/builds/ID/raw',
  '/api/builds/ID/pins',
  '/api/builds/ID/pins/p',
  '/api/builds/ID/log/l',
  '/api/wearers',
  '/api/wearers/tam',
  '/api/wearers/tam?baseVersion=1',
  '/api/stock',
  '/api/printers/up',
  '/api/kept-parts/k',
  '/api/import',
  '/api/copies',
  '/api/copies/x.sqlite',
  '/api/copies/x.sqlite/restore',
  '/api/trash',
  '/api/trash/ID',
  '/api/devices',
  '/api/devices/code',
  '/api/shop/file',
  '/api/samples',
  '/pair',
  '/',
  '/assets/x',
];
const methods = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'];
const oddTails = [
  '%',
  '%E0%A4%A',
  '%00',
  '/..%2f..%2f',
  '?a=%',
  '//',
  '/1e400',
  '/-1',
  '/\u00e9',
  '/x'.repeat(400),
];
const oddValues: unknown[] = [
  null,
  true,
  -1,
  1e308,
  '',
  'x'.repeat(5000),
  [],
  {},
  [[[[]]]],
  '\u0000',
  '2026-99-99',
  JSON.parse('{"__proto__": 1}'),
  { toString: 1 },
  { constructor: { prototype: 1 } },
];
const headers: [string, string][] = [
  ['content-encoding', 'gzip'],
  ['content-encoding', 'br'],
  ['content-encoding', 'nonsense'],
  ['content-type', 'text/plain'],
  ['content-type', 'application/zip'],
  ['cookie', 'fomrik-device=x; =; a'],
  ['content-type', 'application/json; charset=utf-7'],
  ['content-type', 'multipart/form-data'],
  ['range', 'bytes=999999999-'],
  ['range', 'bytes=5-1'],
  ['origin', 'null'],
  ['if-none-match', '"'],
  ['expect', '100-continue'],
];

describe('requests meant to harm', function () {
  this.timeout(30_000 + count * 60);
  let child: ChildProcess;
  let port = 0;
  let data: string;

  before(async () => {
    data = mkdtempSync(join(tmpdir(), 'fomrik-'));
    const main = new URL('../server/src/main.ts', import.meta.url).pathname;
    child = spawn(process.execPath, ['--import', 'tsx', main, '--data', data, '--port', '4710'], {
      stdio: ['ignore', 'pipe', 'inherit'],
      env: { ...process.env, FOMRIK_LOG: 'silent' },
    });
    port = await new Promise((resolve) =>
      child.stdout!.on('data', (chunk: Buffer) => {
        const found = /127\.0\.0\.1:(\d+)/.exec(chunk.toString());
        if (found) resolve(Number(found[1]));
      }),
    );
  });
  after(() => {
    child.kill('SIGKILL');
    rmSync(data, { recursive: true, force: true });
  });

  const send = (
    method: string,
    path: string,
    body?: string,
    extra: Record<string, string> = {},
  ): Promise<number> =>
    new Promise((resolve) => {
      const req = request(
        {
          port,
          host: '127.0.0.1',
          method,
          path: path.replace(/[^\x21-\x7e]/g, '%FF'),
          headers: {
            'content-type': 'application/json',
            ...(body !== undefined && { 'content-length': Buffer.byteLength(body) }),
            ...extra,
          },
        },
        (res) => {
          res.resume();
          res.on('end', () => resolve(res.statusCode!));
          res.on('error', () => resolve(0));
        },
      );
      // Some are cut off by the server: that is no answer of 500 either.
      req.on('error', () => resolve(0));
      req.setTimeout(5000, () => req.destroy());
      req.end(body);
    });

  it('are never answered by 500, and what was there stays as it was', async () => {
    const doc = newBuild('Calm', '2026-03-01', { name: 'Tam', underLayerMm: 2, measures: [] });
    const made = await fetch(`http://127.0.0.1:${port}/api/builds`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ doc }),
    });
    const { id } = (await made.json()) as { id: string };
    const roll = chance(seed);
    const any = <T>(from: readonly T[]): T => from[Math.floor(roll() * from.length)]!;
    const bodies: unknown[] = [
      { doc },
      { baseVersion: 1, doc },
      { fomrik: 2, build: doc, pins: [], log: [] },
      { name: 'p', pinnedAt: '2026-01-01T00:00:00Z', doc },
      { at: '2026-01-01T00:00:00Z', subject: 's', note: '', planned: null, actual: 1, unit: 'g' },
      {
        baseVersion: 0,
        wearer: {
          name: 'Tam',
          underLayerMm: 2,
          measures: [{ key: 'wristGirth', valueMm: 170, source: 'tape', takenOn: '2026-01-01' }],
        },
      },
      {
        changes: [
          {
            foamId: 'dense-eva',
            nominalMm: 6,
            baseVersion: 0,
            item: { foamId: 'dense-eva', nominalMm: 6, sheets: 2 },
          },
        ],
      },
      { baseVersion: 0, printer: { id: 'up', name: 'Up', acrossMm: 99, alongMm: 98 } },
      { baseVersion: 0, name: 'Dial', doc },
      { fomrikShop: 1, wearers: [], printers: [], stock: [], parts: [] },
      { code: '123456', name: 'Tablet' },
    ];
    /** One value somewhere in a body replaced by an odd one. */
    const mutate = (value: unknown): unknown => {
      if (typeof value !== 'object' || value === null || roll() < 0.25) return any(oddValues);
      const keys = Object.keys(value);
      if (keys.length === 0) return any(oddValues);
      const key = any(keys);
      const copy = structuredClone(value) as Record<string, unknown>;
      if (roll() < 0.15) delete copy[key];
      else copy[key] = mutate(copy[key]);
      return copy;
    };
    const bad: string[] = [];
    for (let i = 0; i < count; i++) {
      const method = any(methods);
      // The build itself is spared deleting and saving, so that it can be looked at afterwards.
      const target = method === 'DELETE' || method === 'PUT' ? 'other' : id;
      const path = any(paths).replace('ID', target) + (roll() < 0.25 ? any(oddTails) : '');
      const valid = JSON.stringify(roll() < 0.2 ? any(bodies) : mutate(any(bodies))) ?? '';
      const torn = roll() < 0.15 ? valid.slice(0, Math.floor(valid.length * roll())) : valid;
      const extra = roll() < 0.3 ? Object.fromEntries([any(headers)]) : {};
      const status = await send(
        method,
        path,
        method === 'GET' || method === 'HEAD' ? undefined : torn,
        extra,
      );
      if (status >= 500)
        bad.push(`${status} ${method} ${path} ${JSON.stringify(extra)} ${torn.slice(0, 200)}`);
    }
    expect(bad, `seed ${seed}`).to.deep.equal([]);
    const kept = (await (await fetch(`http://127.0.0.1:${port}/api/builds/${id}`)).json()) as { doc: object };
    expect(kept.doc).to.deep.equal(JSON.parse(JSON.stringify(doc)));
  });
});
