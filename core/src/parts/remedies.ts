import {
  applyChanges,
  type Change,
  type Proposal,
  type Remedy,
  type Field,
  type HandDart,
  holds,
  type Need,
  type Part,
  type Row,
  type ScalarField,
  type Value,
} from '../document';
import { dartsOn } from '../panel';
import { byId, trimNumber, findIn } from '../units';
import { modelOf, type Context } from './context';
import { thinnerCures } from './checks/foam';
import { formOf } from './kinds';
import { makePart, type MadePart, type Noticed } from './made';

interface Candidate extends Remedy {
  /** Candidates of one group are the same remedy, stronger and stronger; the first that does away with it is offered. */
  group: string;
}

/** How much further a value is taken when just enough was not enough. */
const FURTHER = [1, 1.3, 1.8, 2.5];

/** A number of a field moved by something, rounded away from where it was and kept in its range. */
function movedTo(field: ScalarField, from: number, by: number): number | undefined {
  if (field.type === 'foam' || field.type === 'choice') return undefined;
  const raw = from + by;
  const whole = by > 0 ? Math.ceil(raw - 1e-6) : Math.floor(raw + 1e-6);
  const value = Math.min(field.range[1], Math.max(field.range[0], whole));
  return value === from ? undefined : value;
}

/** The next choice in a list, such as two pieces instead of one. */
const nextChoice = (field: Field, from: Value | undefined): Value | undefined =>
  field.type === 'choice'
    ? field.choices[field.choices.findIndex((c) => c.value === from) + 1]?.value
    : undefined;

function fieldCandidates(field: Field, value: Value | undefined, need: Need, mm: number): Candidate[] {
  if (field.type === 'rows') {
    if (!Array.isArray(value) || value.length === 0) return [];
    return field.of.flatMap((sub) =>
      (sub.gives ?? [])
        .filter((c) => c.need === need)
        .flatMap(({ by }) =>
          FURTHER.flatMap((times): Candidate[] => {
            const rows = value.map((row): Row => {
              const next = movedTo(sub, Number(row[sub.key]), (mm * times) / by / value.length);
              return next === undefined ? row : { ...row, [sub.key]: next };
            });
            if (rows.every((row, i) => row === value[i])) return [];
            return [
              {
                group: `${field.key}/${sub.key}`,
                label: `${field.label}: ${sub.label.toLowerCase()} ${rows.map((r) => trimNumber(Number(r[sub.key]))).join(', ')} mm`,
                changes: [{ path: ['params', field.key], value: rows }],
              },
            ];
          }),
        ),
    );
  }
  return (field.gives ?? [])
    .filter((c) => c.need === need)
    .flatMap(({ by }) => {
      const choice = nextChoice(field, value);
      if (field.type === 'choice')
        return choice === undefined
          ? []
          : [
              {
                group: field.key,
                label: `${field.label}: ${findIn(field.choices, (c) => c.value === choice).label}`,
                changes: [{ path: ['params', field.key], value: choice }],
              },
            ];
      return FURTHER.flatMap((times): Candidate[] => {
        const next = movedTo(field, Number(value), (mm * times) / by);
        return next === undefined
          ? []
          : [
              {
                group: field.key,
                label: `${field.label} ${trimNumber(next)} ${'unit' in field && field.unit ? field.unit : 'mm'}`,
                changes: [{ path: ['params', field.key], value: next }],
              },
            ];
      });
    });
}

/** Everything the fields of a part's form can give of a need, weakest first. */
export function needCandidates(part: Part, context: Context, need: Need, mm: number): Candidate[] {
  const { fields } = formOf(context.kinds, part.form);
  return [
    ...fields
      .filter((f) => !f.when || f.when(part.params))
      .flatMap((f) => fieldCandidates(f, part.params[f.key], need, mm)),
    ...(need === 'girth'
      ? thinnerCures(part, context).flatMap((c): Candidate[] =>
          'changes' in c ? [{ ...c, group: 'thinner' }] : [],
        )
      : []),
  ];
}

/** Whether a part keeps to the ranges of its form and of its features. */
export function isValid(part: Part, { kinds }: Context): boolean {
  const fits = (fields: readonly Field[], params: Part['params']): boolean =>
    fields.every((f) => holds(f, params[f.key]));
  return (
    fits(formOf(kinds, part.form).fields, part.params) &&
    part.features.every((f) => fits(kinds.features.get(f.kind)?.fields ?? [], f.params))
  );
}

/** What is left of something once a part is changed; 0 when it is gone. */
function leftOf(
  { check, from }: Noticed,
  changes: readonly Change[],
  part: Part,
  context: Context,
  made: MadePart,
): number {
  const checks =
    from === 'model'
      ? modelOf(part, context).checks
      : makePart(part, context, {
          coarse: from !== 'flat',
          ...(from !== 'flat' && { darts: dartsOf(made) }),
          ...(from === 'ways' && { ways: true }),
          ...(changes.every((c) => c.path[0] === 'features') && { before: made }),
        }).noticed.map((n) => n.check);
  return byId(checks, check.id)?.excess ?? 0;
}

/** Darts as they lie, to keep them in a coarse answer. */
export const dartsOf = ({
  pieces,
}: Pick<MadePart, 'pieces'>): {
  pieceId: string;
  darts: HandDart[];
}[] =>
  pieces
    .filter((p) => p.role === 'shell' && !p.mirrors)
    .map((p) => ({ pieceId: p.id, darts: dartsOn(p) }))
    .filter(({ darts }) => darts.length > 0);

/** Whether a remedy would change anything, or holds already: what a first answer still has from before may be done by now. */
export const changesAnything = (part: Part, { changes }: Pick<Remedy, 'changes'>): boolean =>
  JSON.stringify(applyChanges(part, changes)) !== JSON.stringify(part);

/** Smaller than this is no less. */
const LESS = 1e-6;

/** Every remedy of something that was tried and helps; one that cannot is not offered. */
export function triedRemedies(noticed: Noticed, part: Part, context: Context, made: MadePart): Remedy[] {
  const { check } = noticed;
  const candidates = check.remedies.flatMap((proposal: Proposal, i): Candidate[] =>
    'changes' in proposal
      ? [{ ...proposal, group: `own-${proposal.label}-${i}` }]
      : needCandidates(part, context, proposal.need, proposal.mm),
  );
  const best = new Map<string, { tried: Remedy; left: number }>();
  for (const { group, certain, ...tried } of candidates) {
    const known = best.get(group);
    if (known?.left === 0) continue;
    const changed = applyChanges(part, tried.changes);
    if (!isValid(changed, context)) continue;
    const left = certain ? 0 : leftOf(noticed, tried.changes, changed, context, made);
    if (left < (known?.left ?? check.excess) - LESS) best.set(group, { tried, left });
  }
  const found = [...best.values()];
  // What does away with it comes before what only lessens it.
  return [...found.filter((b) => b.left === 0), ...found.filter((b) => b.left > 0)].map((b) => b.tried);
}
