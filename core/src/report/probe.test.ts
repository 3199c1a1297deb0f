import { expect } from 'chai';
import type { BuildDoc, Feature } from '../document';
import { type Context, formMenu, formsAt, newBuild, newPart, standardKinds } from '../parts';
import { sheetOf } from '../parts/context';
import { resolveBody } from '../body';
import { catalogue, startHabits } from '../materials';
import { planPages } from '../pattern';
import { checkDoc } from '../files/schema';
import { sourcedPieces } from '../pattern';
import { fontFile } from '../files/testing/font';
import { exportOf, makeExport } from '../files/exports';
import { createDeriver } from './derive';
import type { Report } from './report';
import { armlet, dot, hoop, withProbes } from './testing/probe';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };

const dotted = (panel: string, id: string): Feature => ({
  id,
  kind: dot.kind,
  ...dot.start({ panel, edge: 'bottom', at: { x: 0.4, y: 0.5 } }),
});
const start = (kind: string, id: string, panel: string): Feature => ({
  id,
  kind,
  ...withProbes.features.get(kind)!.start({ panel, edge: 'bottom', at: { x: 0.5, y: 0.5 } }),
});

const worn = {
  ...newPart('armlet-1', wearer, 'armlet', withProbes),
  stack: [{ foamId: 'dense-eva', nominalMm: 6 }],
  lining: { foamId: 'light-eva', nominalMm: 2 },
  features: [
    dotted('ring', 'dot-1'),
    dotted('ring', 'dot-2'),
    start('trim', 'trim-1', 'ring'),
    {
      ...start('lamps', 'lamps-1', 'ring'),
      place: { on: 'panel' as const, panel: 'ring', u: 0.5, v: 0.2, turnDeg: 0 },
      params: {
        count: 3,
        layout: 'line',
        rows: 2,
        colour: 'amber',
        body: '5mm',
        pitchMm: 15,
        shows: 'hole',
        awayMm: 5,
      },
    },
    start('pack', 'pack-1', 'ring'),
    start('switch', 'switch-1', 'ring'),
  ],
};
const standing = { ...newPart('hoop-1', wearer, 'hoop', withProbes), features: [dotted('hoop', 'dot-3')] };
const doc: BuildDoc = {
  ...newBuild('Probe', '2026-03-01', wearer),
  parts: [worn, standing],
  circuits: [
    {
      id: 'light',
      name: 'Light',
      source: 'pack-1',
      switch: 'switch-1',
      loads: [{ feature: 'lamps-1', currentMa: 15 }],
    },
  ],
};

