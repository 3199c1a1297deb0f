import type { Wearer } from '@fomrik/core/body';
import { docSchema, foamItemSchema, printerSchema, wearerSchema } from '@fomrik/core/files/schema';
import type { BuildDoc, Printer } from '@fomrik/core/document';
import { type Request, Router } from 'express';
import Joi from 'joi';
import { checked, idSchema, pathId } from '../check';
import { readShop, type ShopFile, shopFileSchema, writeShop } from '../shopFile';
import type { FoamChange, ShopStore } from '../shopStore';

/** The version a change began from; 0 for something new. */
const baseVersion = Joi.number().integer().min(0).max(1e9).required();

/** One part and nothing else, in a build of its own. */
const keptBody = Joi.object({
  baseVersion,
  name: Joi.string().trim().min(1).max(120).required().label('name'),
  doc: docSchema.required(),
}).custom((value: { doc: BuildDoc }, helpers) =>
  value.doc.parts.length === 1
    ? value
    : helpers.message({ custom: 'doc.parts: the book keeps one part at a time.' }),
);

const wearerBody = Joi.object({ baseVersion, wearer: wearerSchema.required() });
const printerBody = Joi.object({ baseVersion, printer: printerSchema.required() });

const stockBody = Joi.object({
  changes: Joi.array()
    .max(400)
    .unique((a: FoamChange, b: FoamChange) => a.foamId === b.foamId && a.nominalMm === b.nominalMm)
    .items(
      Joi.object({
        foamId: idSchema.required(),
        nominalMm: Joi.number().min(0.5).max(200).required(),
        baseVersion,
        item: foamItemSchema.allow(null).required(),
      }).custom((value: FoamChange, helpers) =>
        value.item && (value.item.foamId !== value.foamId || value.item.nominalMm !== value.nominalMm)
          ? helpers.message({ custom: '{{#label}}: the item is another foam than the one that is changed' })
          : value,
      ),
    )
    .required(),
});

const baseOf = (req: Request): number =>
  checked<{ baseVersion: number }>(Joi.object({ baseVersion }), {
    baseVersion: Number(req.query['baseVersion']),
  }).baseVersion;

/** Wearers with their dated measures, printers with their faults, kept parts, and the foam on the shelf. */
export function shopRoutes(store: ShopStore): Router {
  const routes = Router();

  routes.get('/wearers', async (_req, res) => {
    res.json({ wearers: await store.wearers() });
  });

  routes.put('/wearers/:id', async (req, res) => {
    const { baseVersion: base, wearer } = checked<{ baseVersion: number; wearer: Wearer }>(
      wearerBody,
      req.body,
    );
    res.json(await store.putWearer(pathId(req.params.id, 'wearer'), base, wearer));
  });

  routes.delete('/wearers/:id', async (req, res) => {
    await store.removeWearer(pathId(req.params.id, 'wearer'), baseOf(req));
    res.status(204).end();
  });

  routes.get('/printers', async (_req, res) => {
    res.json({ printers: await store.printers() });
  });

  routes.put('/printers/:id', async (req, res) => {
    const id = pathId(req.params.id, 'printer');
    const { baseVersion: base, printer } = checked<{ baseVersion: number; printer: Printer }>(
      printerBody,
      req.body,
    );
    res.json(await store.putPrinter(base, { ...printer, id }));
  });

  routes.delete('/printers/:id', async (req, res) => {
    await store.removePrinter(pathId(req.params.id, 'printer'), baseOf(req));
    res.status(204).end();
  });

  routes.get('/kept-parts', async (_req, res) => {
    res.json({ parts: await store.keptParts() });
  });

  routes.put('/kept-parts/:id', async (req, res) => {
    const body = checked<{ baseVersion: number; name: string; doc: BuildDoc }>(keptBody, req.body);
    res.json(
      await store.putKeptPart(pathId(req.params.id, 'kept part'), body.baseVersion, body.name, body.doc),
    );
  });

  routes.delete('/kept-parts/:id', async (req, res) => {
    await store.removeKeptPart(pathId(req.params.id, 'kept part'), baseOf(req));
    res.status(204).end();
  });

  routes.get('/stock', async (_req, res) => {
    res.json({ stock: await store.stock() });
  });

  routes.put('/stock', async (req, res) => {
    const { changes } = checked<{ changes: FoamChange[] }>(stockBody, req.body);
    res.json({ stock: await store.changeStock(changes) });
  });

  routes.get('/shop/file', async (_req, res) => {
    res.attachment('shop.fomrik-shop.json').json(await writeShop(store));
  });

  routes.post('/shop/file', async (req, res) => {
    res.json(await readShop(store, checked<ShopFile>(shopFileSchema, req.body)));
  });

  return routes;
}
