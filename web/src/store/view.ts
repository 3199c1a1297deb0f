import type { Params, Station, VersionScope } from '@fomrik/core/document';
import type { Vec2, Vec3 } from '@fomrik/core/geometry';
import type { LengthUnit } from '@fomrik/core/units';
import { create } from 'zustand';
import { createJSONStorage, persist } from 'zustand/middleware';
import { safeStorage } from './safeStorage';
import { type EdgeRef, useSelected } from './selection';

interface View {
  unit: LengthUnit;
  /** The edge under the pointer; what is selected is in the selection. */
  pointed: EdgeRef | undefined;
  /** The value whose dimension is drawn: the field that has the focus. */
  dimensionOf: FieldRef | undefined;
  /** The field whose dimension the pointer is on. */
  hinted: FieldRef | undefined;
  /** What a dragged value has snapped to, in words. */
  snappedTo: string | undefined;
  /** Whether things that are moved are drawn to middles, edges and each other. */
  snaps: boolean;
  compareOpen: boolean;
  keysOpen: boolean;
  tourOpen: boolean;
  findOpen: boolean;
  /** The inspector, on screens too narrow to show it beside the bench. */
  inspectorOpen: boolean;
  legendOpen: boolean;
  /** The stretch map on the pieces. */
  stretchOpen: boolean;
  /** Overlays of the bench: gap to the body, lines of sight, openings. */
  gapOpen: boolean;
  sightOpen: boolean;
  ringsOpen: boolean;
  /** Everything on the figure instead of one solid. */
  figureOpen: boolean;
  /** Nothing seen but what is lit. */
  darkOpen: boolean;
  /** The solid in its finish. */
  finishOpen: boolean;
  /** Flat pieces going together, and how far they are: 0 on the table, 1 the solid. */
  foldOpen: boolean;
  foldShare: number;
  /** How far the pieces of the solid are drawn apart, 0 to 1. */
  apartShare: number;
  /** From where a solid is looked at, and how often that was asked: asking again frames it anew. */
  eye: { from: EyeFrom; asked: number };
  /** Groups of the inspector that were opened or folded by hand, by their name. */
  groups: Record<string, boolean>;
  /** The tab of each station's drawer; none when it is shut, its first when that one is not there. */
  drawers: Partial<Record<Station, string>>;
  /** What a pane with several pictures shows. */
  panes: Record<string, string>;
  /** The pane that fills the bench, and the one that was used last. */
  fullPane: string;
  usedPane: string;
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
  /** Spots of an outline that is being drawn on the wearer, in the part's space. */
  outlining: Vec3[] | undefined;
}

/** A value of a part: its own or that of one of its details. */
export interface FieldRef {
  partId: string;
  featureId?: string;
  path: readonly (string | number)[];
}

export const sameField = (a: FieldRef | undefined, b: FieldRef | undefined): boolean =>
  a?.partId === b?.partId && a?.featureId === b?.featureId && a?.path.join() === b?.path.join();

/** Views of a solid, in the order a key goes through them. */
export const eyesFrom = ['turned', 'front', 'side', 'back', 'top', 'edge'] as const;
export type EyeFrom = (typeof eyesFrom)[number];

/** Points set so far, all on the first one's piece. */
export interface LineInHand {
  kind: string;
  params: Params;
  pieceId?: string;
  points: Vec2[];
}

/** Room for the picture and a drawer below it; on a lower screen the drawer begins shut. */
const TALL_PX = 940;
const isTall = (): boolean => typeof window !== 'undefined' && window.innerHeight >= TALL_PX;

/** How things are looked at; not part of any build. */
export const useView = create<View>()(
  persist(
    (): View => ({
      unit: 'mm',
      pointed: undefined,
      dimensionOf: undefined,
      hinted: undefined,
      snappedTo: undefined,
      snaps: true,
      compareOpen: false,
      keysOpen: false,
      tourOpen: false,
      findOpen: false,
      inspectorOpen: false,
      legendOpen: false,
      stretchOpen: true,
      gapOpen: false,
      sightOpen: false,
      ringsOpen: false,
      figureOpen: false,
      darkOpen: false,
      finishOpen: false,
      foldOpen: false,
      foldShare: 1,
      apartShare: 0,
      eye: { from: 'turned', asked: 0 },
      groups: {},
      drawers: isTall() ? { shape: 'trial', inside: 'circuit' } : { shape: '', inside: '' },
      panes: {},
      fullPane: '',
      usedPane: '',
      folded: [],
      versionId: '',
      versionScope: 'all',
      inHand: undefined,
      drawing: undefined,
      seam: undefined,
      outlining: undefined,
    }),
    {
      name: 'fomrik:view',
      storage: createJSONStorage(() => safeStorage),
      partialize: ({ unit, snaps, groups, drawers }) => ({ unit, snaps, groups, drawers }),
    },
  ),
);

/** The edge that is shown: the one under the pointer, or the one selected. */
export function useShownEdge(): EdgeRef | undefined {
  const pointed = useView((v) => v.pointed);
  const selected = useSelected((s) => s.edge);
  return pointed ?? selected;
}

/** How far pieces are on their way from the table to the solid. */
export function setFold(foldShare: number): void {
  useView.setState({ foldShare });
}

/** How far the pieces of the solid are drawn apart. */
export function setApart(apartShare: number): void {
  useView.setState({ apartShare });
}

/** Looks from somewhere; the same once more brings a solid that was turned or zoomed back into view. */
export function lookFrom(from: EyeFrom): void {
  useView.setState(({ eye }) => ({ eye: { from, asked: eye.asked + 1 } }));
}

/** The views there are now: along an edge only while one is selected. */
export const eyesNow = (edge: EdgeRef | undefined): readonly EyeFrom[] =>
  edge ? eyesFrom : eyesFrom.filter((from) => from !== 'edge');

/** The next view, round and round. */
export const lookOn = (): void => {
  const { from } = useView.getState().eye;
  const there = eyesNow(useSelected.getState().edge);
  lookFrom(there[(there.indexOf(from) + 1) % there.length]!);
};

/** Fills the bench with the pane that was used last, or gives the others their room back. */
export function fillBench(pane = useView.getState().usedPane): void {
  useView.setState(({ fullPane }) => ({ fullPane: fullPane === '' ? pane : '' }));
}

/** Shows a tab of a station's drawer; none shuts it. */
export function setDrawer(station: Station, tab: string): void {
  useView.setState(({ drawers }) => ({ drawers: { ...drawers, [station]: tab } }));
}

/** Opens a tab of a drawer, or shuts it where it is open. */
export const toggleDrawer = (station: Station, tab: string): void =>
  setDrawer(station, useView.getState().drawers[station] === tab ? '' : tab);

type Switch =
  | 'compareOpen'
  | 'keysOpen'
  | 'tourOpen'
  | 'findOpen'
  | 'inspectorOpen'
  | 'legendOpen'
  | 'stretchOpen'
  | 'gapOpen'
  | 'sightOpen'
  | 'ringsOpen'
  | 'figureOpen'
  | 'darkOpen'
  | 'finishOpen'
  | 'foldOpen'
  | 'snaps';

export const toggle = (key: Switch): void => {
  useView.setState((view) => ({ [key]: !view[key] }));
};
