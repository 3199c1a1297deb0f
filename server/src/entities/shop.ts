import type { Offcut, OwnFoam, Turns } from '@fomrik/core/materials';
import type { KeptScheme, Printer } from '@fomrik/core/document';
import { EntitySchema } from 'typeorm';
import type { Versioned } from '../versioned';

const version = { type: 'integer' } as const;

/** A person who is measured. */
export interface WearerRow extends Versioned {
  id: string;
  name: string;
  underLayerMm: number;
}

export const WearerEntity = new EntitySchema<WearerRow>({
  name: 'wearer',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    underLayerMm: { type: 'real' },
    version,
  },
});

/** One dated reading; kept for good, the newest counts. */
export interface MeasurementRow {
  wearerId: string;
  key: string;
  takenOn: string;
  /** `left`, `right`, or empty for both. */
  side: string;
  valueMm: number;
  source: string;
}

export const MeasurementEntity = new EntitySchema<MeasurementRow>({
  name: 'measurement',
  columns: {
    wearerId: { type: 'text', primary: true },
    key: { type: 'text', primary: true },
    takenOn: { type: 'text', primary: true },
    side: { type: 'text', primary: true },
    valueMm: { type: 'real' },
    source: { type: 'text' },
  },
});

/** Foam on the shelf, for every build. */
export interface StockRow extends Versioned {
  foamId: string;
  nominalMm: number;
  sheets: number;
  measuredMm: number | null;
  sheetG: number | null;
  rightAngleMm: number | null;
  neutralFraction: number | null;
  pricePerSheet: number | null;
  turns: Turns | null;
  offcuts: Offcut[] | null;
}

export const StockEntity = new EntitySchema<StockRow>({
  name: 'stock_item',
  columns: {
    foamId: { type: 'text', primary: true },
    nominalMm: { type: 'real', primary: true },
    sheets: { type: 'integer' },
    measuredMm: { type: 'real', nullable: true },
    sheetG: { type: 'real', nullable: true },
    rightAngleMm: { type: 'real', nullable: true },
    neutralFraction: { type: 'real', nullable: true },
    pricePerSheet: { type: 'real', nullable: true },
    turns: { type: 'text', nullable: true },
    offcuts: { type: 'simple-json', nullable: true },
    version,
  },
});

/** A printer, and what its two bars of 100 mm measured. */
export type PrinterRow = Printer & Versioned;

export const PrinterEntity = new EntitySchema<PrinterRow>({
  name: 'printer',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    acrossMm: { type: 'real' },
    alongMm: { type: 'real' },
    version,
  },
});

/** A part kept in the shop's book: a build of that part alone. */
export interface KeptPartRow extends Versioned {
  id: string;
  name: string;
  keptAt: string;
  doc: string;
}

export const KeptPartEntity = new EntitySchema<KeptPartRow>({
  name: 'kept_part',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    keptAt: { type: 'text' },
    doc: { type: 'text' },
    version,
  },
});

/** Colours kept for later builds. */
export type SchemeRow = KeptScheme & Versioned;

export const SchemeEntity = new EntitySchema<SchemeRow>({
  name: 'scheme',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    scheme: { type: 'simple-json' },
    version,
  },
});

/** A sheet that no catalogue has, kept for later builds. */
export interface OwnFoamRow extends Versioned {
  id: string;
  name: string;
  foam: OwnFoam;
}

export const OwnFoamEntity = new EntitySchema<OwnFoamRow>({
  name: 'own_foam',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    foam: { type: 'simple-json' },
    version,
  },
});
