import { findIn } from '@fomrik/core/units';
import type { Measure, Wearer } from '@fomrik/core/body';
import type { BuildDoc, KeptScheme, Printer } from '@fomrik/core/document';
import { type FoamStock, foamStockRule, type OwnFoam } from '@fomrik/core/materials';
import { also, id, nullable, object, type ValueOf, whole, within } from '@fomrik/core/rule';
import type { DataSource, EntityManager } from 'typeorm';
import {
  KeptPartEntity,
  MeasurementEntity,
  OwnFoamEntity,
  PrinterEntity,
  SchemeEntity,
  StockEntity,
  WearerEntity,
  type KeptPartRow,
  type MeasurementRow,
  type OwnFoamRow,
  type PrinterRow,
  type SchemeRow,
  type StockRow,
  type WearerRow,
} from './entities/shop';
import { atomic } from './atomic';
import { docOf } from './rows';
import { HttpError } from './errors';
import { type ItemKind, putItem, removeItem, type Versioned } from './versioned';

/** A part in the shop's book, as a build of it alone. */
export interface KeptPart extends Versioned {
  id: string;
  name: string;
  keptAt: string;
  doc?: BuildDoc;
  broken?: string;
}

const MOST_READINGS = 2000;

/** The book holds so many parts. */
export const MOST_KEPT = 500;

export type SavedWearer = Wearer & Versioned & { id: string };
export type SharedFoam = FoamStock & Versioned;

/** One foam of the shelf as it is to be; without an item it is taken off. */
export const foamChangeRule = also(
  object({
    foamId: id,
    nominalMm: within(0.5, 200),
    baseVersion: whole(0, 1e9),
    item: nullable(foamStockRule),
  }),
  ({ item, foamId, nominalMm }) =>
    item && (item.foamId !== foamId || item.nominalMm !== nominalMm)
      ? '{{#label}}: the item is another foam than the one that is changed'
      : undefined,
);
export type FoamChange = ValueOf<typeof foamChangeRule>;

const wearerKind: ItemKind<WearerRow> = { entity: WearerEntity, what: 'wearer' };
const printerKind: ItemKind<PrinterRow> = { entity: PrinterEntity, what: 'printer' };
const ownFoamKind: ItemKind<OwnFoamRow> = { entity: OwnFoamEntity, what: 'foam of your own' };
const schemeKind: ItemKind<SchemeRow> = { entity: SchemeEntity, what: 'scheme' };
const partKind: ItemKind<KeptPartRow> = { entity: KeptPartEntity, what: 'kept part' };
const foamKind: ItemKind<StockRow> = { entity: StockEntity, what: 'foam' };

/** Adds a wearer, or their new readings, within a transaction: a reading of the same day is replaced, older ones stay. */
export async function keepWearer(
  tx: EntityManager,
  id: string,
  baseVersion: number,
  { name, underLayerMm, measures }: Wearer,
): Promise<void> {
  await putItem(tx, wearerKind, { id }, baseVersion, { id, name, underLayerMm });
  for (const m of measures) {
    const row: MeasurementRow = { wearerId: id, ...m, side: m.side ?? '' };
    await tx.upsert(MeasurementEntity, row, ['wearerId', 'key', 'takenOn', 'side']);
  }
  // As many as a build can take over from the book.
  if ((await tx.countBy(MeasurementEntity, { wearerId: id })) > MOST_READINGS)
    throw new HttpError(400, 'full', `The book holds ${MOST_READINGS} readings of one wearer.`);
}

const unmeasured: Omit<StockRow, 'foamId' | 'nominalMm' | 'sheets' | 'version'> = {
  measuredMm: null,
  sheetG: null,
  rightAngleMm: null,
  neutralFraction: null,
  pricePerSheet: null,
  turns: null,
  offcuts: null,
};

/** People, foam, printers, colours and kept parts, shared by every build; each item counts its changes. */
export class ShopStore {
  constructor(private readonly db: DataSource) {}

  async wearers(): Promise<SavedWearer[]> {
    const rows = await this.db.getRepository(WearerEntity).find({ order: { name: 'ASC' } });
    const all = await this.db.getRepository(MeasurementEntity).find({ order: { takenOn: 'ASC' } });
    const own = (id: string): Measure[] =>
      all
        .filter((m) => m.wearerId === id)
        .map(
          ({ key, valueMm, source, takenOn, side }) =>
            ({ key, valueMm, source, takenOn, ...(side && { side }) }) as Measure,
        );
    return rows.map((row) => ({ ...row, measures: own(row.id) }));
  }

  async putWearer(id: string, baseVersion: number, wearer: Wearer): Promise<SavedWearer> {
    await atomic(this.db, (tx) => keepWearer(tx, id, baseVersion, wearer));
    return findIn(await this.wearers(), (w) => w.id === id);
  }

