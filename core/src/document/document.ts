import type { Wearer, Zone } from '../body';
import type { Reading } from '../learn';
import type { Effect } from '../light';
import type { FoamStock, Gauge, Habits, RegulatorKind } from '../materials';
import type { Picture } from '../picture';

/** The schema this code reads and writes; older ones are lifted to it when they are read. */
export const schemaVersion = 2;

/** A box, case or bag: its inside, longest side first or not. */
export interface TravelCase {
  id: string;
  name: string;
  insideMm: [number, number, number];
}

export interface Brief {
  /** ISO dates. */
  startDate: string;
  eventDate: string;
  hoursPerDay: number;
  budget: number;
  currency: 'EUR' | 'USD' | 'GBP';
  /** What an hour is charged, where the maker sells. */
  hourlyRate?: number;
  /** Hours the lamps must burn at the event. */
  lightHours: number;
  /** How cold it is there, °C; 20 when left out. */
  coldC?: number;
  /** Longest piece that fits the luggage and that the event allows. */
  luggageMm: number;
  /** Cases and boxes it travels in, by their insides. */
  boxes?: TravelCase[];
  eventMaxMm: number;
  /** What the event admits of things that are carried, where it says so. */
  maxCarriedG?: number;
  maxRigidMm?: number;
  softEdges?: true;
  noBarrel?: true;
  notes: string;
}

/** One layer of sheet: which foam, and how thick it is sold. */
export interface Ply {
  foamId: string;
  nominalMm: number;
}

/** One line of a list field. */
export type Row = Record<string, number | string>;
/** Values of a form's or a feature's fields. */
export type Value = number | string | Row[];
export type Params = Record<string, Value>;

export type Side = 'left' | 'right' | 'pair' | 'middle';

/** Where a part lies on the place it hangs from, and how it is held there. */
export interface OnPart {
  /** Along the place, and across it. */
  alongMm?: number;
  acrossMm?: number;
  /** Off the face it lies on; negative is let into it. */
  offMm?: number;
  /** Turned in the face, about the way out of it. */
  turnDeg?: number;
  /** Leaned over from the way out: to the side, and along. */
  leanDeg?: number;
  nodDeg?: number;
  /** It comes off again; glued for good when left out. */
  apart?: true;
  /** What it lies in is cut away for it on purpose; or half of the layers of both, so that they lie in one plane. */
  letIn?: true | 'half';
  /** More of the same: so many in a row or round, as far apart. */
  copies?: Copies;
}

/** One part several times: cut, made and put on alike. */
export type Copies =
  | { way: 'row'; count: number; alongMm: number; acrossMm: number }
  | { way: 'round'; count: number; sweepDeg: number; radiusMm: number }
  | { way: 'mirrored' };

/** What a part hangs from. */
export type Mount =
  | { to: 'wearer'; zone: Zone; side: Side }
  | ({ to: 'part'; part: string; anchor: string } & OnPart)
  | { to: 'stand' };

/** A run along an edge of a panel, from one share of its length to another. */
export interface EdgeSpan {
  panel: string;
  edge: string;
}

/** A spot on a panel: shares of its width and height, seen from outside; turned from upright, degrees. */
export interface PanelSpot {
  on: 'panel';
  panel: string;
  u: number;
  v: number;
  turnDeg: number;
}

/** A line over a panel, as shares of its width and height. */
export interface PanelPath {
  on: 'path';
  panel: string;
  points: [u: number, v: number][];
}

/** Edges one after another, run counter-clockwise as seen from outside. */
export interface EdgeRuns {
  on: 'edges';
  runs: EdgeSpan[];
}

/** A spot in a room, from its middle. */
export interface RoomSpot {
  on: 'room';
  room: string;
  alongMm: number;
  acrossMm: number;
  turnDeg: number;
}

export type Place = PanelSpot | PanelPath | EdgeRuns | RoomSpot;
export type PlaceKind = Place['on'];

/** What is laid on, cut in or put in a part. Ids are unique in the build. */
export interface Feature {
  id: string;
  kind: string;
  place: Place;
  params: Params;
}

