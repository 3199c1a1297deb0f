import { Router } from 'express';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import type { DataSource } from 'typeorm';
import type { Changes } from '../changes';
import { copiesIn, copyPath, copyTo, makeCopy, putBack } from '../copies';
import type { Queue } from '../oneAtATime';

/** Copies of everything: those made by themselves, one made now, one put back, and one to take away. */
export function copyRoutes(db: DataSource, queue: Queue, dataDir: string, changes: Changes): Router {
  const routes = Router();

  routes.get('/copies', (_req, res) => {
    res.json({ copies: copiesIn(dataDir) });
  });

  routes.post('/copies', async (_req, res) => {
    res.status(201).json(await queue.run(() => makeCopy(db, dataDir)));
  });

  // A copy of now, for the command line: the database is open in one process only.
  routes.get('/copies/now', async (_req, res) => {
    const file = join(dataDir, `taken-away-${process.hrtime.bigint()}`);
    await queue.run(() => copyTo(db, file));
    res.download(file, 'fomrik-copy.sqlite', { dotfiles: 'allow' }, () => rmSync(file, { force: true }));
  });

  routes.get('/copies/:name', (req, res) => {
    res.download(copyPath(dataDir, req.params.name), req.params.name, { dotfiles: 'allow' });
  });

  routes.post('/copies/:name/restore', async (req, res) => {
    const file = copyPath(dataDir, req.params.name);
    res.json({ before: await queue.run(() => putBack(db, dataDir, file)) });
    // Devices that have a build open look at it as it is now.
    const builds: { id: string; version: number }[] = await db.query('SELECT id, version FROM build');
    for (const { id, version } of builds) {
      changes.tell({ buildId: id, version });
      changes.tell({ buildId: id });
    }
  });

  return routes;
}
