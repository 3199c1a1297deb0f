import type { Check, Feature, PieceDarts } from '../document';
import type { Laid, LaidPart } from '../features';
import type { Model } from '../forms';
import type { FoamSheet } from '../materials';
import type { Bending, LaidPanel, Nets, Piece, Room, Surface } from '../panel';
import type { Body } from './bodies';
import type { WaysOut } from './checks/wayOut';
import type { PartFit } from './wear/partFit';
import type { StandOff } from './wear/standOff';

/** Where something that was noticed comes from: the form alone, the part as laid, how it came to lie flat, or the ways out of it. */
export type Origin = 'model' | 'part' | 'flat' | 'ways';

export interface Noticed {
  check: Check;
  from: Origin;
}

/** The shell of a part, laid flat, with nothing on it. */
export interface Shell {
  /** Its form, and the same with its flat panels parted by its features. */
  form: Model;
  model: Model;
  laid: LaidPanel[];
  surfaces: Surface[];
  /** How far it stands off whoever wears it. */
  gaps: StandOff[];
  bending: Bending;
  /** Where pieces touch that are not meant to. */
  touching: Check[];
}

/** One part worked out, before it is reported: everything later is read from here and not looked up again. */
export interface MadePart extends Shell {
  foam: FoamSheet;
  lining?: FoamSheet;
  /** Panels that are cut as one sheet and folded. */
  nets: Nets;
  rooms: Room[];
  /** What was put in, as solids. */
  bodies: Body[];
  /** How what may have to come out does; not looked for in a first answer. */
  ways?: WaysOut;
  wear?: PartFit;
  features: readonly Feature[];
  /** The part as its features find it. */
  on: LaidPart;
  /** What each feature lays, by its id, and all of it together. */
  lays: ReadonlyMap<string, Laid>;
  featured: Laid;
  /** Shell, lining and laid pieces, drilled and marked; one copy. */
  pieces: Piece[];
  /** Walls that are there already, with what is drilled and cut in them; nothing is cut from a sheet. */
  templates: Piece[];
  noticed: Noticed[];
}

export interface HowMade {
  /** A first answer: fewer rounds of flattening, no search for darts. */
  coarse?: boolean;
  /** Ways out are looked for in a first answer as well. */
  ways?: boolean;
  /** Darts of pieces that were placed before, kept in a coarse answer. */
  darts?: readonly PieceDarts[];
  /** How it sat before, kept in a coarse answer. */
  wear?: PartFit;
  /** What touched before, kept in a first answer. */
  touching?: readonly Check[];
  /** The same part before some of its features changed, and nothing else: its shell is not worked out again. */
  before?: MadePart;
}
