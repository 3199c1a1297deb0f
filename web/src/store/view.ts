import type { Vec3 } from '@fomrik/core/geometry';
import type { Params, VersionScope } from '@fomrik/core/document';
import type { Vec2 } from '@fomrik/core/geometry';
import type { LengthUnit } from '@fomrik/core/units';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { safeStorage } from './safeStorage';

/** An edge that is pointed at or chosen. */
export interface EdgeRef {
  pieceId: string;
  edgeId: string;
}

interface View {
  unit: LengthUnit;
  partId: string;
  circuitId: string;
  edge: EdgeRef | undefined;
  /** The last edge that was pointed at: new details go there. */
  lastEdge: EdgeRef | undefined;
  trialOpen: boolean;
  compareOpen: boolean;
  keysOpen: boolean;
  findOpen: boolean;
  /** What was noticed, on screens too narrow to show it beside the bench. */
  talesOpen: boolean;
  legendOpen: boolean;
  /** The stretch map on the pieces. */
  stretchOpen: boolean;
  /** Overlays of the bench: gap to the body, lines of sight, openings. */
  gapOpen: boolean;
  sightOpen: boolean;
  ringsOpen: boolean;
  /** Everything on the figure instead of one solid. */
  figureOpen: boolean;
  /** From where a solid is looked at, and how often that was asked: asking again frames it anew. */
  eye: { from: EyeFrom; asked: number };
  shapeTab: ShapeTab;
  /** Parts whose mounted parts are not shown on the rack. */
  folded: string[];
  /** The version that is shown; the document itself when empty. */
  versionId: string;
  versionScope: VersionScope;
  /** The kind of thing being dragged from the tray. */
  inHand: string | undefined;
  /** A line being drawn on the solid. */
  drawing: LineInHand | undefined;
  /** Spots of a seam that is being drawn on a surface, in the part's space. */
  seam: Vec3[] | undefined;
}

export type ShapeTab = 'form' | 'details' | 'fit';

/** Views of a solid, in the order a key goes through them. */
export const eyesFrom = ['turned', 'front', 'side', 'back', 'top'] as const;
export type EyeFrom = (typeof eyesFrom)[number];

/** Points set so far, all on the first one's piece. */
export interface LineInHand {
  kind: string;
  params: Params;
  pieceId?: string;
  points: Vec2[];
}

/** How things are looked at; not part of any build. */
export const useView = create<View>()(
  persist(
    (): View => ({
      unit: 'mm',
      partId: '',
      circuitId: '',
      edge: undefined,
      lastEdge: undefined,
      trialOpen: true,
      compareOpen: false,
      keysOpen: false,
      findOpen: false,
      talesOpen: false,
      legendOpen: false,
      stretchOpen: true,
      gapOpen: false,
      sightOpen: false,
      ringsOpen: false,
      figureOpen: false,
      eye: { from: 'turned', asked: 0 },
      shapeTab: 'form',
      folded: [],
      versionId: '',
      versionScope: 'all',
      inHand: undefined,
      drawing: undefined,
      seam: undefined,
    }),
    {
      name: 'fomrik:view',
      storage: createJSONStorage(() => safeStorage),
      partialize: ({ unit, trialOpen }) => ({ unit, trialOpen }),
    },
  ),
);

/** Looks from somewhere; the same once more brings a solid that was turned or zoomed back into view. */
export function lookFrom(from: EyeFrom): void {
  useView.setState(({ eye }) => ({ eye: { from, asked: eye.asked + 1 } }));
}

/** The next view, round and round. */
export const lookOn = (): void => {
  const { from } = useView.getState().eye;
  lookFrom(eyesFrom[(eyesFrom.indexOf(from) + 1) % eyesFrom.length]!);
};

type Switch =
  | 'trialOpen'
  | 'compareOpen'
  | 'keysOpen'
  | 'findOpen'
  | 'talesOpen'
  | 'legendOpen'
  | 'stretchOpen'
  | 'gapOpen'
  | 'sightOpen'
  | 'ringsOpen'
  | 'figureOpen';

export const toggle = (key: Switch): void => {
  useView.setState((view) => ({ [key]: !view[key] }));
};
