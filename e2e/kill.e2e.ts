import { newBuild } from '@fomrik/core/parts';
import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const mainFile = new URL('../server/src/main.ts', import.meta.url).pathname;

/** Starts a real server process and waits for its address. */
function start(data: string): Promise<{ child: ChildProcess; url: string }> {
  const child = spawn(process.execPath, ['--import', 'tsx', mainFile, '--data', data, '--port', '4690'], {
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
    child.stdout!.on('data', (chunk: Buffer) => {
      const url = /http:\/\/[\d.:]+/.exec(chunk.toString())?.[0];
      if (url) resolve({ child, url });
    });
  });
}

const json = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** How often it is killed; FOMRIK_KILLS=100 for a long run. */
const kills = Number(process.env['FOMRIK_KILLS'] ?? 1);

describe('killed in the middle of saving', function () {
  this.timeout(60_000 * kills);
  for (let kill = 1; kill <= kills; kill++)
    it(`loses no acknowledged save (${kill} of ${kills})`, async () => {
      const data = mkdtempSync(join(tmpdir(), 'fomrik-'));
      const doc = newBuild('Kill me', '2026-03-01', { name: 'Tam', underLayerMm: 2, measures: [] });
      try {
        const first = await start(data);
        const made = (await (await fetch(`${first.url}/api/builds`, json('POST', { doc }))).json()) as {
          id: string;
        };
        let acknowledged = 1;
        const burst = (async () => {
          for (let version = 1; version < 2000; version++) {
            const res = await fetch(
              `${first.url}/api/builds/${made.id}`,
              json('PUT', { baseVersion: version, doc: { ...doc, name: `save ${version + 1}` } }),
            );
            acknowledged = ((await res.json()) as { version: number }).version;
          }
        })().catch(() => undefined);
        // Not by the clock: a slow machine has saved little by then.
        const begun = Date.now();
        while (acknowledged <= 6 && Date.now() - begun < 30_000)
          await new Promise((resolve) => setTimeout(resolve, 20));
        first.child.kill('SIGKILL');
        await burst;
        const again = await start(data);
        const kept = (await (await fetch(`${again.url}/api/builds/${made.id}`)).json()) as {
          version: number;
          doc: { name: string };
        };
        again.child.kill('SIGKILL');
        expect(acknowledged).to.be.greaterThan(3);
        expect(kept.version).to.be.within(acknowledged, acknowledged + 1);
        expect(kept.doc.name).to.equal(`save ${kept.version}`);
      } finally {
        rmSync(data, { recursive: true, force: true });
      }
    });
});
