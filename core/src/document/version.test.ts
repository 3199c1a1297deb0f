import { expect } from 'chai';
import fc from 'fast-check';
import { newBuild, newPart } from '../parts';
import { checkDoc } from '../files/schema';
import { derive } from '../report';
import {
  bareScheme,
  differences,
  editPart,
  featureIdsOf,
  inVersion,
  type BuildDoc,
  type Part,
  type Version,
} from '.';

/** A form's field by both names. */
const labelOf = (form: string, field: string): string => `${form}.${field}`;
const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
const stunt: Version = { id: 'v1', name: 'Stunt', parts: {} };
const other: Version = { id: 'v2', name: 'Other', parts: {} };

function sword(): BuildDoc {
  const haft = newPart('h', wearer, 'haft');
  return {
    ...newBuild('Sword', '2026-03-01', wearer),
    parts: [
      haft,
      newPart('b', wearer, 'blade', undefined, 'h'),
      newPart('g', wearer, 'grip', undefined, 'h'),
    ],
    versions: [stunt, other],
  };
}
const part = (doc: BuildDoc, id: string): Part => doc.parts.find((p) => p.id === id)!;
const version = (doc: BuildDoc, id: string): Version => doc.versions!.find((v) => v.id === id)!;
const shown = (doc: BuildDoc, id: string): BuildDoc => inVersion(doc, version(doc, id));
const widen = (p: Part, widthMm: number): Part => ({ ...p, params: { ...p.params, widthMm } });

