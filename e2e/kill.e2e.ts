import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chance } from '../core/src/units';

const mainFile = new URL('../server/dist/main.js', import.meta.url).pathname;
const demo = new URL('../demo', import.meta.url).pathname;

function run(data: string, ...more: string[]): ChildProcess {
  return spawn(process.execPath, [mainFile, '--data', data, '--port', '4690', ...more], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
}

/** Starts a real server process and waits for its address. */
function start(data: string, ...more: string[]): Promise<{ child: ChildProcess; url: string }> {
  const child = run(data, ...more);
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
    child.stdout!.on('data', (chunk: Buffer) => {
      const url = /http:\/\/[\d.:]+/.exec(chunk.toString())?.[0];
      if (url) resolve({ child, url: `${url}/api` });
    });
  });
}

const gone = (child: ChildProcess): Promise<void> =>
  new Promise((resolve) => {
    child.removeAllListeners('exit');
    child.once('exit', () => resolve());
    child.kill('SIGKILL');
  });

/** How often it is killed; FOMRIK_KILLS=1000 for a long run. */
const kills = Number(process.env['FOMRIK_KILLS'] ?? 2);
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261129);

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
const doc = newBuild('Kill me', '2026-03-01', wearer);
const kept = { ...doc, parts: [newPart('dial', wearer, 'donor')] };
const entry = {
  at: '2026-03-01T10:00:00.000Z',
  subject: 'cut',
  note: '',
  planned: null,
  actual: null,
  unit: '',
};

/** What the server has acknowledged, by where it can be asked for again. */
type Acknowledged = Map<string, (now: unknown) => boolean>;

/** Every kind of write, over and over, until the server is gone; what it says yes to is remembered. */
async function writeAll(url: string, buildId: string, done: Acknowledged): Promise<void> {
  const ask = async (method: string, path: string, body: object): Promise<Record<string, unknown>> => {
    const answer = await fetch(url + path, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
    return (await answer.json()) as Record<string, unknown>;
  };
  const has = (list: string, id: string) => (now: unknown) =>
    (now as Record<string, { id: string }[]>)[list]!.some((item) => item.id === id);
  for (let n = 1; n < 5000; n++) {
    const name = `save ${n + 1}`;
    await ask('PUT', `/builds/${buildId}`, { baseVersion: n, doc: { ...doc, name } });
    done.set(`/builds/${buildId}`, (now) => (now as { version: number }).version >= n + 1);
    await ask('PUT', `/builds/${buildId}/log/l${n}`, entry);
    done.set(`/builds/${buildId}/log#${n}`, has('log', `l${n}`));
    await ask('PUT', `/builds/${buildId}/pins/p${n}`, { name, pinnedAt: entry.at, doc });
    done.set(`/builds/${buildId}/pins#${n}`, has('pins', `p${n}`));
    await ask('PUT', '/stock', {
      changes: [
        {
          foamId: 'dense-eva',
          nominalMm: n,
          baseVersion: 0,
          item: { foamId: 'dense-eva', nominalMm: n, sheets: 1 },
        },
      ].filter(() => n < 200),
    });
    if (n < 200)
      done.set(`/stock#${n}`, (now) =>
        (now as { stock: { nominalMm: number }[] }).stock.some((s) => s.nominalMm === n),
      );
    await ask('PUT', `/wearers/w${n}`, { baseVersion: 0, wearer: { ...wearer, name: `Tam ${n}` } });
    done.set(`/wearers#${n}`, has('wearers', `w${n}`));
    await ask('PUT', `/printers/u${n}`, {
      baseVersion: 0,
      printer: { id: `u${n}`, name: 'Up', acrossMm: 99, alongMm: 98 },
    });
    done.set(`/printers#${n}`, has('printers', `u${n}`));
    if (n < 400) {
      await ask('PUT', `/kept-parts/k${n}`, { baseVersion: 0, name, doc: kept });
      done.set(`/kept-parts#${n}`, has('parts', `k${n}`));
    }
    const file = {
      fomrik: 2,
      build: { ...doc, name: `import ${n}` },
      pins: [],
      log: [{ ...entry, id: 'l' }],
    };
    const { id } = await ask('POST', '/import', file);
    done.set(`/builds/${String(id)}/log`, has('log', 'l'));
    await ask('POST', '/copies', {});
  }
}

describe('killed in the middle of writing', function () {
  this.timeout(60_000);
  const roll = chance(seed);
  for (let kill = 1; kill <= kills; kill++)
    it(`loses nothing that was acknowledged (${kill} of ${kills})`, async () => {
      const data = mkdtempSync(join(tmpdir(), 'fomrik-'));
      const done: Acknowledged = new Map();
      try {
        const first = await start(data);
        const made = (await (
          await fetch(`${first.url}/builds`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ doc }),
          })
        ).json()) as { id: string };
        let failed: Error | undefined;
        const writing = writeAll(first.url, made.id, done).catch((error: Error) => (failed = error));
        // Not by the clock: a slow machine has written little by then.
        const many = 8 + Math.floor(roll() * 40);
        while (done.size < many && !failed) await new Promise((resolve) => setTimeout(resolve, 5));
        await gone(first.child);
        await writing;
        expect(failed?.message ?? '').to.match(/fetch failed|other side closed|terminated|^$/);
        const again = await start(data);
        for (const [path, holds] of done) {
          const now: unknown = await (await fetch(again.url + path.split('#')[0]!)).json();
          expect(holds(now), path).to.equal(true);
        }
        // Nothing half-written is on the shelf: every build opens, and has its log.
        const { builds } = (await (await fetch(`${again.url}/builds`)).json()) as {
          builds: { id: string; name: string; broken?: string }[];
        };
        for (const b of builds) {
          expect(b.broken, b.name).to.equal(undefined);
          if (!b.name.startsWith('import')) continue;
          const { log } = (await (await fetch(`${again.url}/builds/${b.id}/log`)).json()) as {
            log: object[];
          };
          expect(log, b.name).to.have.length(1);
        }
        await gone(again.child);
      } finally {
        rmSync(data, { recursive: true, force: true });
      }
    });

  it('has all of the demo builds or none when it is killed while it loads them', async () => {
    const data = mkdtempSync(join(tmpdir(), 'fomrik-'));
    try {
      const child = run(data, '--seed', demo);
      await new Promise((resolve) => setTimeout(resolve, 300 + roll() * 900));
      await gone(child);
      const again = await start(data);
      const { builds } = (await (await fetch(`${again.url}/builds`)).json()) as { builds: object[] };
      await gone(again.child);
      expect([0, 7]).to.include(builds.length);
      const third = await start(data, '--seed', demo);
      const all = (await (await fetch(`${third.url}/builds`)).json()) as { builds: object[] };
      await gone(third.child);
      expect(all.builds).to.have.length(7);
    } finally {
      rmSync(data, { recursive: true, force: true });
    }
  });
});
