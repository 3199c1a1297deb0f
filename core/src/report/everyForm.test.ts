import { expect } from 'chai';
import { resolveBody } from '../body';
import type { BuildDoc, Feature, Part } from '../document';
import { checkDoc } from '../files/schema';
import { type ClosureKind, closures } from '../materials';
import { drawnPieces, makePart, newBuild, newPart, partReport, standardKinds, startLights } from '../parts';
import { contextOf } from '../parts/testing/worn.test';
import { derive } from './derive';
import { startLightsIn } from './startLightsIn';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
const { forms, features } = standardKinds;

const closuresOf = (kind: string): (string | undefined)[] => {
  const field = forms.get(kind)!.fields.find((f) => f.key === 'closure');
  return field?.type === 'choice' ? field.choices.map((c) => String(c.value)) : [undefined];
};

/** A build of one part, lit, with a closure of its own; checked as any file is. */
function lit(kind: string, closure: string | undefined, lined: boolean): BuildDoc {
  const plain = newPart(`${kind}-1`, wearer, kind);
  const part: Part = {
    ...plain,
    params: { ...plain.params, ...(closure !== undefined && { closure }) },
    lining: lined ? { foamId: 'dense-eva', nominalMm: 2 } : null,
  };
  const dark: BuildDoc = { ...newBuild('One', '2026-03-01', wearer), parts: [part] };
  const begun = startLights(
    part,
    partReport(part, contextOf({ underLayerMm: 3 }), true),
    standardKinds,
    (base) => base,
  )!;
  // A form may be too small for what every other takes: there it is fitted.
  const laid = makePart({ ...part, features: begun.features }, contextOf({ underLayerMm: 3 }), {
    coarse: true,
  });
  const fits = laid.featured.items.filter((i) => i.lamp).length === 3;
  const fitted = fits ? undefined : startLightsIn(dark, part.id, (base) => base);
  const lights = fitted?.ok ? fitted.value : begun;
  const params = fitted?.ok ? fitted.value.params : part.params;
  const doc = {
    ...dark,
    parts: [{ ...part, params, features: lights.features }],
    circuits: [lights.circuit],
  };
  const checked = checkDoc(doc);
  if (!checked.ok) throw new Error(`${kind}: ${checked.field} ${checked.message}`);
  return checked.value;
}

