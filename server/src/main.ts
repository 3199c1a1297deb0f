import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import pino from 'pino';
import type { DataSource } from 'typeorm';
import { createApp } from './app';
import { openDatabase } from './database';
import { seedBuilds } from './seed';
import { startFault } from './startFault';

function end(message: string, exitCode: number): never {
  console.error(message);
  process.exit(exitCode);
}

function options() {
  try {
    return parseArgs({
      options: {
        data: { type: 'string', default: process.env['FOMRIK_DATA'] ?? '.data' },
        port: { type: 'string', default: process.env['FOMRIK_PORT'] ?? '4600' },
        host: { type: 'string', default: '127.0.0.1' },
        seed: { type: 'string' },
        web: { type: 'string' },
      },
    }).values;
  } catch (error) {
    return end(`${(error as Error).message} Known are --data, --port, --host, --seed and --web.`, 2);
  }
}

const values = options();
const wanted = Number(values.port);
if (!Number.isInteger(wanted) || wanted < 0 || wanted > 65535)
  end(`Port “${values.port}” is not a whole number from 0 to 65535.`, 2);

const log = pino({ level: process.env['FOMRIK_LOG'] ?? 'warn' });

async function open(): Promise<DataSource> {
  try {
    const opened = await openDatabase(values.data);
    for (const name of values.seed ? await seedBuilds(opened, values.seed) : [])
      console.log(`Loaded “${name}”.`);
    return opened;
  } catch (error) {
    const fault = startFault(error, values.data);
    if (fault) return end(fault.message, fault.exitCode);
    throw error;
  }
}

const db = await open();
const extraHosts = values.host === '127.0.0.1' ? [] : [values.host];
const server = createServer(
  createApp({
    db,
    log,
    extraHosts,
    onStuck: (error) => end(error.message, 8),
    ...(values.web && { webDir: join(process.cwd(), values.web) }),
  }),
);

const lastTried = Math.min(65535, wanted + 50);

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
