import { Router } from 'express';
import type { BuildStore } from '../buildStore';
import type { BuildChange, Changes } from '../changes';
import { pathId } from '../check';

/** So often a line is sent even when nothing happens, so that a dead connection is noticed; milliseconds. */
const ALIVE_MS = 20_000;

/** A stream of what is saved of a build (server-sent events), begun with the version it has now. */
export function liveRoutes(store: BuildStore, changes: Changes): Router {
  const routes = Router();

  routes.get('/builds/:id/live', async (req, res) => {
    const id = pathId(req.params.id, 'build');
    const { version } = await store.head(id);
    res.writeHead(200, { 'content-type': 'text/event-stream', 'x-accel-buffering': 'no' });
    const send = (change: BuildChange): void => void res.write(`data: ${JSON.stringify(change)}\n\n`);
    send({ buildId: id, version });
    const leave = changes.watch(id, send);
    const alive = setInterval(() => res.write(': still here\n\n'), ALIVE_MS);
    res.on('close', () => {
      clearInterval(alive);
      leave();
    });
  });

  return routes;
}
