import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import pino from 'pino';
import { createApp } from './app';
import { openDatabase } from './database';
import { seedBuilds } from './seed';

const { values } = parseArgs({
  options: {
    data: { type: 'string', default: process.env['FOMRIK_DATA'] ?? '.data' },
    port: { type: 'string', default: process.env['FOMRIK_PORT'] ?? '4600' },
    host: { type: 'string', default: '127.0.0.1' },
    seed: { type: 'string' },
    web: { type: 'string' },
  },
});

const log = pino({ level: process.env['FOMRIK_LOG'] ?? 'warn' });
const db = await openDatabase(values.data);
if (values.seed) {
  const added = await seedBuilds(db, values.seed);
  for (const name of added) console.log(`Loaded “${name}”.`);
}
const extraHosts = values.host === '127.0.0.1' ? [] : [values.host];
const server = createServer(
  createApp({ db, log, extraHosts, ...(values.web && { webDir: join(process.cwd(), values.web) }) }),
);

const wanted = Number(values.port);
const lastTried = wanted + 50;

/** Takes the wanted port or the next free one. */
function listen(port: number): void {
  server.once('error', (error: NodeJS.ErrnoException) => {
    if (error.code === 'EADDRINUSE' && port < lastTried) listen(port + 1);
    else {
      console.error(`Fomrik cannot listen on ${values.host}:${port}: ${error.message}`);
      process.exit(1);
    }
  });
  server.listen(port, values.host, () => {
    server.removeAllListeners('error');
    const { port: taken } = server.address() as AddressInfo;
    console.log(`Fomrik is at http://${values.host}:${taken}/ — Ctrl-C stops it.`);
  });
}
listen(wanted);

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeAllConnections();
  await db.destroy();
  process.exit(0);
}
process.on('SIGINT', () => void stop());
process.on('SIGTERM', () => void stop());
