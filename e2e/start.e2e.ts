import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copyFault, makeCopy } from '../server/src/copies';
import { openDatabase } from '../server/src/database';

const mainFile = new URL('../server/dist/main.js', import.meta.url).pathname;

/** Runs the built server until it ends by itself, as it does when it fails. */
function ends(...args: string[]): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, [mainFile, ...args], {
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((resolve) => child.on('close', (code) => resolve({ code, said })));
}

const fails = ends;

describe('a server that cannot start', function () {
  this.timeout(60_000);
  let dir: string;
  beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'fomrik-'))));
  afterEach(() => rmSync(dir, { recursive: true, force: true }));

  const oneSentence = ({ said }: { said: string }): void => {
    expect(said.trim().split('\n'), said).to.have.length(1);
    expect(said).to.not.match(/\bat .*:\d+:\d+|Error:/);
  };

  it('says so in a sentence when an option or a port is wrong', async () => {
    const [option, port] = await Promise.all([
      fails('--colour', 'red'),
      fails('--data', dir, '--port', '99999'),
    ]);
    for (const f of [option, port]) oneSentence(f);
    expect([option.code, port.code]).to.deep.equal([2, 2]);
    expect(port.said).to.include('99999');
  });

  it('says so when the directory is a file, or the database is none', async () => {
    const file = join(dir, 'file');
    writeFileSync(file, 'x');
    const data = mkdtempSync(join(dir, 'data-'));
    writeFileSync(
      join(data, 'fomrik.sqlite'),
      'this is a shopping list, not a database, and long enough to tell'.repeat(40),
    );
    const [notDir, notDb] = await Promise.all([fails('--data', file), fails('--data', data)]);
    for (const f of [notDir, notDb]) oneSentence(f);
    expect([notDir.code, notDb.code]).to.deep.equal([6, 4]);
  });

  it('says so when another uses the data, and when a newer one did', async () => {
    const db = await openDatabase(dir);
    const second = await fails('--data', dir, '--port', '4688');
    oneSentence(second);
    expect([second.code, second.said]).to.satisfy(
      ([code, said]: [number, string]) => code === 3 && said.includes('Another Fomrik'),
    );
    await db.query(
      "INSERT INTO migrations (timestamp, name) VALUES (9999999999999, 'FarFuture9999999999999')",
    );
    await db.destroy();
    const newer = await fails('--data', dir, '--port', '4688');
    oneSentence(newer);
    expect(newer.code).to.equal(7);
  });

  it('says so when the folder cannot be written to, or the builds to load are missing or broken', async () => {
    const bad = join(dir, 'builds');
    mkdirSync(bad);
    writeFileSync(join(bad, 'torn.fomrik.json'), '{"fomrik": 2,');
    const [missing, broken, certificate] = await Promise.all([
      fails('--data', join(dir, 'a'), '--seed', join(dir, 'nowhere')),
      fails('--data', join(dir, 'b'), '--seed', bad),
      fails('--data', join(dir, 'c'), '--cert', join(dir, 'nowhere')),
    ]);
    for (const f of [missing, broken, certificate]) oneSentence(f);
    expect(missing.said).to.include('nowhere');
    expect(broken.said).to.include('torn.fomrik.json');
    expect([missing.code, broken.code, certificate.code]).to.deep.equal([9, 9, 2]);
  });

  it('names the last copy when the database is damaged, and puts it back', async () => {
    const db = await openDatabase(dir);
    await db.query(
      "INSERT INTO build (id, name, doc, version, createdAt, updatedAt) VALUES ('a', 'Kept', '{}', 3, '2026', '2026')",
    );
    const copy = await makeCopy(db, dir);
    await db.destroy();
    const file = join(dir, 'fomrik.sqlite');
    writeFileSync(file, Buffer.concat([readFileSync(file).subarray(0, 4000), Buffer.alloc(60_000, 7)]));
    const damaged = await fails('--data', dir, '--port', '4689');
    oneSentence(damaged);
    expect(damaged.said).to.include('./fomrik restore').and.include(copy.name);
    const put = await ends('--data', dir, '--restore', join(dir, 'copies', copy.name));
    expect(put.code).to.equal(0);
    const again = await openDatabase(dir);
    expect(await again.query('SELECT name FROM build')).to.deep.equal([{ name: 'Kept' }]);
    await again.destroy();
  });

  it('gives a copy of everything to the command line while it runs, and takes none back then', async () => {
    const server = spawn(process.execPath, [mainFile, '--data', dir, '--port', '4692'], {
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await new Promise<void>((resolve) => server.stdout.once('data', () => resolve()));
    const file = join(dir, 'away.sqlite');
    try {
      expect((await ends('--data', dir, '--backup', file)).code).to.equal(0);
      expect(copyFault(file)).to.equal(undefined);
      const again = await ends('--data', dir, '--backup', file);
      oneSentence(again);
      const back = await ends('--data', dir, '--restore', file);
      oneSentence(back);
      expect([again.code, back.code]).to.deep.equal([2, 3]);
    } finally {
      server.kill('SIGKILL');
    }
  });
});