describe('every form', function () {
  this.timeout(120_000);
  const sheeted = [...forms.values()].filter((f) => f.sheets !== 'none').map((f) => f.kind);
  for (const kind of sheeted) {
    it(`${kind}: in every closure, lined and not, is lit and fastened as it says`, () => {
      for (const closure of closuresOf(kind)) {
        // What is held is not lined; a lining does not ask how a shell is shut.
        const { zones, sheets } = forms.get(kind)!;
        const lines = zones.length > 0 && sheets === 'one' && closure === closuresOf(kind)[0];
        for (const lined of lines ? [false, true] : [false]) {
          const what = `${kind}, ${closure ?? 'no closure'}, ${lined ? 'lined' : 'bare'}`;
          const doc = lit(kind, closure, lined);
          const report = derive(doc, { untried: true });
          const [part] = report.parts;
          const lamps = part!.items.filter((i) => i.lamp);
          expect(lamps.length, what).to.be.within(1, 3);
          expect(
            drawnPieces(part!)
              .flatMap((p) => p.holes)
              .filter((h) => h.kind === 'lamp').length,
            what,
          ).to.be.at.most(3);
          expect(report.circuits[0]!.run!.hours, what).to.be.within(1, 300);
          expect(report.circuits[0]!.missing, what).to.deep.equal([]);
          const joints = new Set(
            part!.pieces.filter((p) => p.role === 'shell').flatMap((p) => p.edges.map((e) => e.joint)),
          );
          if (closure === 'none') expect(joints.has('closure'), what).to.equal(false);
          if (closure !== undefined && closure !== 'none') {
            // What is bought is what it is shut with, and nothing else.
            const stuff = closures[closure as ClosureKind].stuff;
            expect(
              report.cost.some((c) => c.what === stuff),
              what,
            ).to.equal(true);
            const kinds = new Set(
              part!.fastenings.filter((f) => f.where.includes('gap')).map((f) => f.closure),
            );
            for (const k of kinds) expect(k, what).to.equal(closure);
          }
          // Flat layers are not lined.
          const covered =
            lined && part!.surfaces.some((s) => part!.rooms.some((r) => r.id === `gap:${s.pieceId}`));
          if (forms.get(kind)!.zones.length > 0 && forms.get(kind)!.sheets === 'one')
            expect(
              part!.pieces.some((p) => p.role === 'lining'),
              what,
            ).to.equal(covered);
          if (lined && part!.pieces.some((p) => p.role === 'lining'))
            expect(
              report.steps.some((s) => s.id.endsWith(':lining')),
              what,
            ).to.equal(true);
          expect(
            report.steps.some((s) => s.id.includes(':solder')),
            what,
          ).to.equal(true);
          for (const p of part!.pieces) {
            expect(
              p.outline.every((v) => Number.isFinite(v.x + v.y)),
              `${what}: ${p.name}`,
            ).to.equal(true);
            // The part's own sheets; diffusers are of white polyethylene foam.
            const sheets = p.role === 'lining' ? ['dense-eva'] : doc.parts[0]!.stack.map((s) => s.foamId);
            expect([...sheets, 'pe-white'], `${what}: ${p.name}`).to.include(p.foamId);
          }
        }
      }
    });

    it(`${kind}: takes every feature`, () => {
      const part = newPart(`${kind}-1`, wearer, kind);
      const base = { ...newBuild('One', '2026-03-01', wearer), parts: [part] };
      const context = contextOf({ body: resolveBody([]), underLayerMm: wearer.underLayerMm });
      const shell = drawnPieces(partReport(part, context, true)).filter((p) => p.role === 'shell');
      const main = shell.reduce((a, b) => (b.areaMm2 > a.areaMm2 ? b : a));
      const all = [...features.values()].map((f): Feature => ({
        id: `f-${f.kind}`,
        kind: f.kind,
        ...f.start({ panel: main.id, edge: main.edges[0]!.id, at: { x: 0.5, y: 0.5 } }),
      }));
      const checked = checkDoc({ ...base, parts: [{ ...part, features: all }] });
      if (!checked.ok) throw new Error(`${kind}: ${checked.field} ${checked.message}`);
      const { lays, laid } = makePart(checked.value.parts[0]!, context, { coarse: true });
      // A flat piece is parted in two by one of them, which lays nothing; what lies on it is on one or the other.
      const halves = laid.filter((l) => l.panel.id === main.id || l.panel.id.startsWith(`${main.id}-`));
      for (const f of all) {
        const left =
          Object.values(lays.get(f.id) ?? {}).some((own) => (own as unknown[]).length > 0) ||
          (features.get(f.kind)!.divide !== undefined && halves.length > 1);
        expect(left, `${kind}: ${f.kind} leaves something or says why not`).to.equal(true);
      }
    });
  }

  it('gives way to no trouble when the wearer is a child or tall', () => {
    for (const valueMm of [1050, 2000]) {
      const who = {
        ...wearer,
        measures: [{ key: 'stature' as const, valueMm, source: 'tape' as const, takenOn: '2026-03-01' }],
      };
      const doc = {
        ...newBuild('All', '2026-03-01', who),
        parts: [...forms.keys()].map((kind) => newPart(`${kind}-1`, who, kind)),
      };
      const report = derive(doc, { untried: true });
      expect(report.parts.map((p) => p.totalG).every((g) => g > 1 && g < 5000)).to.equal(true);
      expect(resolveBody(who.measures).stature.valueMm).to.equal(valueMm);
    }
  });
});
