import type { PartReport } from '../parts';
import type { Step } from './step';

/** Things let into a layer that others are glued over. */
const closedItems = (part: PartReport): PartReport['items'] =>
  part.items.filter((i) => part.pieces.find((p) => p.id === i.pieceId)?.inside === true);

/**
 * What layers close over is soldered, tested, laid in and tested again before they are glued: the steps of the shell and
 * of the lights, with those moved ahead of the gluing where a part has any.
 */
export function closingIn(
  part: PartReport,
  shell: readonly Step[],
  light: readonly Step[],
): { shell: Step[]; light: Step[] } {
  const closed = closedItems(part);
  const id = (step: string): string => `${part.id}:${step}`;
  const at = shell.findIndex((s) => s.id === id('layers'));
  const early = light.filter((s) => s.id === id('solder') || s.id === id('test1'));
  if (closed.length === 0 || at < 0 || early.length < 2) return { shell: [...shell], light: [...light] };
  const glue = shell[at]!;
  const inlay: Step = {
    id: id('inlay'),
    kind: 'fit',
    title: `${part.name}: lay ${closed.length * part.copies} thing${closed.length * part.copies > 1 ? 's' : ''} into the layers, and test again`,
    detail: `${closed.map((i) => i.name).join(', ')}. Wires in their channels with a loop to spare, a connector outside the layers; switch it on and off ten times before the glue is opened.`,
    partId: part.id,
    workMin: 15 * closed.length * part.copies,
    waitMin: 0,
    after: [...glue.after, id('test1')],
    gate: 'Test what is glued in: nothing reaches it afterwards.',
    cautions: [],
  };
  return {
    shell: [...shell.slice(0, at), ...early, inlay, { ...glue, after: [inlay.id] }, ...shell.slice(at + 1)],
    light: light.filter((s) => !early.includes(s)),
  };
}
