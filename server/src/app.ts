import staticFiles from 'express-static-gzip';
import express, { type Express, type Request } from 'express';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import type { StuckConnection } from './atomic';
import { BuildStore } from './buildStore';
import { Changes } from './changes';
import { errorHandler, HttpError, unknownRoute } from './errors';
import { guard } from './guard';
import { oneAtATime, Queue } from './oneAtATime';
import { NoteStore } from './noteStore';
import { OutOfSight } from './outOfSight';
import { PictureStore } from './pictureStore';
import { buildRoutes } from './routes/builds';
import { admission } from './admission';
import { Pairing } from './pairing';
import { deviceRoutes, type Lan } from './routes/devices';
import { pairRoutes } from './routes/pair';
import { sampleRoutes } from './routes/samples';
import { copyRoutes } from './routes/copies';
import { liveRoutes } from './routes/live';
import { noteRoutes } from './routes/notes';
import { pictureRoutes } from './routes/pictures';
import { shopRoutes } from './routes/shop';
import { trashRoutes } from './routes/trash';
import { ShopStore } from './shopStore';

export interface AppOptions {
  db: DataSource;
  /** Where copies are kept. */
  dataDir: string;
  /** Writes wait for one another in it, the upkeep's too. */
  queue?: Queue;
  log: Logger;
  /** Built web application; absent in development, where Vite serves it. */
  webDir?: string;
  extraHosts?: readonly string[];
  /** Lets devices of the network in. */
  pairing?: Pairing;
  /** How it is reached from the local network. */
  lan?: Lan;
  /** Build files that may be loaded as samples. */
  samplesDir?: string;
  /** Called when the database can no longer be trusted to keep what is acknowledged. */
  onStuck?: (error: StuckConnection) => void;
}

/** Charts and 3D set inline styles; nothing else is loosened. */
const contentSecurity = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'self'"],
    // The simplifier of surfaces is compiled code that ships with the application.
    scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    workerSrc: ["'self'", 'blob:'],
    objectSrc: ["'none'"],
    baseUri: ["'none'"],
    formAction: ["'self'"],
    frameAncestors: ["'none'"],
  },
};

/** Whether a request carries something that is not JSON. */
const carriesOther = (req: Request): boolean =>
  req.headers['content-length'] !== '0' && req.is('application/json') === false;

export function createApp({
  db,
  dataDir,
  queue = new Queue(),
  log,
  webDir,
  extraHosts = [],
  pairing = new Pairing(db, queue),
  lan = { addresses: [], secure: false },
  samplesDir,
  onStuck = () => undefined,
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: contentSecurity,
      strictTransportSecurity: false,
      crossOriginEmbedderPolicy: false,
    }),
  );
  app.use(guard(extraHosts));
  app.use(admission(pairing));
  app.use(pairRoutes(pairing));
  app.get('/api/health', (_req, res) => {
    res.json({ ok: true });
  });
  app.use('/api', (req, res, next) => {
    res.setHeader('cache-control', 'no-store');
    if (req.path === '/pictures' || (req.path === '/import' && req.is('application/zip'))) return next();
    if (carriesOther(req))
      throw new HttpError(415, 'not-json', 'Send JSON, with content type application/json.');
    if (req.path === '/import') return next();
    // A shop file holds every kept part.
    express.json({ limit: req.path === '/shop/file' ? '256mb' : '16mb' })(req, res, next);
  });
  const changes = new Changes();
  const builds = oneAtATime(new BuildStore(db, changes), queue);
  const notes = oneAtATime(new NoteStore(db, changes), queue);
  const outOfSight = oneAtATime(new OutOfSight(db), queue);
  const shop = oneAtATime(new ShopStore(db), queue);
  const pictures = oneAtATime(new PictureStore(db), queue);
  app.use(
    '/api',
    buildRoutes(builds, notes, outOfSight, pictures),
    noteRoutes(notes),
    liveRoutes(builds, changes),
    trashRoutes(outOfSight),
    copyRoutes(db, queue, dataDir, changes),
    deviceRoutes(pairing, lan),
    sampleRoutes(db, queue, samplesDir),
    shopRoutes(shop),
    pictureRoutes(pictures),
    unknownRoute,
  );
  if (webDir && existsSync(webDir)) {
    const packed = { enableBrotli: true, index: false };
    app.use(
      '/assets',
      staticFiles(join(webDir, 'assets'), { ...packed, serveStatic: { immutable: true, maxAge: '1y' } }),
    );
    app.use(staticFiles(webDir, packed));
    app.get('/*page', (_req, res) => {
      res.sendFile(join(webDir, 'index.html'));
    });
    app.get('/', (_req, res) => {
      res.sendFile(join(webDir, 'index.html'));
    });
  }
  app.use(unknownRoute);
  app.use(errorHandler(log, onStuck));
  return app;
}
