import { bracer } from './bracer/bracer';

/** Every form on the rack, by kind. */
export const formKinds = { bracer };

export type FormKindName = keyof typeof formKinds;