describe('versions of a build', () => {
  it('are the document where nothing differs, the same parts and not copies', () => {
    const doc = sword();
    expect(shown(doc, 'v1').parts).to.have.length(3);
    shown(doc, 'v1').parts.forEach((p, i) => expect(p).to.equal(doc.parts[i]));
    expect(inVersion(doc, undefined)).to.equal(doc);
  });

  it('take an edit alone, or all of them together', () => {
    const doc = sword();
    const before = part(shown(doc, 'v1'), 'b');
    const one = editPart(doc, 'v1', 'one', before, widen(before, 44));
    expect(part(one, 'b').params.widthMm).to.equal(part(doc, 'b').params.widthMm);
    expect(part(shown(one, 'v1'), 'b').params.widthMm).to.equal(44);
    expect(part(shown(one, 'v2'), 'b').params.widthMm).to.equal(part(doc, 'b').params.widthMm);
    expect(differences(one, version(one, 'v1'), labelOf)).to.deep.equal(['Blade: blade.widthMm']);
    const again = part(shown(one, 'v1'), 'b');
    const all = editPart(one, 'v1', 'all', again, widen(again, 50));
    for (const id of ['v1', 'v2']) expect(part(shown(all, id), 'b').params.widthMm).to.equal(50);
    expect(differences(all, version(all, 'v1'), labelOf)).to.deep.equal([]);
  });

  it('may have darts and details of its own, whose names nothing else takes', () => {
    const doc = { ...sword(), versions: [stunt, other] };
    const before = part(shown(doc, 'v1'), 'b');
    const darts = [{ pieceId: 'a', darts: [{ edgeId: 'bottom' as const, at: 0.5, reach: 0.6 }] }];
    const hole = {
      id: 'b.hole-1',
      kind: 'hole',
      place: { on: 'panel' as const, panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 },
      params: {},
    };
    const one = editPart(doc, 'v1', 'one', before, {
      ...before,
      darts,
      features: [...before.features, hole],
    });
    expect(part(one, 'b').darts).to.deep.equal([]);
    expect(part(shown(one, 'v1'), 'b').darts).to.deep.equal(darts);
    expect(part(shown(one, 'v2'), 'b').darts).to.deep.equal([]);
    expect(featureIdsOf(one)).to.include('b.hole-1');
    expect(differences(one, version(one, 'v1'), labelOf)).to.deep.equal(['Blade: details', 'Blade: darts']);
  });

  it('show exactly what was edited, whatever is edited and wherever it goes', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            scope: fc.constantFrom('all' as const, 'one' as const),
            in: fc.constantFrom('v1', 'v2'),
            width: fc.integer({ min: 20, max: 90 }),
            finish: fc.constantFrom('keep', 'drop', 'bare', 'worn'),
            printed: fc.boolean(),
            layers: fc.option(fc.array(fc.constantFrom(4, 6, 10), { minLength: 1, maxLength: 4 })),
          }),
          { maxLength: 8 },
        ),
        (edits) => {
          let doc = sword();
          for (const e of edits) {
            const before = part(shown(doc, e.in), 'b');
            const stack = e.layers?.map((nominalMm) => ({ foamId: 'dense-eva', nominalMm })) ?? before.stack;
            const { finish: _, scheme: __, printed: ___, ...bare } = widen(before, e.width);
            const looks =
              e.finish === 'keep'
                ? {
                    ...(before.finish && { finish: before.finish }),
                    ...(before.scheme && { scheme: before.scheme }),
                  }
                : e.finish === 'drop'
                  ? {}
                  : e.finish === 'bare'
                    ? { finish: { colours: 1, weathering: 'none' as const, clearCoats: 0 } }
                    : { scheme: bareScheme };
            const after: Part = { ...bare, ...looks, ...(e.printed && { printed: true }), stack };
            doc = editPart(doc, e.in, e.scope, before, after);
            expect(part(shown(doc, e.in), 'b')).to.deep.equal(after);
            expect(checkDoc(doc).ok).to.equal(true);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('keep the lights of the document when details are edited in a version that is unlit', () => {
    const doc = sword();
    const feature = (id: string): Part['features'][number] => ({
      id,
      kind: 'hole',
      place: { on: 'panel', panel: 'blade-1', u: 0.5, v: 0.5, turnDeg: 0 },
      params: { diameterMm: 6, count: 1, ringMm: 40 },
    });
    const lit: BuildDoc = {
      ...doc,
      parts: doc.parts.map((p) => (p.id === 'b' ? { ...p, features: [feature('pack')] } : p)),
      circuits: [{ id: 'c', name: 'C', source: 'pack', switch: null, loads: [] }],
      versions: [{ ...stunt, unlit: true }, other],
    };
    const before = part(shown(lit, 'v1'), 'b');
    expect(before.features).to.deep.equal([]);
    for (const scope of ['all', 'one'] as const) {
      const after = editPart(lit, 'v1', scope, before, { ...before, features: [feature('trim')] });
      expect(part(after, 'b').features.map((f) => f.id)).to.include('pack');
      expect(part(shown(after, 'v1'), 'b').features.map((f) => f.id)).to.deep.equal(['trim']);
    }
  });

  it('leave a part out with all that hangs on it, light and weight with it', () => {
    const doc = sword();
    const bare = inVersion(doc, { ...stunt, parts: { h: { leftOut: true } } });
    expect(bare.parts).to.deep.equal([]);
    const dull = inVersion(doc, { ...stunt, parts: { b: { leftOut: true } } });
    expect(derive(dull).totals.massG).to.be.lessThan(derive(doc).totals.massG);
    const small = inVersion(doc, { ...stunt, statureMm: 1200 });
    expect(derive(small).body.stature.valueMm).to.equal(1200);
  });

  it('are refused with what their part cannot have, the field and its range named', () => {
    const doc = sword();
    const wrong = (v: Version['parts']): string => {
      const checked = checkDoc({ ...doc, versions: [{ ...stunt, parts: v }] });
      return checked.ok ? '' : checked.message;
    };
    expect(wrong({ b: { params: { widthMm: 5000 } } })).to.match(/Width.*12 to 400/);
    expect(wrong({ b: { params: { nothing: 1 } } })).to.include('nothing');
    expect(
      wrong({
        h: {
          stack: [
            { foamId: 'dense-eva', nominalMm: 4 },
            { foamId: 'dense-eva', nominalMm: 4 },
          ],
        },
      }),
    ).to.include('one sheet');
    expect(wrong({ gone: { leftOut: true } })).to.equal('');
  });
});
