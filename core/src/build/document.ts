import type { Wearer } from '../body/measures';
import type { FormParams } from '../forms/contract';
import type { Detail, PieceDarts } from '../forms/details/detail';
import type { DrapedKindName } from '../forms/kinds';
import type { BracerParams } from '../forms/bracer/params';
import type { LampColour } from '../materials/lamps';
import type { FoamStock } from '../materials/stock';

/** The schema this code reads and writes. */
export const schemaVersion = 1;

export interface Brief {
  version: 'hero' | 'stunt';
  /** ISO dates. */
  startDate: string;
  eventDate: string;
  hoursPerDay: number;
  budget: number;
  currency: 'EUR' | 'USD' | 'GBP';
  /** Hours the lamps must burn at the event. */
  lightHours: number;
  /** Longest piece that fits the luggage and that the event allows. */
  luggageMm: number;
  eventMaxMm: number;
  notes: string;
}

export interface FoamChoice {
  foamId: string;
  nominalMm: number;
}

/** A place on a shell: degrees round from the back of the limb, millimetres along it. */
export interface Spot {
  aroundDeg: number;
  alongMm: number;
}

/** Lamps in a line along the limb, the first at the spot. */
export interface LampRow extends Spot {
  id: string;
  colour: LampColour;
  body: '3mm' | '5mm';
  count: number;
  pitchMm: number;
}

export interface Lights {
  rows: LampRow[];
  currentMa: number;
  packId: string;
  packAt: Spot;
  /** Pocket cut into the foam behind the pack, leaving a 2 mm skin. */
  pocket: boolean;
  switchId: string;
  switchAt: Spot;
}

interface PartBase {
  id: string;
  name: string;
  sides: 'left' | 'right' | 'pair';
  foam: FoamChoice;
  lining: FoamChoice | null;
  lights: Lights | null;
  /** Trim, layers, rivets and drawn lines; none when absent. */
  details?: Detail[];
  /** Darts placed by hand; pieces not named are darted by the stretch. */
  dartsByHand?: PieceDarts[];
}

export interface BracerPart extends PartBase {
  form: 'bracer';
  params: BracerParams;
}

export interface DrapedPart extends PartBase {
  form: DrapedKindName;
  params: FormParams;
}

/** One form in one place. */
export type Part = BracerPart | DrapedPart;

export type PageSize = 'A4' | 'A3' | 'Letter' | 'Legal';

export interface CutPlan {
  page: PageSize;
  /** What the printed 100 mm bar really measured; the next print is corrected by it. */
  barMeasuredMm: number;
  overlapMm: number;
  /** Room between pieces on a sheet. */
  spacingMm: number;
}

export interface Habits {
  glue: 'contact' | 'instant' | 'hot';
  fold: 'v-groove' | 'slanted-pair' | 'heat-and-fold' | 'partial-cut';
  seal: 'spray-rubber' | 'brush-on' | 'acrylic' | 'latex' | 'thermoplastic';
  cutter: 'knife' | 'band-saw' | 'laser';
}

export interface MakePlan {
  habits: Habits;
  /** Step id → ISO time it was ticked. */
  done: Record<string, string>;
}

/** The decisions of one build, and nothing derived from them. */
export interface BuildDoc {
  schema: typeof schemaVersion;
  name: string;
  brief: Brief;
  wearer: Wearer;
  stock: FoamStock[];
  parts: Part[];
  cut: CutPlan;
  make: MakePlan;
}

/** A remembered state to compare with. */
export interface Pin {
  id: string;
  name: string;
  pinnedAt: string;
  doc: BuildDoc;
}

/** What really happened. */
export interface LogEntry {
  id: string;
  at: string;
  subject: string;
  note: string;
  planned: number | null;
  actual: number | null;
  unit: string;
}

/** A build as saved to disk and shared. */
export interface BuildFile {
  fomrik: typeof schemaVersion;
  build: BuildDoc;
  pins: Pin[];
  log: LogEntry[];
}
