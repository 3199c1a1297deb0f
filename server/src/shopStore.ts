import type { Measure, Wearer } from '@fomrik/core/body';
import type { Printer } from '@fomrik/core/document';
import type { FoamStock } from '@fomrik/core/materials';
import type { DataSource, EntityManager } from 'typeorm';
import {
  MeasurementEntity,
  PrinterEntity,
  StockEntity,
  WearerEntity,
  type MeasurementRow,
} from './entities/shop';
import { atomic } from './atomic';
import { notFound } from './errors';

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
