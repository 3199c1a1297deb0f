import { firstOf } from '@fomrik/core/units';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer as createHttp, type Server } from 'node:http';
import { createServer as createHttps } from 'node:https';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import pino from 'pino';
import { toString as qrCode } from 'qrcode';
import type { DataSource } from 'typeorm';
import { lanHosts } from './addresses';
import { createApp } from './app';
import { openDatabase } from './database';
import { end } from './end';
import { Queue } from './oneAtATime';
import { Pairing } from './pairing';
import { RUNNING } from './running';
import { seedBuilds } from './seed';
import { startFault } from './startFault';
import { keepUp } from './upkeep';

export interface ServeOptions {
  data: string;
  port: number;
  /** Listens on the local network as well, for devices that are paired. */
  lan: boolean;
  /** A certificate and its key, PEM files. */
  cert?: string;
  key?: string;
  /** A folder of build files that are loaded at the start. */
  seed?: string;
  /** A folder of build files that can be loaded when they are asked for. */
  samples?: string;
  /** The built web application. */
  web?: string;
}

async function open({ data, seed }: ServeOptions): Promise<DataSource> {
  const opened = await openDatabase(data);
  for (const name of seed ? await seedBuilds(opened, seed) : []) console.log(`Loaded “${name}”.`);
  return opened;
}

const LOCAL = '127.0.0.1';

/** What a maker needs to let the first device in. */
async function tellLan(pairing: Pairing, addresses: readonly string[], secure: boolean): Promise<void> {
  if (addresses.length === 0) {
    console.log('This computer has no address in a local network; other devices cannot reach it.');
    return;
  }
  const { code } = pairing.begin();
  console.log(`On a tablet or phone in the same network: ${addresses.join(' or ')}`);
  console.log(`Pairing code ${code}, good for ten minutes and one device.`);
  console.log(await qrCode(`${firstOf(addresses)}pair?code=${code}`, { type: 'terminal', small: true }));
  if (!secure)
    console.log(
      'Without a certificate the connection is not encrypted: whoever is on the network can read along, and a tablet ' +
        'cannot keep the application for when the server is away, nor its screen awake. Give one with --cert and --key.',
    );
}

/** Serves until it is stopped. */
export async function serve(options: ServeOptions): Promise<void> {
  const { data, port: wanted, lan, cert, key, samples, web } = options;
  const log = pino({ level: process.env['FOMRIK_LOG'] ?? 'warn' });
  const db = await open(options).catch((error: unknown) => {
    const { message, exitCode } = startFault(error, data);
    return end(message, exitCode);
  });
  const secure = cert !== undefined && key !== undefined;
  const queue = new Queue();
  const pairing = new Pairing(db, queue);
  const { addresses, names } = lan ? lanHosts() : { addresses: [], names: [] };
  // Filled in once the port is known.
  const links: string[] = [];
  const app = createApp({
    db,
    dataDir: data,
    log,
    queue,
    pairing,
    extraHosts: names,
    lan: { addresses: links, secure },
    onStuck: (error) => end(error.message, 8),
    ...(samples && { samplesDir: samples }),
    ...(web && { webDir: join(process.cwd(), web) }),
  });
  let server: Server;
  try {
    server = secure
      ? createHttps({ cert: readFileSync(cert), key: readFileSync(key) }, app)
      : createHttp(app);
  } catch (error) {
    return end(`The certificate or its key cannot be read: ${(error as Error).message}`, 2);
  }
  const stopUpkeep = keepUp(db, queue, data, log);
  const running = join(data, RUNNING);

  const lastTried = Math.min(65535, wanted + 50);
  /** Takes the wanted port or the next free one. */
  const listen = (port: number): void => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      if (error.code === 'EADDRINUSE' && port < lastTried) listen(port + 1);
      else end(`Fomrik cannot listen on port ${port}: ${error.message}`, 1);
    });
    server.listen(port, lan ? '0.0.0.0' : LOCAL, () => {
      server.removeAllListeners('error');
      const { port: taken } = server.address() as AddressInfo;
      const scheme = secure ? 'https' : 'http';
      links.push(...addresses.map((address) => `${scheme}://${address}:${taken}/`));
      mkdirSync(data, { recursive: true });
      writeFileSync(running, JSON.stringify({ url: `${scheme}://${LOCAL}:${taken}/` }));
      console.log(`Fomrik is at ${scheme}://${LOCAL}:${taken}/ — Ctrl-C stops it.`);
      if (lan) void tellLan(pairing, links, secure);
    });
  };
  listen(wanted);

  let stopping = false;
  const stop = async (): Promise<void> => {
    if (stopping) return;
    stopping = true;
    stopUpkeep();
    server.close();
    server.closeAllConnections();
    rmSync(running, { force: true });
    await db.destroy();
    process.exit(0);
  };
  process.on('SIGINT', () => void stop());
  process.on('SIGTERM', () => void stop());
}
