import { Router } from 'express';
import type { DataSource } from 'typeorm';
import { notFound } from '../errors';
import type { Queue } from '../oneAtATime';
import { seedBuilds } from '../seed';

/** The sample builds, put on the shelf when they are asked for. */
export function sampleRoutes(db: DataSource, queue: Queue, folder: string | undefined): Router {
  const routes = Router();

  routes.post('/samples', async (_req, res) => {
    if (!folder) throw notFound('folder of samples');
    res.status(201).json({ loaded: await queue.run(() => seedBuilds(db, folder)) });
  });

  return routes;
}
