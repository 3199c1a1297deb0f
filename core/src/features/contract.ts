import type { TenderSpot } from '../body';
import type {
  Change,
  Check,
  Feature,
  Field,
  Lift,
  Params,
  Place,
  PlaceKind,
  Ply,
  Station,
} from '../document';
import type { Mesh, Vec2, Vec3 } from '../geometry';
import type { CautionKey, FoamSheet, LampColour, LedBody, Pack, SteadyLoad, Switch } from '../materials';
import type { Footprint, Hole, LaidPanel, Mark, Panel, Piece, PieceEdge, Room } from '../panel';
import type { Provenance } from '../units';
import type { Picture } from '../thumbnail';
import type { Shine } from './laying/shine';

/** The sheet a panel is cut from. */
export type FoamOf = (panel: Panel) => FoamSheet;

/** A part as features find it: its panels laid, its rooms, and what it is made of. */
export interface LaidPart {
  panels: readonly LaidPanel[];
  rooms: readonly Room[];
  ply: Ply;
  lined: boolean;
  sheet: (ply: Ply) => FoamSheet;
  features: readonly Feature[];
  packs: readonly Pack[];
  switches: readonly Switch[];
  tender: readonly TenderSpot[];
  /** From the clothed wearer to the inner face at every point of a panel’s grid; none of what is not worn. */
  gaps: readonly { pieceId: string; gapMm: readonly (readonly number[])[] }[];
}

/** Something electric that was put in, where it really sits. */
export interface Item {
  id: string;
  featureId: string;
  name: string;
  at: Vec3;
  normal: Vec3;
  /** The piece it is fixed to and where it lies there; absent in a room of its own. */
  pieceId?: string;
  flat?: Vec2;
  /** Distance from the nearest edge of its piece, negative when off the foam. */
  marginMm: number;
  massG: number;
  lamp?: { colour: LampColour; led: LedBody };
  /** Light that draws what it draws. */
  steady?: SteadyLoad;
  source?: Pack;
  toggle?: Switch;
  /** It is meant to stay in for good, whatever closes over it. */
  stays?: true;
  /** Where its kind is chosen among the values of the part. */
  choose?: (string | number)[];
  /** Where the brightness of addressable lamps is set among the values of the part, and what it is, percent. */
  dims?: { path: (string | number)[]; pct: number };
  /** Depth it needs and has, and its outline over the room seen from outside. */
  fit?: {
    needMm: number;
    haveMm: number;
    widthMm: number;
    lengthMm: number;
    /** Of `haveMm`, what a pocket in the foam gives, and how thick that foam is; 0 in a room of its own. */
    pocketMm: number;
    foamMm: number;
    roomId: string;
    /** How far in from its wall it begins, where the wall bends towards it. */
    fromMm: number;
    /** The whole of it over the room: in one, or as runs of something that bends with its wall. */
    prints: Footprint[];
    outline: Vec2[];
    profile: { acrossMm: number; depthMm: number | null }[];
  };
}

/** A line, rivet or hole drawn on the outer face of the solid. */
export interface Drawn {
  kind: 'groove' | 'score' | 'rivet' | 'hole';
  points: Vec3[];
  acrossMm: number;
  /** The detail that draws it. */
  featureId?: string;
}

/** Something to buy for one copy. */
export interface Bought {
  what: string;
  /** It is what the part is made of: bought under the name of the part. */
  itself?: true;
  unit: string;
  count: number;
  each: number;
  massG: number;
  provenance: Provenance;
}

/** Work of one copy; like work is reported as one step. */
export interface Work {
  step: string;
  /** On the flat pieces, on the formed shell, once no more heat comes near it, or on the painted one. */
  when: 'flat' | 'formed' | 'lit' | 'painted';
  /** What is done to how many, as in “glue 12 rivets”. */
  verb: string;
  what: string;
  count: number;
  eachMin: number;
  detail: string;
  /** Why nothing that follows is begun before it is done. */
  gate?: string;
  cautions: readonly CautionKey[];
  waitMin: number;
  waitFor?: string;
  /** The detail it is for; that of a form or a fold is for none. */
  featureId?: string;
}

