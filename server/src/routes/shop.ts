import type { Wearer } from '@fomrik/core/body';
import { docSchema, printerSchema, stockSchema, wearerSchema } from '@fomrik/core/files/schema';
import type { BuildDoc, Printer } from '@fomrik/core/document';
import type { FoamStock } from '@fomrik/core/materials';
import { Router } from 'express';
import Joi from 'joi';
import { checked, pathId } from '../check';
import type { ShopStore } from '../shopStore';

/** One part and nothing else, in a build of its own. */
const keptBody = Joi.object({
  name: Joi.string().trim().min(1).max(120).required().label('name'),
  doc: docSchema.required(),
}).custom((value: { doc: BuildDoc }, helpers) =>
  value.doc.parts.length === 1
    ? value
    : helpers.message({ custom: 'doc.parts: the book keeps one part at a time.' }),
);

const stockBody = Joi.object({ stock: stockSchema.required() });

/** Wearers with their dated measures, printers with their faults, and the foam on the shelf. */
export function shopRoutes(store: ShopStore): Router {
  const routes = Router();

  routes.get('/wearers', async (_req, res) => {
    res.json({ wearers: await store.wearers() });
  });

  routes.put('/wearers/:id', async (req, res) => {
    const wearer = checked<Wearer>(wearerSchema, req.body);
    res.json(await store.putWearer(pathId(req.params.id, 'wearer'), wearer));
  });

  routes.delete('/wearers/:id', async (req, res) => {
    await store.removeWearer(pathId(req.params.id, 'wearer'));
    res.status(204).end();
  });

  routes.get('/printers', async (_req, res) => {
    res.json({ printers: await store.printers() });
  });

  routes.put('/printers/:id', async (req, res) => {
    const printer = checked<Printer>(printerSchema, {
      ...(req.body as object),
      id: pathId(req.params.id, 'printer'),
    });
    res.json(await store.putPrinter(printer));
  });

  routes.delete('/printers/:id', async (req, res) => {
    await store.removePrinter(pathId(req.params.id, 'printer'));
    res.status(204).end();
  });

  routes.get('/kept-parts', async (_req, res) => {
    res.json({ parts: await store.keptParts() });
  });

  routes.put('/kept-parts/:id', async (req, res) => {
    const { name, doc } = checked<{ name: string; doc: BuildDoc }>(keptBody, req.body);
    res.json(await store.putKeptPart(pathId(req.params.id, 'kept part'), name, doc));
  });

  routes.delete('/kept-parts/:id', async (req, res) => {
    await store.removeKeptPart(pathId(req.params.id, 'kept part'));
    res.status(204).end();
  });

  routes.get('/stock', async (_req, res) => {
    res.json({ stock: await store.stock() });
  });

  routes.put('/stock', async (req, res) => {
    const { stock } = checked<{ stock: FoamStock[] }>(stockBody, req.body);
    res.json({ stock: await store.putStock(stock) });
  });

  return routes;
}
