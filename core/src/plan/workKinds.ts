import type { Constant, Quantity } from '../learn';

/** What sort of work a step is: what it is batched with, whether neighbours hear it, and what its minutes teach. */
export interface WorkKindInfo {
  label: string;
  /** What its minutes are a reading of. */
  teaches: Quantity;
  /** A rotary tool, saw or drill runs: not in quiet hours. */
  noisy?: true;
}

/** In the order in which batches are done. */
export const workKinds = {
  print: { label: 'printing', teaches: 'other' },
  trace: { label: 'tracing', teaches: 'cutting' },
  cut: { label: 'cutting', teaches: 'cutting' },
  detail: { label: 'details', teaches: 'other' },
  groove: { label: 'grooving', teaches: 'cutting' },
  bevel: { label: 'bevelling', teaches: 'sanding', noisy: true },
  glue: { label: 'gluing', teaches: 'gluing' },
  form: { label: 'heat forming', teaches: 'forming' },
  sand: { label: 'rounding over', teaches: 'sanding', noisy: true },
  drill: { label: 'drilling', teaches: 'wiring', noisy: true },
  solder: { label: 'soldering', teaches: 'wiring' },
  test: { label: 'testing', teaches: 'wiring' },
  fit: { label: 'fitting lamps', teaches: 'wiring' },
  coat: { label: 'sealing', teaches: 'coating' },
  paint: { label: 'painting', teaches: 'coating' },
  strap: { label: 'straps and padding', teaches: 'other' },
  mount: { label: 'putting together', teaches: 'other' },
  wear: { label: 'trying on', teaches: 'other' },
  log: { label: 'writing up', teaches: 'other' },
} as const satisfies Record<string, WorkKindInfo>;

export type WorkKind = keyof typeof workKinds;

export const kindOrder = Object.keys(workKinds) as WorkKind[];

export const isNoisy = (kind: WorkKind): boolean => 'noisy' in workKinds[kind];

/** What planned minutes of a kind of work are multiplied by: its own constant once there is a reading of it. */
export function workFactor(kind: WorkKind, constants: Record<Quantity, Constant>): number {
  const own = constants[workKinds[kind].teaches];
  return own.readings > 0 ? own.factor : constants.handWork.factor;
}