/** A spot whose other side was felt for before anything is cut there. */
export interface Probed {
  id: string;
  pieceId: string;
  at: Vec2;
  acrossMm: number;
  /** What was found, whether it is in the way of a cut, and what to do then. */
  label: string;
  blocks: boolean;
  does: string;
  /** What was written down about it. */
  note?: string;
}

/** The load planned on a detail that carries something: its mass, and how far its centre of mass stands out from the face. */
export interface Bears {
  featureId: string;
  pieceId: string;
  name: string;
  massG: number;
  armMm: number;
  /** Least and most of the two, and where the part keeps them. */
  range: { massG: [number, number]; armMm: [number, number] };
  at: { massG: Change['path']; armMm: Change['path'] };
}

/** What a feature does to its part. */
/** A wedge of foam towards another part: what is set for its two ends, and the spots of the inner face it is looked at from. */
export interface Wedge {
  featureId: string;
  pieceId: string;
  name: string;
  /** From the lower end to the upper one. */
  ends: readonly { gapMm: number; path: (string | number)[]; spots: readonly { at: Vec3; inward: Vec3 }[] }[];
  range: readonly [number, number];
}

export interface Laid {
  pieces: Piece[];
  holes: { pieceId: string; hole: Hole }[];
  marks: { pieceId: string; mark: Mark }[];
  solids: Mesh[];
  drawn: Drawn[];
  items: Item[];
  bought: Bought[];
  work: Work[];
  probed: Probed[];
  bears: Bears[];
  wedges: Wedge[];
  /** Foam added along an edge, or over a whole piece. */
  stiffens: { pieceId: string; edgeId?: string; thicknessMm: number }[];
  checks: Check[];
}

export const nothing = (): Laid => ({
  pieces: [],
  holes: [],
  marks: [],
  solids: [],
  drawn: [],
  items: [],
  bought: [],
  work: [],
  probed: [],
  bears: [],
  wedges: [],
  stiffens: [],
  checks: [],
});

/** Where a new feature is meant to go: what was pointed at last, or the first there is. */
export interface Pointed {
  panel: string;
  edge: string;
  /** Shares of the panel's width and height. */
  at: Vec2;
}

/** Where light runs along a piece: shares of its panel, the way it is turned there, and how long on the flat. */
export interface LightRun {
  panel: string;
  from: Vec2;
  to: Vec2;
  turnDeg: number;
  lengthMm: number;
  colour: LampColour;
}

/** One method of light as a kind of feature has it. */
export interface LightMethod {
  method: string;
  /** Said to the maker. */
  label: string;
  along: (run: LightRun) => { place: Place; params: Params };
  /** Whether a feature of this kind is of this method already. */
  is: (params: Params) => boolean;
}

/** Values that makers use again and again, worked out for the size a detail has. */
export interface Recipe<P = Params> {
  label: string;
  summary: string;
  of: (params: P) => P;
}

