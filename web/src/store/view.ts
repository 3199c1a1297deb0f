import type { LengthUnit } from '@fomrik/core/units/length';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** An edge that is pointed at or chosen. */
export interface EdgeRef {
  pieceId: string;
  edgeId: string;
}

interface View {
  unit: LengthUnit;
  partId: string;
  edge: EdgeRef | undefined;
  trialOpen: boolean;
  compareOpen: boolean;
  keysOpen: boolean;
  findOpen: boolean;
  legendOpen: boolean;
  /** The stretch map on the pieces. */
  stretchOpen: boolean;
}

/** How things are looked at; not part of any build. */
export const useView = create<View>()(
  persist(
    (): View => ({
      unit: 'mm',
      partId: '',
      edge: undefined,
      trialOpen: true,
      compareOpen: false,
      keysOpen: false,
      findOpen: false,
      legendOpen: false,
      stretchOpen: true,
    }),
    { name: 'fomrik:view', partialize: ({ unit, trialOpen }) => ({ unit, trialOpen }) },
  ),
);

export const toggle = (
  key: 'trialOpen' | 'compareOpen' | 'keysOpen' | 'findOpen' | 'legendOpen' | 'stretchOpen',
): void => {
  useView.setState((view) => ({ [key]: !view[key] }));
};
