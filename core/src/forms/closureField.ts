import { choice } from '../document';
import { type ClosureKind, closures, gapClosures } from '../materials';

/**
 * The choice of what shuts a form: every closure there is for gaps, and closed for good where a form can be.
 * @param worded how an open one is called; `closed` what closed for good is called here.
 */
export const closureField = (
  label: string,
  help: string,
  { worded = (name) => name, closed }: { worded?: (name: string) => string; closed?: string } = {},
) =>
  choice<'closure', ClosureKind>(
    'closure',
    label,
    [
      ...gapClosures.map((kind) => [kind, worded(closures[kind].name), closures[kind].picture] as const),
      ...(closed === undefined ? [] : [['none', closed, closures.none.picture] as const]),
    ],
    help,
    'Closure',
  );

/** Whether it can be opened. */
export const isOpen = (params: object): boolean =>
  closures[(params as { closure: ClosureKind }).closure].joint === 'closure';
