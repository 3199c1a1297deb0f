import type { ReadySet } from './readySet';

/** A mask skinned over a surface from a file. */
export const maskOnScan: ReadySet = {
  key: 'mask',
  label: 'Mask on a scan',
  summary: 'A mask cut from a scanned or modelled surface, set on the head.',
  parts: [{ form: 'skinned-head', name: 'Mask' }],
};
