import { raw, Router } from 'express';
import { HttpError, notFound } from '../errors';
import { type PictureStore, readPicture } from '../pictureStore';

const MOST_MB = 40;

/** Pictures: taken in as PNG, JPEG or WebP, given back as WebP by their content. */
export function pictureRoutes(store: PictureStore): Router {
  const routes = Router();

  routes.post('/pictures', raw({ limit: `${MOST_MB}mb`, type: 'image/*' }), async (req, res) => {
    if (!Buffer.isBuffer(req.body) || req.body.length === 0)
      throw new HttpError(415, 'not-a-picture', 'Send a PNG, JPEG or WebP picture.');
    // Read before its turn at the database, which goes on saving meanwhile.
    res.status(201).json(await store.add(await readPicture(req.body)));
  });

  routes.get('/pictures/:content', async (req, res) => {
    const bytes = await store.bytes(req.params.content);
    if (!bytes) throw notFound('picture');
    res.setHeader('cache-control', 'private, max-age=31536000, immutable');
    res.type('image/webp').send(bytes);
  });

  return routes;
}