/** A dart placed by hand: where its mouth is along an edge and how far it reaches towards the middle, as shares. */
export interface HandDart {
  edgeId: string;
  at: number;
  reach: number;
}

/** The darts of a piece as the maker wants them; an empty list is none. */
export interface PieceDarts {
  pieceId: string;
  darts: HandDart[];
}

/** A picture under the drawing of a part: where its middle lies, and how far it is turned. */
export interface Beneath {
  picture: string;
  xMm: number;
  yMm: number;
  turnDeg: number;
}

/** One form in one place. */
export interface Part {
  id: string;
  name: string;
  form: string;
  params: Params;
  /** Layers from the inside out; a shell has one. */
  stack: Ply[];
  lining: Ply | null;
  mount: Mount;
  features: Feature[];
  /** Pieces not named are darted by the stretch. */
  darts: PieceDarts[];
  beneath?: Beneath;
  finish?: Finish;
}

/** A feature that is lit, and the current through each of its lamps. */
export interface Load {
  feature: string;
  currentMa: number;
}

/** What feeds what; features may lie in several parts. */
export interface Circuit {
  id: string;
  name: string;
  source: string;
  switch: string | null;
  loads: Load[];
  /** Gauge of its wires, where it is not the usual one. */
  wireAwg?: Gauge;
  /** Share of the hours at which the light is on; all of them when left out. */
  onShare?: number;
  /** Every lamp behind a resistor of its own, rather than as many in series as the volts allow. */
  apart?: true;
  /** A fuse by the pack. */
  fused?: true;
  /** A board behind the switch that holds the lamps' voltage. */
  regulator?: { kind: RegulatorKind; volts: number };
  /** What a controller plays on its lights; steady when left out. */
  effect?: Effect;
}

export type PageSize = 'A4' | 'A3' | 'Letter' | 'Legal';

/** Where a piece lies on a sheet: flip first, then turn, then shift. */
export interface NestedPiece {
  partId: string;
  pieceId: string;
  flipped: boolean;
  turnRad: number;
  x: number;
  y: number;
  /** Cut from the other face, and turned over. */
  over?: true;
  /** Stays when the others are laid anew. */
  locked?: true;
}

/** A layout that was searched for, of one foam: what it was made for, and what lies on each sheet. */
export interface Nest {
  key: string;
  sheets: NestedPiece[][];
  /** Which offcut each sheet is, by its id; empty for a whole one. */
  offcuts?: string[];
}

/** A printer of the shop, and what its bars of 100 mm measured across and along the page. */
export interface Printer {
  id: string;
  name: string;
  acrossMm: number;
  alongMm: number;
}

export interface CutPlan {
  page: PageSize;
  /** What the printed 100 mm bar really measured; the next print is corrected by it. */
  barMeasuredMm: number;
  /** The bar along the page, where the printer scales otherwise than across; as the other when left out. */
  barAlongMeasuredMm?: number;
  /** Pieces sharing pages, as few as can be, or each on pages of its own; together when left out. */
  pagePlan?: 'together' | 'apart';
  overlapMm: number;
  /** Room between pieces on a sheet. */
  spacingMm: number;
  /** ISO date on which what was left of the sheets went on the shelf. */
  shelvedOn?: string;
  /** What the cutter takes away across its way; 0 when left out, as for a knife. */
  kerfMm?: number;
  /** Left standing in outlines so that pieces stay in the sheet; none when left out. */
  tabMm?: number;
  /** Letters of parts by their ids, given once; those of parts that are gone are not given again. */
  letters?: Record<string, string>;
  /** Layouts of true shapes; one whose pieces have changed since is not used. */
  nests?: Nest[];
}

/** When work is done, where it is not so many hours every day by one maker. */
export interface MakeCalendar {
  /** Hours of each weekday, Monday first. */
  hours?: number[];
  /** Of someone who helps. */
  helperHours?: number[];
  /** ISO dates. */
  daysOff?: string[];
  /** No loud tools from a minute of the day to another, over midnight as a rule. */
  quiet?: { fromMin: number; toMin: number };
  /** Part by part, or like work of all parts together; part by part when left out. */
  order?: 'parts' | 'batches';
}

