import type { BuildDoc, BuildFile } from '@fomrik/core/document';
import type { Digest } from '@fomrik/core/report';
import { docSchema } from '@fomrik/core/files/schema';
import { readBuildFile, writeBuildFile } from '@fomrik/core/files/buildFile';
import { Router, text } from 'express';
import Joi from 'joi';
import { randomUUID } from 'node:crypto';
import { checked, pathId } from '../check';
import { HttpError } from '../errors';
import type { BuildStore } from '../buildStore';
import type { PictureStore } from '../pictureStore';

/** A build with a hundred parts and as many pins comes to some forty megabytes, a picture to about one. */
const MOST_FILE_MB = 128;

const createSchema = Joi.object({ doc: docSchema.required() });
const saveSchema = Joi.object({
  baseVersion: Joi.number().integer().min(1).required(),
  doc: docSchema.required(),
});

const whole = Joi.number().integer().min(0).max(1e6).required();
const digestSchema = Joi.object({
  version: whole,
  stops: whole,
  steps: whole,
  done: whole,
  daysToSpare: Joi.number().integer().min(-1e6).max(1e6).required(),
});

const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'build';

/** Builds: the shelf, saves, and files. */
export function buildRoutes(store: BuildStore, pictures: PictureStore): Router {
  const routes = Router();

  routes.get('/builds', async (_req, res) => {
    res.json({ builds: await store.list() });
  });

  routes.post('/builds', async (req, res) => {
    const { doc } = checked<{ doc: BuildDoc }>(createSchema, req.body);
    res.status(201).json(await store.create(randomUUID(), doc));
  });

  routes.get('/builds/:id', async (req, res) => {
    res.json(await store.get(pathId(req.params.id, 'build')));
  });

  routes.put('/builds/:id', async (req, res) => {
    const { baseVersion, doc } = checked<{ baseVersion: number; doc: BuildDoc }>(saveSchema, req.body);
    res.json(await store.save(pathId(req.params.id, 'build'), baseVersion, doc));
  });

  routes.put('/builds/:id/digest', async (req, res) => {
    const { version, ...digest } = checked<Digest & { version: number }>(digestSchema, req.body);
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
    const file: BuildFile = await store.exportFile(pathId(req.params.id, 'build'));
    const kept = await pictures.keptOf(file);
    if (kept.length > 0) file.pictures = kept;
    res
      .attachment(`${fileName(file.build.name)}.fomrik.json`)
      .type('application/json')
      .send(writeBuildFile(file));
  });

  routes.get('/builds/:id/raw', async (req, res) => {
    const { name, doc } = await store.raw(pathId(req.params.id, 'build'));
    res
      .attachment(`${fileName(name)}.raw.txt`)
      .type('text/plain')
      .send(doc);
  });

  routes.post('/import', text({ limit: `${MOST_FILE_MB}mb`, type: 'application/json' }), async (req, res) => {
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
