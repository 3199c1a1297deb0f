import { expect } from 'chai';
import fc from 'fast-check';
import type { Measure } from '../body';
import {
  applyChanges,
  type BuildDoc,
  type Feature,
  type Field,
  type Params,
  type Part,
  type Value,
} from '../document';
import { checkDoc } from '../files/schema';
import { demo } from '../files/testing/demo';
import { newBuild, newPart, standardKinds } from '../parts';
import { anyone } from '../parts/testing/worn.test';
import { runs, sampled } from '../units/testing/sampled';
import { type Asking, createDeriver } from '../report';
import { reportOf } from '../report/testing/reportOf';
import type { Finding } from '../document';

/** A value of a field, from its start to anywhere in its range. */
function valueOf(field: Field, now: Value | undefined, dice: number): Value {
  if (now === undefined) throw new Error(`${field.key} has no start`);
  switch (field.type) {
    case 'choice':
      return field.choices[Math.floor(dice * field.choices.length)]!.value;
    case 'length':
    case 'angle':
    case 'number':
      return Math.round(field.range[0] + dice * (field.range[1] - field.range[0]));
    case 'count':
      return Math.round(field.range[0] + dice * (Math.min(field.range[1], 6) - field.range[0]));
    case 'rows':
      return Array.isArray(now)
        ? now.map((row, i) =>
            i === Math.floor(dice * now.length)
              ? Object.fromEntries(
                  Object.entries(row).map(([k, v]) => {
                    const sub = field.of.find((f) => f.key === k)!;
                    return [k, valueOf(sub, v, dice) as number | string];
                  }),
                )
              : row,
          )
        : now;
    case 'foam':
      return [2, 4, 6, 10][Math.floor(dice * 4)]!;
  }
}

const wild = fc.record({
  measures: anyone,
  kind: fc.constantFrom(...standardKinds.forms.keys()),
  /** Which fields leave their start, and for where. */
  moved: fc.array(fc.record({ at: fc.nat(30), dice: fc.double({ min: 0, max: 0.999, noNaN: true }) }), {
    minLength: 1,
    maxLength: 3,
  }),
  nominalMm: fc.constantFrom(2, 6, 10),
  foamId: fc.constantFrom('light-eva', 'dense-eva', 'granite'),
  feature: fc.constantFrom(...standardKinds.features.keys()),
  u: fc.double({ min: 0, max: 1, noNaN: true }),
  v: fc.double({ min: 0, max: 1, noNaN: true }),
});
type Wild = typeof wild extends fc.Arbitrary<infer T> ? T : never;

function buildOf({ measures, kind, moved, nominalMm, foamId, feature, u, v }: Wild): BuildDoc {
  const wearer = { name: 'Anyone', underLayerMm: 3, measures: measures as Measure[] };
  const form = standardKinds.forms.get(kind)!;
  const plain = newPart(`${kind}-1`, wearer, kind);
  const params = moved.reduce<Params>((now, { at, dice }) => {
    const field = form.fields[at % form.fields.length]!;
    return { ...now, [field.key]: valueOf(field, now[field.key], dice) };
  }, plain.params);
  const part: Part = { ...plain, params, stack: [{ foamId, nominalMm }] };
  const doc = { ...newBuild('Wild', '2026-03-01', wearer), parts: [part] };
  const shell = reportOf(doc).parts[0]!.pieces.filter((p) => p.role === 'shell');
  if (shell.length === 0) return doc;
  const on = shell[Math.floor(u * 0.999 * shell.length)]!;
  const laid: Feature = {
    id: 'f-1',
    kind: feature,
    ...standardKinds.features.get(feature)!.start({
      panel: on.id,
      edge: on.edges[Math.floor(v * 0.999 * on.edges.length)]!.id,
      at: { x: u, y: v },
    }),
  };
  return { ...doc, parts: [{ ...part, features: [laid] }] };
}

/**
 * Every remedy leaves a document that can be saved, and does away with what it is for or lessens it.
 * @returns how many are offered; so many of them are tried in the usual run.
 */
function remediesHelp(doc: BuildDoc, most = Infinity): number {
  const deriver = createDeriver();
  const { findings } = deriver(doc);
  const offered = findings.flatMap((finding) =>
    finding.remedies.filter((r) => r.changes.length > 0).map((remedy) => ({ finding, remedy })),
  );
  for (const { finding, remedy } of sampled(offered, most)) {
    const after = applyChanges(doc, remedy.changes);
    const checked = checkDoc(after);
    expect(checked.ok, `${finding.title} “${remedy.label}” ${checked.ok ? '' : checked.message}`).to.equal(
      true,
    );
    const reported = (asking?: Asking): Finding | undefined =>
      deriver(after, asking).findings.find((f) => f.id === finding.id);
    // A coarse answer tries no cures of its own and is much sooner there; where it is in doubt the full one counts.
    const rough = reported({ coarse: true, goOn: () => false });
    const left = (rough?.excess ?? 0) < finding.excess ? rough : reported();
    expect(
      left?.excess ?? 0,
      `${finding.id}: ${finding.title} “${remedy.label}” leaves “${left?.title ?? ''}”`,
    ).to.be.lessThan(finding.excess);
  }
  return offered.length;
}

describe('remedies', function () {
  this.timeout(3_600_000);

  it('do away with what they are for, or lessen it, in any build', () => {
    let tried = 0;
    fc.assert(
      fc.property(wild, (given) => {
        tried += remediesHelp(buildOf(given));
      }),
      { numRuns: runs(12) },
    );
    expect(tried).to.be.greaterThan(5);
  });

  for (const [name, least] of [
    ['lampwarden-bracers-troubled', 4],
    ['lampwarden-harness', 4],
    ['lampwarden-arms', 2],
  ] as const)
    it(`all of ${name}`, () => {
      expect(remediesHelp(demo(name), 6)).to.be.greaterThan(least);
    });
});
