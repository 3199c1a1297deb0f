import { buckle } from './buckle';
import type { Closure } from './contract';
import { elastic } from './elastic';
import { hookAndLoop } from './hookAndLoop';
import { lacing } from './lacing';
import { none } from './none';

export type { Closure } from './contract';

/** Every closure, by the name it has in documents. A new one is a file and a line here. */
const registry = { none, 'hook-and-loop': hookAndLoop, buckle, lacing, elastic } as const;

export type ClosureKind = keyof typeof registry;
export const closures: Readonly<Record<ClosureKind, Closure>> = registry;
export const closureKinds = Object.keys(registry) as ClosureKind[];
/** Those that shells, plates and belts may be shut with. */
export const gapClosures = closureKinds.filter((kind) => closures[kind].shutsGaps);
