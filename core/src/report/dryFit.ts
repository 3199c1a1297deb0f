import { measureInfo, type MeasureKey } from '../body';
import { catalogue as standard } from '../materials';
import { applyChanges, type BuildDoc, type Change, type Field } from '../document';
import { makePart, standardKinds } from '../parts';
import { byId, findIn, printMm } from '../units';
import type { Report } from './report';
import { contextOfPart, surroundingsOf } from './surroundings';

/** One thing to read while the paper is tried on, and what the reading changes. */
export type DryFitRow = {
  partId: string;
  what: string;
  plannedMm: number;
  /** What a reading leads to, said before it is typed. */
  changes: string;
} & (
  | { kind: 'measure'; key: MeasureKey }
  /** A value of the part that gives so many millimetres of room for each of its own. */
  | { kind: 'room'; path: (string | number)[]; valueMm: number; by: number; range: readonly [number, number] }
);

/** A part to be tried on in paper, in the order of putting on. */
export interface DryFitPart {
  partId: string;
  name: string;
  how: string;
  rows: DryFitRow[];
}

/** Readings are taken to a millimetre; less than that off is right. */
const RIGHT_MM = 1;

const mean = (values: readonly number[]): number =>
  values.reduce((sum, v) => sum + v, 0) / Math.max(1, values.length);

/** The field that gives a part room, as things stand. */
const roomField = (
  fields: readonly Field[],
  params: BuildDoc['parts'][number]['params'],
): { key: string; label: string; by: number; range: readonly [number, number] } | undefined => {
  for (const field of fields) {
    if (field.type !== 'length' || (field.when && !field.when(params))) continue;
    const gives = field.gives?.find((g) => g.need === 'room');
    if (gives) return { key: field.key, label: field.label, by: gives.by, range: field.range };
  }
  return undefined;
};

/**
 * What to try on in paper: every worn part in the order of putting on, with the wearer's measures it is drawn from and
 * how far it stands off; each reading says what it changes.
 */
export function dryFit(
  doc: BuildDoc,
  { parts, body, fitting }: Pick<Report, 'parts' | 'body' | 'fitting'>,
): DryFitPart[] {
  const read = new Set<MeasureKey>();
  return fitting.dressing.flatMap(({ partId, name, how }): DryFitPart[] => {
    const made = byId(parts, partId);
    const index = doc.parts.findIndex((p) => p.id === partId);
    const part = doc.parts[index];
    if (!made || !part) return [];
    // A measure is read once, with the first part that is drawn from it.
    const measures = made.measures.filter((key) => !read.has(key));
    measures.forEach((key) => read.add(key));
    const rows: DryFitRow[] = measures.map((key) => ({
      kind: 'measure',
      partId,
      key,
      what: `${measureInfo(key).label}, taken again as under Body`,
      plannedMm: body[key].valueMm,
      changes: `every part drawn from it follows`,
    }));
    const field = roomField(standardKinds.forms.get(part.form)?.fields ?? [], part.params);
    const value = field && part.params[field.key];
    const off = made.wear?.standOff.map((s) => mean(s.gapMm.flat())) ?? [];
    if (field && typeof value === 'number' && off.length > 0)
      rows.push({
        kind: 'room',
        partId,
        what: `How far ${name} stands off the wearer: the mean of a few places`,
        plannedMm: mean(off),
        changes: `${field.label}, now ${printMm(value)}, is changed to make up the difference`,
        path: ['parts', index, 'params', field.key],
        valueMm: value,
        by: field.by,
        range: field.range,
      });
    return [{ partId, name, how, rows }];
  });
}

/** What a reading of room leads to: the change, and how far it will then stand off; no change where it is right, or none helps. */
export interface RoomRead {
  changes: Change[];
  standsOffMm: number;
}

/** So many values of the field are tried. */
const TRIES = 8;

/**
 * What a reading of room changes: the value at which the part would stand off as planned on whoever was read, found by
 * trying it (secant, then halving); as near as its range and the form let it.
 */
export function roomRead(doc: BuildDoc, row: Extract<DryFitRow, { kind: 'room' }>, readMm: number): RoomRead {
  const short = row.plannedMm - readMm;
  if (Math.abs(short) < RIGHT_MM) return { changes: [], standsOffMm: row.plannedMm };
  const wanted = row.plannedMm + short;
  const around = surroundingsOf(doc, standard, standardKinds);
  const at = (value: number): number => {
    const next = applyChanges(doc, [{ path: row.path, value }]);
    const part = findIn(next.parts, (p) => p.id === row.partId);
    const { wear } = makePart(part, contextOfPart(next, part, around), { coarse: true });
    return mean((wear?.standOff ?? []).map((o) => mean(o.gapMm.flat())));
  };
  const within = (v: number): number => Math.min(row.range[1], Math.max(row.range[0], Math.round(v * 2) / 2));
  let best = { value: row.valueMm, off: at(row.valueMm) };
  let value = within(row.valueMm + short / row.by);
  let before = best;
  for (let i = 0; i < TRIES; i++) {
    const now = { value, off: at(value) };
    if (Math.abs(now.off - wanted) < Math.abs(best.off - wanted) - 0.05) best = now;
    if (Math.abs(now.off - wanted) < RIGHT_MM / 2) break;
    const slope = (now.off - before.off) / (now.value - before.value || 1);
    // Where the value has no bearing yet, it is gone on with by as much again.
    const next = within(
      Math.abs(slope) < 1e-3
        ? now.value + (now.value - row.valueMm || short / row.by)
        : now.value + (wanted - now.off) / slope,
    );
    if (next === now.value) break;
    before = now;
    value = next;
  }
  return {
    changes: best.value === row.valueMm ? [] : [{ path: row.path, value: best.value }],
    standsOffMm: best.off,
  };
}
