import { wearerShape } from '@fomrik/core/body';
import { keptSchemeRule, printerRule } from '@fomrik/core/document';
import { upgradeDoc } from '@fomrik/core/files/buildFile';
import { type FoamStock, foamStockRule, ownFoamRule } from '@fomrik/core/materials';
import { id, list, name, object, oneOf, optional, type Rule, rule, type ValueOf } from '@fomrik/core/rule';
import Joi from 'joi';
import { HttpError } from './errors';
import { MOST_KEPT, type ShopStore } from './shopStore';

/** Lifted and checked when it is read. */
const anyDoc: Rule<unknown> = rule(Joi.object());

/** What the shop keeps besides builds, in a file of its own. */
export const shopFileRule = object({
  fomrikShop: oneOf(1),
  wearers: list(object({ ...wearerShape, id }), { most: 2000, unique: 'id' }),
  printers: list(printerRule, { most: 500, unique: 'id' }),
  stock: list(foamStockRule, { most: 400 }),
  schemes: optional(list(keptSchemeRule, { most: MOST_KEPT, unique: 'id' })),
  foams: optional(list(ownFoamRule, { most: MOST_KEPT, unique: 'id' })),
  parts: list(object({ id, name, doc: anyDoc }), { most: MOST_KEPT, unique: 'id' }),
});
export type ShopFile = ValueOf<typeof shopFileRule>;

const plain = <T extends { version: number }>({ version, ...rest }: T): Omit<T, 'version'> => rest;

/** Everything of the shop but its builds; a kept part that cannot be read is left out. */
export async function writeShop(store: ShopStore): Promise<ShopFile> {
  return {
    fomrikShop: 1,
    wearers: (await store.wearers()).map(plain),
    printers: (await store.printers()).map(plain),
    stock: (await store.stock()).map(plain) as FoamStock[],
    schemes: (await store.schemes()).map(plain),
    foams: (await store.ownFoams()).map(plain),
    parts: (await store.keptParts()).flatMap(({ id, name, doc }) => (doc ? [{ id, name, doc }] : [])),
  };
}

/**
 * Adds what a file has and the shop has not; what is there already stays as it is.
 * @returns how many were added and how many were there.
 */
export async function readShop(store: ShopStore, file: ShopFile): Promise<{ added: number; there: number }> {
  const parts = file.parts.map((part) => {
    const read = upgradeDoc(part.doc);
    if (!read.ok) throw new HttpError(400, 'bad-file', `${part.name}: ${read.message}`);
    return { ...part, doc: read.value };
  });
  const [wearers, printers, stock, kept, schemes, foams] = [
    await store.wearers(),
    await store.printers(),
    await store.stock(),
    await store.keptParts(),
    await store.schemes(),
    await store.ownFoams(),
  ];
  let added = 0;
  const add = async <T>(
    items: readonly T[],
    known: (item: T) => boolean,
    put: (item: T) => Promise<unknown>,
  ) => {
    for (const item of items.filter((i) => !known(i))) {
      await put(item);
      added++;
    }
  };
  await add(
    file.wearers,
    (w) => wearers.some((o) => o.id === w.id || o.name === w.name),
    ({ id, ...wearer }) => store.putWearer(id, 0, wearer),
  );
  await add(
    file.printers,
    (p) => printers.some((o) => o.id === p.id),
    (printer) => store.putPrinter(0, printer),
  );
  await add(
    file.stock,
    (s) => stock.some((o) => o.foamId === s.foamId && o.nominalMm === s.nominalMm),
    (item) => store.changeStock([{ foamId: item.foamId, nominalMm: item.nominalMm, baseVersion: 0, item }]),
  );
  await add(
    file.schemes ?? [],
    (s) => schemes.some((o) => o.id === s.id),
    (scheme) => store.putScheme(0, scheme),
  );
  await add(
    file.foams ?? [],
    (f) => foams.some((o) => o.id === f.id),
    (foam) => store.putOwnFoam(0, foam),
  );
  await add(
    parts,
    (p) => kept.some((o) => o.id === p.id),
    ({ id, name, doc }) => store.putKeptPart(id, 0, name, doc),
  );
  const all =
    file.wearers.length +
    file.printers.length +
    file.stock.length +
    parts.length +
    (file.schemes ?? []).length +
    (file.foams ?? []).length;
  return { added, there: all - added };
}
