import type { Measure, Wearer } from '@fomrik/core/body';
import type { BuildDoc, Printer } from '@fomrik/core/document';
import type { FoamStock } from '@fomrik/core/materials';
import type { DataSource, EntityManager } from 'typeorm';
import {
  KeptPartEntity,
  MeasurementEntity,
  PrinterEntity,
  StockEntity,
  WearerEntity,
  type MeasurementRow,
} from './entities/shop';
import { atomic } from './atomic';
import { docOf } from './buildStore';
import { HttpError, notFound } from './errors';

/** A part in the shop's book, as a build of it alone. */
export interface KeptPart {
  id: string;
  name: string;
  keptAt: string;
  doc?: BuildDoc;
  broken?: string;
}

/** The book holds so many parts. */
export const MOST_KEPT = 500;

export type SavedWearer = Wearer & { id: string };

/** Adds a wearer, or their new readings, within a transaction. */
export async function upsertWearer(tx: EntityManager, id: string, wearer: Wearer): Promise<void> {
  await tx.upsert(WearerEntity, { id, name: wearer.name, underLayerMm: wearer.underLayerMm }, ['id']);
  for (const m of wearer.measures) {
    const row: MeasurementRow = { wearerId: id, ...m, side: m.side ?? '' };
    await tx.upsert(MeasurementEntity, row, ['wearerId', 'key', 'takenOn', 'side']);
  }
}

/** People, foam and printers, shared by every build. */
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
    return rows.map((row) => ({
      id: row.id,
      name: row.name,
      underLayerMm: row.underLayerMm,
      measures: own(row.id),
    }));
  }

  /** Adds a wearer, or their new readings; a reading of the same day is replaced, older ones stay. */
  async putWearer(id: string, wearer: Wearer): Promise<SavedWearer> {
    await atomic(this.db, (tx) => upsertWearer(tx, id, wearer));
    return (await this.wearers()).find((w) => w.id === id)!;
  }

  async removeWearer(id: string): Promise<void> {
    const { affected } = await this.db.getRepository(WearerEntity).delete({ id });
    if (affected === 0) throw notFound('wearer');
  }

  async printers(): Promise<Printer[]> {
    return this.db.getRepository(PrinterEntity).find({ order: { name: 'ASC' } });
  }

  async putPrinter(printer: Printer): Promise<Printer> {
    await this.db.getRepository(PrinterEntity).upsert(printer, ['id']);
    return printer;
  }

  async removePrinter(id: string): Promise<void> {
    const { affected } = await this.db.getRepository(PrinterEntity).delete({ id });
    if (affected === 0) throw notFound('printer');
  }

  /** Parts kept for later builds; one that cannot be read any more says why. */
  async keptParts(): Promise<KeptPart[]> {
    const rows = await this.db.getRepository(KeptPartEntity).find({ order: { name: 'ASC' } });
    return rows.map(({ id, name, keptAt, doc }) => {
      try {
        return { id, name, keptAt, doc: docOf({ doc }) };
      } catch (error) {
        return { id, name, keptAt, broken: (error as Error).message };
      }
    });
  }

  async putKeptPart(id: string, name: string, doc: BuildDoc): Promise<KeptPart> {
    const books = this.db.getRepository(KeptPartEntity);
    if ((await books.count()) >= MOST_KEPT && !(await books.existsBy({ id })))
      throw new HttpError(400, 'full', `The shop’s book holds ${MOST_KEPT} parts; take one out first.`);
    const keptAt = new Date().toISOString();
    await books.upsert({ id, name, keptAt, doc: JSON.stringify(doc) }, ['id']);
    return { id, name, keptAt, doc };
  }

  async removeKeptPart(id: string): Promise<void> {
    const { affected } = await this.db.getRepository(KeptPartEntity).delete({ id });
    if (affected === 0) throw notFound('kept part');
  }

  async stock(): Promise<FoamStock[]> {
    const rows = await this.db
      .getRepository(StockEntity)
      .find({ order: { foamId: 'ASC', nominalMm: 'ASC' } });
    // What was never measured is left out.
    return rows.map(
      (row) => Object.fromEntries(Object.entries(row).filter(([, v]) => v !== null)) as unknown as FoamStock,
    );
  }

  async putStock(items: readonly FoamStock[]): Promise<FoamStock[]> {
    await atomic(this.db, async (tx) => {
      await tx.deleteAll(StockEntity);
      for (const item of items) await tx.insert(StockEntity, item);
    });
    return this.stock();
  }
}