/** How a part is finished, where it is not as usual. */
export interface Finish {
  /** A sealer of its own, and its coats; as the shop has it when left out. */
  seal?: Habits['seal'];
  sealCoats?: number;
  /** Colours, the base one among them. */
  colours: number;
  weathering: 'none' | 'wash' | 'dry-brush';
  clearCoats: number;
}

export interface MakePlan {
  habits: Habits;
  calendar?: MakeCalendar;
  /** Step id → ISO time it was ticked. */
  done: Record<string, string>;
  /** What this shop has read off its own work. */
  readings?: Reading[];
}

/** What one part has otherwise in a version; what is not named is as in the document. */
export interface PartOtherwise {
  leftOut?: true;
  params?: Params;
  stack?: Ply[];
  lining?: Ply | null;
  features?: Feature[];
  darts?: PieceDarts[];
}

/** The build otherwise: a named list of changes to the document. */
export interface Version {
  id: string;
  name: string;
  /** By part. */
  parts: Record<string, PartOtherwise>;
  /** Nothing of any circuit is put in. */
  unlit?: true;
  /** For another wearer of this height, every other measure estimated. */
  statureMm?: number;
}

/** A small solid that is printed, by its kind's fields. */
export interface PrintedPart {
  id: string;
  kind: string;
  params: Params;
}

/** A surface from a file, mended and simplified; a part is skinned over it. */
export interface KeptMesh {
  id: string;
  name: string;
  /** x, y and z of each point, mm, and three points for each triangle, seen from outside counter-clockwise. */
  points: number[];
  triangles: number[];
}

/** The decisions of one build, and nothing derived from them. */
export interface BuildDoc {
  schema: typeof schemaVersion;
  name: string;
  brief: Brief;
  wearer: Wearer;
  stock: FoamStock[];
  parts: Part[];
  circuits: Circuit[];
  cut: CutPlan;
  make: MakePlan;
  /** What it is made after. */
  pictures?: Picture[];
  /** Small parts for a printer. */
  printed?: PrintedPart[];
  /** Surfaces that parts are skinned over. */
  meshes?: KeptMesh[];
  /** The same build otherwise: hero and stunt, lit and unlit, another size. */
  versions?: Version[];
  /** Findings that are understood, by their ids; one whose words have changed since counts again. */
  setAside?: Record<string, SetAside>;
}

/** Why a finding may stay, and what it said then. */
export interface SetAside {
  title: string;
  reason: string;
}

/** A remembered state to compare with. */
export interface Pin {
  id: string;
  name: string;
  pinnedAt: string;
  doc: BuildDoc;
}

/** What an entry is: a note, something that broke, what to do otherwise next time, or something bought, with its receipt. */
export type LogSort = 'note' | 'broke' | 'next' | 'bought';

/** What really happened. */
export interface LogEntry {
  id: string;
  at: string;
  subject: string;
  note: string;
  planned: number | null;
  actual: number | null;
  unit: string;
  /** A note when left out. */
  sort?: LogSort;
  /** The part it is about. */
  part?: string;
  /** Pictures of it, by what they hash to. */
  photos?: string[];
}

/** The bytes of a picture, under what they hash to. */
export interface KeptPicture {
  content: string;
  base64: string;
}

/** A build as saved to disk and shared. */
export interface BuildFile {
  fomrik: typeof schemaVersion;
  build: BuildDoc;
  pins: Pin[];
  log: LogEntry[];
  /** Of the pictures it is made after, those whose bytes are at hand. */
  pictures?: KeptPicture[];
}

/** Copies of a part: one for each side of a pair, or as many as its mount puts on. */
export function copiesOf({ mount }: Pick<Part, 'mount'>): number {
  if (mount.to === 'wearer') return mount.side === 'pair' ? 2 : 1;
  if (mount.to === 'stand' || !mount.copies) return 1;
  return mount.copies.way === 'mirrored' ? 2 : mount.copies.count;
}