  async removeWearer(id: string, baseVersion: number): Promise<void> {
    await atomic(this.db, (tx) => removeItem(tx, wearerKind, { id }, baseVersion));
  }

  async printers(): Promise<PrinterRow[]> {
    return this.db.getRepository(PrinterEntity).find({ order: { name: 'ASC' } });
  }

  async putPrinter(baseVersion: number, printer: Printer): Promise<PrinterRow> {
    const { id } = printer;
    const version = await atomic(this.db, (tx) => putItem(tx, printerKind, { id }, baseVersion, printer));
    return { ...printer, version };
  }

  async removePrinter(id: string, baseVersion: number): Promise<void> {
    await atomic(this.db, (tx) => removeItem(tx, printerKind, { id }, baseVersion));
  }

  async schemes(): Promise<SchemeRow[]> {
    return this.db.getRepository(SchemeEntity).find({ order: { name: 'ASC' } });
  }

  async putScheme(baseVersion: number, kept: KeptScheme): Promise<SchemeRow> {
    const { id } = kept;
    const version = await atomic(this.db, async (tx) => {
      if (baseVersion === 0 && (await tx.count(SchemeEntity)) >= MOST_KEPT)
        throw new HttpError(400, 'full', `The shop keeps ${MOST_KEPT} schemes; remove one first.`);
      return putItem(tx, schemeKind, { id }, baseVersion, kept);
    });
    return { ...kept, version };
  }

  async removeScheme(id: string, baseVersion: number): Promise<void> {
    await atomic(this.db, (tx) => removeItem(tx, schemeKind, { id }, baseVersion));
  }

  /** Sheets that no catalogue has, each with its version. */
  async ownFoams(): Promise<(OwnFoam & Versioned)[]> {
    const rows = await this.db.getRepository(OwnFoamEntity).find({ order: { name: 'ASC' } });
    return rows.map(({ foam, version }) => ({ ...foam, version }));
  }

  async putOwnFoam(baseVersion: number, foam: OwnFoam): Promise<OwnFoam & Versioned> {
    const { id, name } = foam;
    const version = await atomic(this.db, async (tx) => {
      if (baseVersion === 0 && (await tx.count(OwnFoamEntity)) >= MOST_KEPT)
        throw new HttpError(400, 'full', `The shop keeps ${MOST_KEPT} foams of its own; remove one first.`);
      return putItem(tx, ownFoamKind, { id }, baseVersion, { id, name, foam });
    });
    return { ...foam, version };
  }

  async removeOwnFoam(id: string, baseVersion: number): Promise<void> {
    await atomic(this.db, (tx) => removeItem(tx, ownFoamKind, { id }, baseVersion));
  }

  /** Parts kept for later builds; one that cannot be read any more says why. */
  async keptParts(): Promise<KeptPart[]> {
    const rows = await this.db.getRepository(KeptPartEntity).find({ order: { name: 'ASC' } });
    return rows.map(({ doc, ...head }) => {
      try {
        return { ...head, doc: docOf({ doc }) };
      } catch (error) {
        return { ...head, broken: (error as Error).message };
      }
    });
  }

  async putKeptPart(id: string, baseVersion: number, name: string, doc: BuildDoc): Promise<KeptPart> {
    const keptAt = new Date().toISOString();
    const version = await atomic(this.db, async (tx) => {
      if (baseVersion === 0 && (await tx.count(KeptPartEntity)) >= MOST_KEPT)
        throw new HttpError(400, 'full', `The shop’s book holds ${MOST_KEPT} parts; take one out first.`);
      return putItem(tx, partKind, { id }, baseVersion, { id, name, keptAt, doc: JSON.stringify(doc) });
    });
    return { id, name, keptAt, doc, version };
  }

  async removeKeptPart(id: string, baseVersion: number): Promise<void> {
    await atomic(this.db, (tx) => removeItem(tx, partKind, { id }, baseVersion));
  }

  async stock(): Promise<SharedFoam[]> {
    const rows = await this.db
      .getRepository(StockEntity)
      .find({ order: { foamId: 'ASC', nominalMm: 'ASC' } });
    // What was never measured is left out.
    return rows.map(
      (row) => Object.fromEntries(Object.entries(row).filter(([, v]) => v !== null)) as unknown as SharedFoam,
    );
  }

  /** Changes foams of the shelf one by one, all of them or none; foams that are not named stay as they are. */
  async changeStock(changes: readonly FoamChange[]): Promise<SharedFoam[]> {
    await atomic(this.db, async (tx) => {
      for (const { foamId, nominalMm, baseVersion, item } of changes) {
        const key = { foamId, nominalMm };
        if (item) await putItem(tx, foamKind, key, baseVersion, { ...unmeasured, ...item });
        else await removeItem(tx, foamKind, key, baseVersion);
      }
    });
    return this.stock();
  }
}
