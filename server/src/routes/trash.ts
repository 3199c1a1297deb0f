import { Router } from 'express';
import type { OutOfSight } from '../outOfSight';
import { pathId } from '../check';

/** Builds that were deleted: looked at, brought back (by their own route), or erased for good. */
export function trashRoutes(store: OutOfSight): Router {
  const routes = Router();

  routes.get('/trash', async (_req, res) => {
    res.json({ builds: await store.trash() });
  });

  routes.delete('/trash', async (_req, res) => {
    res.json({ erased: await store.emptyTrash(new Date()) });
  });

  routes.delete('/trash/:id', async (req, res) => {
    await store.eraseTrashed(pathId(req.params.id, 'build'));
    res.status(204).end();
  });

  return routes;
}
