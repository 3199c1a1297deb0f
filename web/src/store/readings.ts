import type { Reading } from '@fomrik/core/learn';
import { useBuild } from './build';

/** A shop keeps so many readings; the oldest gives way. */
export const MOST_READINGS = 500;

/** Keeps a reading; one with the same id gives way to it. */
export const keepReading = (reading: Reading): void =>
  useBuild.getState().update((d) => {
    d.make.readings = [
      ...(d.make.readings ?? []).filter((r) => r.id !== reading.id).slice(1 - MOST_READINGS),
      reading,
    ];
  });
