import { expect } from 'chai';
import { applyChanges, type BuildDoc } from '../document';
import { newBuild, newPart, standardKinds } from '../parts';
import { createDeriver } from './derive';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };

describe('a coarse answer after a full one', function () {
  this.timeout(180_000);
  for (const form of [...standardKinds.forms.values()].filter(
    (f) => f.zones.length > 0 && f.sheets === 'one',
  ))
    it(`${form.kind}: stands when pieces come and go, in foam that sags`, () => {
      const part = { ...newPart('p', wearer, form.kind), stack: [{ foamId: 'light-eva', nominalMm: 2 }] };
      const doc: BuildDoc = { ...newBuild('One', '2026-03-01', wearer), parts: [part] };
      const deriver = createDeriver();
      deriver(doc);
      for (const field of form.fields)
        for (const value of field.type === 'count'
          ? field.range
          : field.type === 'choice'
            ? field.choices.map((c) => c.value)
            : []) {
          const changed = applyChanges(doc, [{ path: ['parts', 0, 'params', field.key], value }]);
          const rough = deriver(changed, { coarse: true, goOn: () => false }).parts[0]!;
          const known = new Set(rough.pieces.map((p) => p.id));
          for (const check of rough.checks)
            if (check.pieceId !== undefined)
              expect(known.has(check.pieceId), `${field.key} ${value}: ${check.id}`).to.equal(true);
          deriver(doc, { coarse: true, goOn: () => false });
        }
    });
});
