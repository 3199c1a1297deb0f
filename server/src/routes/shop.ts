import { wearerRule } from '@fomrik/core/body';
import { keptSchemeRule, printerRule } from '@fomrik/core/document';
import { ownFoamRule } from '@fomrik/core/materials';
import { standardBuildRule } from '@fomrik/core/files/schema';
import { also, list, name, object, whole } from '@fomrik/core/rule';
import { type Request, Router } from 'express';
import { checked, checkedWithDoc, pathId } from '../check';
import { readShop, shopFileRule, writeShop } from '../shopFile';
import { foamChangeRule, type ShopStore } from '../shopStore';

/** The version a change began from; 0 for something new. */
const baseVersion = whole(0, 1e9);

/** One part and nothing else, in a build of its own. */
const keptBody = also(object({ baseVersion, name, doc: standardBuildRule }), ({ doc }) =>
  doc.parts.length === 1 ? undefined : 'doc.parts: the book keeps one part at a time.',
);

const wearerBody = object({ baseVersion, wearer: wearerRule });
const ownFoamBody = object({ baseVersion, foam: ownFoamRule });
const schemeBody = object({ baseVersion, kept: keptSchemeRule });
const printerBody = object({ baseVersion, printer: printerRule });

const stockBody = object({
  changes: also(list(foamChangeRule, { most: 400 }), (changes) =>
    new Set(changes.map((c) => `${c.foamId}/${c.nominalMm}`)).size < changes.length
      ? '{{#label}} names a foam twice'
      : undefined,
  ),
});

const baseOf = (req: Request): number =>
  checked(object({ baseVersion }), { baseVersion: Number(req.query['baseVersion']) }).baseVersion;

/** Wearers with their dated measures, printers with their faults, schemes of colours, foams of its own, kept parts, and the foam on the shelf. */
export function shopRoutes(store: ShopStore): Router {
  const routes = Router();

  routes.get('/wearers', async (_req, res) => {
    res.json({ wearers: await store.wearers() });
  });

  routes.put('/wearers/:id', async (req, res) => {
    const { baseVersion: base, wearer } = checked(wearerBody, req.body);
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
    const { baseVersion: base, printer } = checked(printerBody, req.body);
    res.json(await store.putPrinter(base, { ...printer, id }));
  });

  routes.delete('/printers/:id', async (req, res) => {
    await store.removePrinter(pathId(req.params.id, 'printer'), baseOf(req));
    res.status(204).end();
  });

  routes.get('/schemes', async (_req, res) => {
    res.json({ schemes: await store.schemes() });
  });

  routes.put('/schemes/:id', async (req, res) => {
    const { baseVersion: base, kept } = checked(schemeBody, req.body);
    res.json(await store.putScheme(base, { ...kept, id: pathId(req.params.id, 'scheme') }));
  });

  routes.delete('/schemes/:id', async (req, res) => {
    await store.removeScheme(pathId(req.params.id, 'scheme'), baseOf(req));
    res.status(204).end();
  });

  routes.get('/own-foams', async (_req, res) => {
    res.json({ foams: await store.ownFoams() });
  });

  routes.put('/own-foams/:id', async (req, res) => {
    const { baseVersion: base, foam } = checked(ownFoamBody, req.body);
    res.json(await store.putOwnFoam(base, { ...foam, id: pathId(req.params.id, 'foam') }));
  });

  routes.delete('/own-foams/:id', async (req, res) => {
    await store.removeOwnFoam(pathId(req.params.id, 'foam'), baseOf(req));
    res.status(204).end();
  });

  routes.get('/kept-parts', async (_req, res) => {
    res.json({ parts: await store.keptParts() });
  });

  routes.put('/kept-parts/:id', async (req, res) => {
    const body = checkedWithDoc(keptBody, req.body);
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
    const { changes } = checked(stockBody, req.body);
    res.json({ stock: await store.changeStock(changes) });
  });

  routes.get('/shop/file', async (_req, res) => {
    res.attachment('shop.fomrik-shop.json').json(await writeShop(store));
  });

  routes.post('/shop/file', async (req, res) => {
    res.json(await readShop(store, checked(shopFileRule, req.body)));
  });

  return routes;
}
