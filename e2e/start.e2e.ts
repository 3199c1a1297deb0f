import { expect } from 'chai';
import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../server/src/database';

const mainFile = new URL('../server/dist/main.js', import.meta.url).pathname;

/** Starts the built server so that it is meant to fail. */
function fails(...args: string[]): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, [mainFile, ...args], {
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  let said = '';
  child.stderr.on('data', (chunk: Buffer) => (said += chunk.toString()));
  return new Promise((resolve) => child.on('close', (code) => resolve({ code, said })));
}

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
});