/** A kind of feature. Adding one is adding a folder that exports one of these, and a line in the registry. */
export interface FeatureKind {
  kind: string;
  /** Its name, and what adding one is called. */
  label: string;
  verb: string;
  /** A small picture of it: it is chosen by eye. */
  picture: Picture;
  summary: string;
  /** The station where it is planned. */
  station: Extract<Station, 'shape' | 'inside'>;
  fields: readonly Field[];
  /** What became of values it had in earlier files. */
  lifts?: readonly Lift[];
  places: readonly PlaceKind[];
  /** Lies over a whole piece, so that a spot on it is not asked. */
  spotless?: boolean;
  start: (pointed: Pointed) => { place: Place; params: Params };
  lay: (on: LaidPart, feature: Feature) => Laid;
  /** Cuts flat panels before anything is laid on them, each of a foam. */
  divide?: (panels: readonly Panel[], feature: Feature, foamOf: FoamOf) => readonly Panel[];
  /** Tried ways to make one, to begin from. */
  recipes?: readonly Recipe[];
  /** Only for looks: the first to be left off when time runs short. */
  ornamental?: true;
  /** It makes two panels of one, and goes on naming the one. */
  parts?: true;
  /** What it is offered for: an edge that gives under its own weight, or a piece no sheet holds. */
  remedies?: 'slack' | 'split';
  /** Its values are those of a light box, whose face can be drawn as it glows. */
  glows?: true;
  /** The light it gives, where that is more than a lamp at each of its items. */
  shine?: (on: LaidPart, feature: Feature) => Shine;
  /** Its light comes out of walls that are to stay bare: its values where they are under one thin coat. Nothing where it does not. */
  bareWalls?: (params: Params) => Params | undefined;
  /** Draws what it draws, so that no current is asked for it. */
  steady?: true;
  /** A line taken off a pattern: the values it has where it is only drawn. */
  asDrawn?: Params;
  /** A way cut for wires: the values it has for wires of a width that take up a depth. */
  forWires?: (wire: { acrossMm: number }) => Params;
  /** Methods of light it serves, each as it would be laid along a run in place of another. */
  methods?: readonly LightMethod[];
  /** Opens a piece so that what is behind it comes out; it has `widthMm` and `lengthMm`, clear. */
  opens?: 'hatch' | 'piece';
  /** Fed by a circuit, feeds one, or switches one. */
  electric?: 'load' | 'source' | 'switch';
}

/** A feature as its folder writes it; P is what its fields describe. */
export interface FeatureSpec<P> extends Omit<FeatureKind, 'start' | 'lay' | 'divide' | 'shine' | 'recipes'> {
  start: (pointed: Pointed) => { place: Place; params: P };
  lay: (on: LaidPart, feature: Omit<Feature, 'params'> & { params: P }) => Laid;
  shine?: (on: LaidPart, feature: Omit<Feature, 'params'> & { params: P }) => Shine;
  recipes?: readonly Recipe<P>[];
  divide?: (
    panels: readonly Panel[],
    feature: Omit<Feature, 'params'> & { params: P },
    foamOf: FoamOf,
  ) => readonly Panel[];
}

/** A feature under the common contract. */
export const defineFeature = <P>({
  start,
  lay,
  shine,
  divide,
  recipes,
  ...rest
}: FeatureSpec<P>): FeatureKind => ({
  ...rest,
  ...(recipes && { recipes: recipes as unknown as readonly Recipe[] }),
  ...(shine && {
    shine: (on, feature) => shine(on, feature as unknown as Omit<Feature, 'params'> & { params: P }),
  }),
  ...(divide && {
    divide: (panels, feature, foamOf) =>
      divide(panels, feature as unknown as Omit<Feature, 'params'> & { params: P }, foamOf),
  }),
  start: (pointed) => start(pointed) as unknown as { place: Place; params: Params },
  lay: (on, feature) => lay(on, feature as unknown as Omit<Feature, 'params'> & { params: P }),
});

/** The feature could not be laid, or not as asked: it is reported, and stays in the build. */
export function notLaid(feature: Pick<Feature, 'id'>, station: Station, title: string): Laid {
  return {
    ...nothing(),
    checks: [
      {
        id: `feature-${feature.id}`,
        severity: 'mind',
        station,
        title,
        why: 'It was left off the pattern; change it or remove it.',
        provenance: 'standard',
        excess: 1,
        remedies: [],
      },
    ],
  };
}

/** A change of one of the part's features, leading from the part. */
export const featurePath = (
  on: LaidPart,
  feature: Pick<Feature, 'id'>,
  ...path: (string | number)[]
): (string | number)[] => ['features', on.features.findIndex((f) => f.id === feature.id), ...path];

export const panelOf = (on: Pick<LaidPart, 'panels'>, id: string): LaidPanel | undefined =>
  on.panels.find((l) => l.panel.id === id);

/** The piece that an edge is glued to along a seam, or folds over into; none where it is shut, laid on or comes off. */
export const glued = (
  on: Pick<LaidPart, 'panels'>,
  { mate, dry, joint }: Pick<PieceEdge, 'mate' | 'dry' | 'joint'>,
): LaidPanel | undefined =>
  mate && !dry && (joint === 'seam' || joint === 'fold') ? panelOf(on, mate.pieceId) : undefined;
