import { logEntryRule } from '@fomrik/core/document';
import { standardPinRule } from '@fomrik/core/files/schema';
import { Router } from 'express';
import type { NoteStore } from '../noteStore';
import { checked, checkedWithDoc, pathId } from '../check';

/** As many as can be read before a build is begun. */
const MOST_LESSONS = 30;

/** What is kept with a build besides its document: pins and log. Writing the same id again replaces it. */
export function noteRoutes(store: NoteStore): Router {
  const routes = Router();

  routes.get('/builds/:id/pins', async (req, res) => {
    res.json(await store.pins(pathId(req.params.id, 'build')));
  });

  routes.put('/builds/:id/pins/:pinId', async (req, res) => {
    const pin = checkedWithDoc(standardPinRule, {
      ...(req.body as object),
      id: pathId(req.params.pinId, 'pin'),
    });
    await store.putPin(pathId(req.params.id, 'build'), pin);
    res.json(pin);
  });

  routes.delete('/builds/:id/pins/:pinId', async (req, res) => {
    await store.removePin(pathId(req.params.id, 'build'), pathId(req.params.pinId, 'pin'));
    res.status(204).end();
  });

  routes.get('/builds/:id/log', async (req, res) => {
    res.json({ log: await store.log(pathId(req.params.id, 'build')) });
  });

  routes.get('/builds/:id/lessons', async (req, res) => {
    res.json({ lessons: await store.lessons(pathId(req.params.id, 'build'), MOST_LESSONS) });
  });

  routes.put('/builds/:id/log/:entryId', async (req, res) => {
    const entry = checked(logEntryRule, {
      ...(req.body as object),
      id: pathId(req.params.entryId, 'log entry'),
    });
    await store.putLog(pathId(req.params.id, 'build'), entry);
    res.json(entry);
  });

  routes.delete('/builds/:id/log/:entryId', async (req, res) => {
    await store.removeLog(pathId(req.params.id, 'build'), pathId(req.params.entryId, 'log entry'));
    res.status(204).end();
  });

  return routes;
}
