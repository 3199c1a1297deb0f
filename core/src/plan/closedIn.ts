import { byId, itemAt, firstOf } from '../units';
import type { BuildDoc } from '../document';
import { glues } from '../materials';
import type { PartReport } from '../parts';
import type { Step } from './step';

/** Things let into a layer that others are glued over. */
const inLayers = (part: PartReport): PartReport['items'] =>
  part.items.filter((i) => byId(part.pieces, i.pieceId)?.inside === true);

/** Things that nothing reaches once the seams are glued. */
const behindSeams = (part: PartReport): PartReport['items'] =>
  part.items.filter((i) => part.sealedIn.includes(i.featureId));

/** Steps of a part up to where its lights are in, with how they follow each other. */
export interface Stages {
  shell: Step[];
  heat: Step[];
  light: Step[];
}

/** The piece that is glued on last: the one over what goes in, or the last of them. */
function lastPiece(part: PartReport, items: PartReport['items']): string {
  const shell = part.pieces.filter((p) => p.role === 'shell' && !p.inside);
  const lid = shell.filter((p) => items.every((i) => i.pieceId !== p.id)).at(-1) ?? shell.at(-1);
  return lid?.name ?? 'the last piece';
}

const relinked = (steps: readonly Step[], links: ReadonlyMap<string, string>): Step[] =>
  steps.map((s) => ({ ...s, after: s.after.map((id) => links.get(id) ?? id) }));

/**
 * What is closed in for good goes in before it is closed: heat and paint inside first, then soldered, tested, laid in and
 * tested again, and only then the layers, or the last piece, are glued over it. The same stages where nothing is closed in.
 * @param heats heat on what touches the part.
 */
export function closingIn(
  doc: BuildDoc,
  part: PartReport,
  { shell, heat, light }: Stages,
  heats: readonly string[],
): Stages {
  const id = (step: string): string => `${part.id}:${step}`;
  const layered = inLayers(part);
  const seamed = behindSeams(part).filter((i) => !layered.includes(i));
  const items = [...layered, ...seamed];
  const at =
    layered.length > 0
      ? shell.findIndex((s) => s.id === id('layers'))
      : shell.findLastIndex((s) => s.id === id('seam') || s.id === id('join') || s.id === id('layers'));
  const early = light.filter((s) => s.id !== id('fit') && s.id !== id('test2'));
  if (items.length === 0 || at < 0 || early.length < 2) return { shell, heat, light };
  const closes = itemAt(shell, at);
  const layers = closes.id === id('layers');
  const lid = lastPiece(part, seamed);
  const count = items.length * part.copies;
  const g = glues[doc.make.habits.glue];
  /** What comes before the gluing that closes it: all of the seams but those of the last piece, or nothing of the layers. */
  const open: Step[] = layers
    ? []
    : [{ ...closes, detail: `${closes.detail} Leave ${lid} off until what goes inside is in.` }];
  const shaped = open.at(-1)?.id ?? firstOf(closes.after);
  // A skin that is formed hot goes on before the lamps are in, and not when the part is closed.
  const hotLater = shell.slice(at + 1).filter((s) => s.cautions.includes('heat'));
  const hot = [...hotLater, ...heat].map((s, i, all) => ({ ...s, after: [all[i - 1]?.id ?? shaped] }));
  const sealed = hot.at(-1)?.id ?? shaped;
  const inside: Step = {
    id: id('inside'),
    kind: 'paint',
    about: 'surface',
    title: `${part.name}: paint what is out of reach once it is closed`,
    detail:
      'Dark inside, or light where it throws light back; glue edges stay bare. Dry before anything goes in.',
    partId: part.id,
    workMin: 10 * part.copies,
    waitMin: 60,
    waitFor: 'paint dry',
    after: [sealed],
    cautions: ['paint'],
  };
  const inlay: Step = {
    id: id('inlay'),
    kind: 'fit',
    about: 'items',
    title: `${part.name}: lay ${count} ${count === 1 ? 'thing' : 'things'} into ${layers ? 'the layers' : 'it'}`,
    detail: `${items.map((i) => i.name).join(', ')}. Wires ${layers ? 'in their channels ' : ''}with a loop to spare, a connector outside.`,
    partId: part.id,
    workMin: 15 * count,
    waitMin: 0,
    after: [
      inside.id,
      ...heats,
      ...early.filter((e) => early.every((o) => !o.after.includes(e.id))).map((e) => e.id),
    ],
    cautions: [],
  };
  const again: Step = {
    id: id('test-in'),
    kind: 'test',
    about: 'wires',
    title: `${part.name}: test before it is closed`,
    detail: 'Switch it on and off ten times, bend, shake.',
    partId: part.id,
    workMin: 10,
    waitMin: 0,
    after: [inlay.id],
    gate: 'Test what is glued in: nothing reaches it afterwards.',
    cautions: [],
  };
  const close: Step = layers
    ? { ...closes, after: [again.id] }
    : {
        id: id('close'),
        kind: 'glue',
        title: `${part.name}: close it with ${lid}`,
        detail: `${g.name} on every edge of it, from a corner outwards, outside faces flush. Wires clear of the glue.`,
        partId: part.id,
        about: 'seams',
        workMin: g.touchMin + 10 * part.copies,
        waitMin: g.cureMin,
        waitFor: `${g.name} at full strength`,
        after: [again.id],
        cautions: [g.caution],
      };
  // Lights wait for the heat that now comes before them, and what followed the gluing follows the closing.
  const lights = early.map((s) => ({
    ...s,
    after: s.after.map((a) => (heat.some((h) => h.id === a) || shell.some((h) => h.id === a) ? sealed : a)),
  }));
  const after = relinked(
    shell.slice(at + 1).filter((s) => !hotLater.includes(s)),
    new Map([closes, ...hotLater].map((s) => [s.id, close.id])),
  );
  const kept = light.filter((s) => !early.includes(s) && layered.length + seamed.length < part.items.length);
  const links = new Map(heat.map((h): [string, string] => [h.id, after.at(-1)?.id ?? close.id]));
  return {
    shell: [...shell.slice(0, at), ...open, ...hot, ...lights, inside, inlay, again, close, ...after],
    heat: [],
    light: relinked(kept, links).map((s) =>
      s.id === id('fit') ? { ...s, after: [...new Set([...s.after, after.at(-1)?.id ?? close.id])] } : s,
    ),
  };
}