describe('a form and a feature that were only just added', () => {
  let report: Report;
  before(() => {
    const checked = checkDoc(doc, withProbes);
    if (!checked.ok) throw new Error(`${checked.field} ${checked.message}`);
    report = createDeriver({ kinds: withProbes })(checked.value);
  });

  it('are unknown where they are not in the registry', () => {
    expect(checkDoc(doc, standardKinds).ok).to.equal(false);
  });

  it('are in the menus, at their own place', () => {
    const menu = formMenu(withProbes);
    const group = (kind: string): string | undefined =>
      menu.find((g) => g.forms.some((f) => f.kind === kind))?.group;
    expect([group('armlet'), group('hoop')]).to.deep.equal(['Arm', 'By itself']);
    expect(formsAt(withProbes, ['upperArm'])).to.include(armlet);
    expect(formsAt(withProbes, ['upperArm'])).to.not.include(hoop);
    expect(worn.mount).to.deep.equal({ to: 'wearer', zone: 'upperArm', side: 'pair' });
    expect(standing.mount).to.deep.equal({ to: 'stand' });
  });

  it('have a solid, pieces in the right foam, holes, marks, a lining and trim', () => {
    const [ring, stand] = report.parts as [Report['parts'][number], Report['parts'][number]];
    expect(ring.solid.mesh.triangles.length).to.be.greaterThan(100);
    expect(ring.extras.triangles.length, 'trim on the solid').to.be.greaterThan(0);
    const roles = (p: typeof ring): string[] => [...new Set(p.pieces.map((q) => q.role))];
    expect(roles(ring)).to.deep.equal(['shell', 'lining', 'laid']);
    const shell = ring.pieces[0]!;
    // A tube of D in foam t is π(D + 2kt) long.
    const girth = resolveBody([]).upperArmGirth.valueMm;
    expect(shell.edges[0]!.lengthMm).to.be.within(girth * 0.8, girth * 1.4);
    expect(shell.edges[0]!.lengthMm).to.be.closeTo(shell.edges[2]!.lengthMm, 0.01);
    expect(shell.marks.filter((m) => m.text === 'engraved dot')).to.have.length(2);
    expect(shell.holes.filter((h) => h.kind === 'lamp')).to.have.length(3);
    expect(shell.quantity).to.equal(2);
    expect(stand.pieces[0]!.edges[0]!.lengthMm).to.be.closeTo(Math.PI * (180 + 6), 0.6);
    expect(stand.wear, 'nobody wears it').to.equal(undefined);
    expect(ring.wear!.leastGapMm).to.be.greaterThan(0);
    expect(ring.drawn.filter((d) => d.kind === 'score')).to.have.length(2);
  });

  it('are on pages, on sheets and in the files', async () => {
    const windows = planPages(sourcedPieces(report), doc.cut);
    for (const p of report.parts.flatMap((part) => part.pieces))
      expect(
        windows.some((w) => w.placed.some((l) => l.item.piece === p)),
        p.name,
      ).to.equal(true);
    const laid = report.packed.sheets.flatMap((s) => s.laid);
    const copies = report.parts.reduce((sum, p) => sum + p.pieces.reduce((n, q) => n + q.quantity, 0), 0);
    expect(laid).to.have.length(copies);
    expect(
      await makeExport(exportOf('cut-list.csv'), {
        doc,
        report,
        stamp: new Date(0),
        font: fontFile,
        unit: 'mm',
      }),
    )
      .to.include('Armlet')
      .and.to.include('Hoop');
  });

  it('have a thickness trial, a mass, a price, steps, a circuit and findings', () => {
    const [ring] = report.parts as [Report['parts'][number]];
    expect(ring.trial.map((t) => t.nominalMm)).to.include.members([4, 6, 10]);
    expect(ring.trial.filter((t) => t.recommended)).to.have.length(1);
    expect(ring.totalG).to.be.greaterThan(ring.foamG);
    expect(report.cost.find((c) => c.what === 'ball burr')!.need).to.equal(5);
    const step = report.steps.find((s) => s.id === 'armlet-1:dots')!;
    expect(step.title).to.match(/engrave 4 dots/i);
    expect(step.cautions).to.deep.equal(['dust']);
    expect(report.circuits[0]!.run!.hours).to.be.greaterThan(5);
    const tight = createDeriver({ kinds: withProbes })({
      ...doc,
      parts: [{ ...worn, features: [dotted('gone', 'dot-1')] }],
      circuits: [],
    });
    expect(tight.findings.map((f) => f.title).join()).to.include('carried a dot is gone');
  });

  it('offer remedies out of their own fields', () => {
    const context: Context = {
      body: resolveBody([]),
      underLayerMm: 3,
      catalogue,
      stock: [],
      habits: startHabits,
      finish: 1,
      meshes: [],
      through: [],
      times: 1,
      kinds: withProbes,
    };
    expect(sheetOf(context)(worn.stack[0]!).sold).to.equal(true);
    // Far too low on the arm for its size: the room field gives more room.
    const pressed = createDeriver({ kinds: withProbes })({
      ...doc,
      circuits: [],
      parts: [
        {
          ...worn,
          lining: null,
          features: [],
          params: { ...worn.params, roomMm: 2, atMm: 240, heightMm: 20 },
        },
      ],
    });
    const found = pressed.findings.find((f) => f.id.startsWith('presses'));
    if (found) expect(found.remedies.map((r) => r.label).join()).to.match(/Room/);
  });
});
