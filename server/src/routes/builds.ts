import { standardBuildRule } from '@fomrik/core/files/schema';
import { readBuildFile } from '@fomrik/core/files/buildFile';
import { also, matching, object, optional, whole, within } from '@fomrik/core/rule';
import { Router, text } from 'express';
import { randomUUID } from 'node:crypto';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { BuildExport } from '../buildExport';
import { importArchive } from '../buildImport';
import { checked, checkedWithDoc, pathId } from '../check';
import { HttpError } from '../errors';
import type { BuildStore } from '../buildStore';
import type { NoteStore } from '../noteStore';
import type { OutOfSight } from '../outOfSight';
import type { PictureStore } from '../pictureStore';

/** Files of an older Fomrik carry their pictures in the text: larger ones than it ever wrote are refused. */
const MOST_TEXT_MB = 256;

const createRule = object({ doc: standardBuildRule });
const saveRule = object({ baseVersion: whole(1, 1e9), doc: standardBuildRule });

/** A small picture as text, letters. */
const MOST_PICTURE = 200_000;

const tally = whole(0, 1e6);
const digestRule = object({
  version: tally,
  stops: tally,
  steps: tally,
  done: tally,
  daysToSpare: whole(-1e6, 1e6),
  cost: optional(within(0, 1e9)),
  picture: optional(
    also(matching(/^data:image\/png;base64,[A-Za-z0-9+/=]+$/), (url) =>
      url.length > MOST_PICTURE ? `is larger than ${MOST_PICTURE} letters` : undefined,
    ),
  ),
});

const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'build';

/** Builds: the shelf, saves, and files. */
export function buildRoutes(
  store: BuildStore,
  notes: NoteStore,
  outOfSight: OutOfSight,
  pictures: PictureStore,
): Router {
  const routes = Router();

  routes.get('/builds', async (_req, res) => {
    res.json({ builds: await store.list() });
  });

  routes.post('/builds', async (req, res) => {
    const { doc } = checkedWithDoc(createRule, req.body);
    res.status(201).json(await store.create(randomUUID(), doc));
  });

  routes.get('/builds/:id', async (req, res) => {
    res.json(await store.get(pathId(req.params.id, 'build')));
  });

  routes.put('/builds/:id', async (req, res) => {
    const { baseVersion, doc } = checkedWithDoc(saveRule, req.body);
    res.json(await store.save(pathId(req.params.id, 'build'), baseVersion, doc));
  });

  routes.put('/builds/:id/digest', async (req, res) => {
    const { version, ...digest } = checked(digestRule, req.body);
    await store.putDigest(pathId(req.params.id, 'build'), version, digest);
    res.status(204).end();
  });

  routes.delete('/builds/:id', async (req, res) => {
    await store.throwAway(pathId(req.params.id, 'build'));
    res.status(204).end();
  });

  routes.post('/builds/:id/restore', async (req, res) => {
    res.json(await store.bringBack(pathId(req.params.id, 'build')));
  });

  routes.post('/builds/:id/duplicate', async (req, res) => {
    res.status(201).json(await store.duplicate(pathId(req.params.id, 'build'), randomUUID()));
  });

  routes.get('/builds/:id/revisions', async (req, res) => {
    res.json({ revisions: await store.revisions(pathId(req.params.id, 'build')) });
  });

  routes.get('/builds/:id/revisions/:version', async (req, res) => {
    res.json(await store.revision(pathId(req.params.id, 'build'), Number(req.params.version)));
  });

  routes.get('/builds/:id/file', async (req, res) => {
    const along = { measures: req.query['measures'] !== '0', name: req.query['name'] === '1' };
    const made = await BuildExport.of(store, notes, pictures, pathId(req.params.id, 'build'), along);
    const text = await made.text();
    if (text !== undefined) {
      res
        .attachment(`${fileName(made.name)}.fomrik.json`)
        .type('application/json')
        .send(text);
      return;
    }
    res.attachment(`${fileName(made.name)}.fomrik.zip`).type('application/zip');
    await pipeline(Readable.from(made.archive()), res);
  });

  routes.get('/builds/:id/raw', async (req, res) => {
    const { name, doc } = await store.raw(pathId(req.params.id, 'build'));
    res
      .attachment(`${fileName(name)}.raw.txt`)
      .type('text/plain')
      .send(doc);
  });

  const asText = text({ limit: `${MOST_TEXT_MB}mb`, type: 'application/json' });
  routes.post('/import', async (req, res) => {
    if (req.is('application/zip')) {
      const id = randomUUID();
      await importArchive(outOfSight, pictures, id, req);
      res.status(201).json(await store.get(id));
      return;
    }
    await new Promise<void>((read, failed) =>
      asText(req, res, (error?: unknown) => (error ? failed(error as Error) : read())),
    );
    const read = readBuildFile(typeof req.body === 'string' ? req.body : '');
    if (!read.ok)
      throw new HttpError(
        400,
        'bad-file',
        read.message,
        read.field === undefined ? {} : { field: read.field },
      );
    res.status(201).json(await store.importFile(randomUUID(), read.value));
  });

  return routes;
}
