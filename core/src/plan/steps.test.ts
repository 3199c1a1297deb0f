import { expect } from 'chai';
import { createDeriver } from '../report';
import { reportOf } from '../report/testing/reportOf';
import { pagesNeeded, printedPieces } from '../pattern';
import { applyChanges, type BuildDoc } from '../document';
import { demo } from '../files/testing/demo';
import { cautions, coatings, glues, type Habits } from '../materials';
import { newBuild, newPart, standardKinds, startLights } from '../parts';
import { stepTime } from './steps';

const calm = demo('lampwarden-bracers');
const habit = <K extends keyof Habits>(key: K, value: Habits[K]): BuildDoc =>
  applyChanges(calm, [{ path: ['make', 'habits', key], value }]);
const part = (key: string, value: unknown): BuildDoc =>
  applyChanges(calm, [{ path: ['parts', 0, 'params', key], value }]);
const ids = (doc: BuildDoc): string[] => reportOf(doc).steps.map((s) => s.id.replace('bracer-1:', ''));
const minutes = (doc: BuildDoc, id: string): number =>
  reportOf(doc).steps.find((s) => s.id.endsWith(id))!.workMin;

describe('what layers close over', () => {
  const wearer = { name: 'T', underLayerMm: 2, measures: [] };
  const bare = newPart('pistol', wearer, 'prop-body');
  const dark: BuildDoc = { ...newBuild('One', '2026-03-01', wearer), parts: [bare] };
  const { features, circuit } = startLights(bare, reportOf(dark).parts[0]!, standardKinds, (base) => base)!;
  const lit = (layer: number): BuildDoc => ({
    ...dark,
    parts: [
      {
        ...bare,
        features: features.map((f) =>
          f.kind === 'switch' && f.place.on === 'panel'
            ? { ...f, place: { ...f.place, panel: `body-${layer}`, u: 0.6, v: 0.75 } }
            : f,
        ),
      },
    ],
    circuits: [circuit],
  });
  const before = (doc: BuildDoc, first: string, then: string): boolean => {
    const all = reportOf(doc).steps.map((s) => s.id);
    return all.includes(`pistol:${first}`) && all.indexOf(`pistol:${first}`) < all.indexOf(`pistol:${then}`);
  };

  it('is soldered, tested and laid in before they are glued, and every step waits for those it needs', () => {
    const doc = lit(2);
    for (const step of ['round', 'solder', 'test1', 'inside', 'inlay', 'test-in'])
      expect(before(doc, step, 'layers'), step).to.equal(true);
    const { steps } = reportOf(doc);
    expect(steps.find((s) => s.id === 'pistol:layers')!.after).to.deep.equal(['pistol:test-in']);
    const at = new Map(steps.map((s, i) => [s.id, i]));
    for (const step of steps)
      for (const needed of step.after)
        expect(at.get(needed), `${step.id} after ${needed}`).to.be.lessThan(at.get(step.id)!);
  });

  it('is nothing where all lies in the outer layers: gluing and heat come before the lamps, as in the trade', () => {
    const doc = lit(4);
    expect(before(doc, 'layers', 'test1')).to.equal(true);
    expect(reportOf(doc).steps.some((s) => s.id === 'pistol:inlay')).to.equal(false);
  });
});

describe('paper on the body', () => {
  it('comes before any foam of what is worn is traced, and is not asked for what is carried', () => {
    const { steps, parts } = reportOf(demo('lampwarden-harness'));
    for (const p of parts)
      expect(steps.find((s) => s.id === `${p.id}:trace`)!.after, p.name).to.deep.equal(['mock-up']);
    expect(steps.find((s) => s.id === 'mock-up')!.after).to.deep.equal(['print']);
    const arms = reportOf(demo('lampwarden-arms')).steps;
    expect(arms.some((s) => s.id === 'mock-up')).to.equal(false);
    expect(arms.filter((s) => s.kind === 'trace').every((s) => s.after.includes('print'))).to.equal(true);
  });
});

describe('a finish', () => {
  const finished = (finish: object) => {
    const doc = applyChanges(calm, [{ path: ['parts', 0, 'finish'], value: finish }]);
    const { steps, cost, parts } = reportOf(doc);
    return {
      kinds: steps
        .filter((s) => s.kind === 'coat' || s.kind === 'paint')
        .map((s) => s.id.replace('bracer-1:', '')),
      cost,
      steps,
      massG: parts[0]!.finishG,
    };
  };

  it('is as many coats as it says, in the order they go on, each with its amount', () => {
    const rich = finished({ sealCoats: 2, colours: 3, weathering: 'wash', clearCoats: 2 });
    const coats = ['seal1', 'seal2', 'paint', 'colours', 'weather', 'clear1', 'clear'];
    expect(rich.kinds).to.deep.equal(['mask', ...coats, 'unmask']);
    const bare = finished({ sealCoats: 0, colours: 0, weathering: 'none', clearCoats: 0 });
    expect(bare.kinds).to.deep.equal([]);
    expect(bare.massG).to.be.lessThan(rich.massG);
    // Two coats of 250 ml on each square metre of both copies, as the step says and the cans hold.
    const seal = rich.steps.find((s) => s.id === 'bracer-1:seal1')!;
    expect(rich.steps.find((s) => s.id === 'bracer-1:mask')!.detail).to.match(/^lamps, switch, battery door/);
    const ml = Number(/About (\d+) ml/.exec(seal.detail)![1]);
    const cans = rich.cost.find((l) => l.what === 'spray-on rubber coating')!;
    expect(cans.need).to.equal(Math.ceil((2 * ml) / 400));
    expect(bare.cost.some((l) => l.what.includes('paint') || l.what.includes('coat'))).to.equal(false);
  });

  it('cures before it is worn, longer than before it is handled', () => {
    const { steps } = reportOf(calm);
    const wear = steps.find((s) => s.id === 'wear')!;
    const clear = steps.find((s) => s.id === 'bracer-1:clear')!;
    expect(wear.after).to.include(clear.id);
    expect(wear.lags![clear.id]! + clear.waitMin).to.equal(1440);
    const { slots } = reportOf(calm).schedule;
    const at = (id: string) => slots.find((s) => s.stepId === id)!;
    expect(at('wear').startMin - at(clear.id).endMin).to.be.at.least(1440);
  });
});

describe('steps', () => {
  it('begin with a printed bar and end with the log', () => {
    const all = ids(calm);
    expect(all[0]).to.equal('print');
    expect(all.slice(-2)).to.deep.equal(['wear', 'log']);
  });

  it('print for as long as the pages take: as many as are printed', () => {
    const harness = demo('lampwarden-harness');
    const report = reportOf(harness);
    const [print] = report.steps;
    const pages = Number(/^(\d+) pages of A4/.exec(print!.detail)![1]);
    expect(pages).to.equal(pagesNeeded(printedPieces(report), harness.cut));
    expect(print!.workMin).to.be.at.least(pages);
  });

  it('say about how many pages in a first answer, and within three fifths of what is printed', () => {
    for (const name of ['lampwarden-harness', 'lampwarden-arms', 'lampwarden-bracers'] as const) {
      const doc = demo(name);
      const derived = createDeriver();
      const pages = (coarse: boolean): RegExpExecArray =>
        /^(About )?(\d+) pages of A4/.exec(
          derived(doc, coarse ? { coarse, goOn: () => false } : {}).steps[0]!.detail,
        )!;
      const [, about, reckoned] = pages(true);
      const [, sure, planned] = pages(false);
      expect([about, sure]).to.deep.equal(['About ', undefined]);
      expect(Number(reckoned) / Number(planned), name).to.be.within(0.6, 1.6);
      // From then on a first answer keeps what was planned.
      expect(pages(true)[2]).to.equal(planned);
    }
  });

  it('follow the order of the trade (common practice, no source)', () => {
    const all = ids(calm);
    const order = [
      'print',
      'trace',
      'cut',
      'form',
      'round',
      'drill',
      'fit',
      'test2',
      'lining',
      'test3',
      'seal1',
      'paint',
      'clear',
      'strap',
      'wear',
    ];
    const places = order.map((id) => all.indexOf(id));
    expect(places.every((p) => p >= 0)).to.equal(true);
    expect([...places].sort((a, b) => a - b)).to.deep.equal(places);
  });

  it('are few for a dark bracer without lining', () => {
    const dark = applyChanges(calm, [
      { path: ['parts', 0, 'features'], value: [] },
      { path: ['circuits'], value: [] },
      { path: ['parts', 0, 'lining'], value: null },
    ]);
    for (const id of ['drill', 'solder', 'test1', 'fit', 'lining']) expect(ids(dark)).not.to.include(id);
  });

  it('groove only what bends too sharply, and not for who folds by heat alone', () => {
    expect(ids(calm)).not.to.include('groove');
    const sharp = applyChanges(part('easeMm', 0), [
      { path: ['parts', 0, 'stack', 0, 'nominalMm'], value: 10 },
      { path: ['parts', 0, 'params', 'paddingMm'], value: 0 },
      { path: ['parts', 0, 'lining'], value: null },
    ]);
    expect(ids(sharp)).to.include('groove');
    expect(
      ids(applyChanges(sharp, [{ path: ['make', 'habits', 'fold'], value: 'heat-and-fold' }])),
    ).not.to.include('groove');
  });

  it('glue seams only where there are some', () => {
    expect(ids(calm)).not.to.include('seam');
    expect(ids(part('panels', 2))).to.include('seam');
    expect(ids(part('closure', 'none'))).to.include('seam');
  });

  it('have as many coats as the sealing habit', () => {
    for (const seal of ['spray-rubber', 'brush-on', 'acrylic', 'latex', 'thermoplastic'] as const) {
      expect(ids(habit('seal', seal)).filter((id) => id.startsWith('seal')).length, seal).to.equal(
        coatings[seal].coats,
      );
    }
  });

  it('take the time of the cutter and the glue', () => {
    expect(minutes(habit('cutter', 'band-saw'), ':cut')).to.be.lessThan(minutes(calm, ':cut'));
    const lining = reportOf(habit('glue', 'hot')).steps.find((s) => s.id.endsWith(':lining'))!;
    expect(lining.waitMin).to.equal(glues.hot.cureMin);
    expect(lining.cautions).to.deep.equal(['hotGlue']);
  });

  it('carry their caution: blades, heat, fumes, solder, cells, paint', () => {
    const { steps } = reportOf(calm);
    const of = (id: string): string[] => steps.find((s) => s.id.endsWith(id))!.cautions;
    expect(of(':cut')).to.include('blade');
    expect(of(':form')).to.include('heat');
    expect(of(':lining')).to.include('solvent');
    expect(of(':solder')).to.include('solder');
    expect(of(':test1')).to.include('cells');
    expect(of(':seal1')).to.include('paint');
    expect(of('wear')).to.include('wear');
    expect(
      reportOf(habit('cutter', 'laser')).steps.find((s) => s.id.endsWith(':cut'))!.cautions,
    ).to.deep.equal(['laser']);
  });

  it('never cut PVC by laser, and keep minors with an adult', () => {
    expect(cautions.laser).to.include('Never cut PVC');
    expect(cautions.blade).to.include('adult');
    expect(cautions.heat).to.include('adult');
    for (const text of Object.values(cautions)) expect(text.length).to.be.greaterThan(30);
  });

  it('print their time with what is waited for', () => {
    const { steps } = reportOf(calm);
    expect(stepTime(steps.find((s) => s.id.endsWith(':form'))!)).to.match(/min, then 15 min foam cool$/);
    expect(stepTime(steps[0]!)).to.equal('13 min');
  });
});

describe('shopping', () => {
  const cost = (doc: BuildDoc, what: string): { need: number; total: number } | undefined =>
    reportOf(doc).cost.find((l) => l.what.includes(what));

  it('buys what is not in stock', () => {
    expect(cost(calm, '6 mm dense EVA')).to.include({ need: 1, total: 0 });
    const bare = applyChanges(calm, [{ path: ['stock'], value: [] }]);
    expect(cost(bare, '6 mm dense EVA')!.total).to.equal(14);
  });

  it('takes the maker’s own price', () => {
    const priced = applyChanges(calm, [
      { path: ['stock'], value: [{ foamId: 'dense-eva', nominalMm: 6, sheets: 0, pricePerSheet: 9.5 }] },
    ]);
    expect(cost(priced, '6 mm dense EVA')!.total).to.equal(9.5);
  });

  it('buys lamps, packs and resistors for both arms of a pair', () => {
    expect(cost(calm, 'amber LED')!.need).to.equal(6);
    expect(cost(calm, '3 × AAA')!.need).to.equal(2);
    expect(cost(calm, 'resistors')!.need).to.equal(6);
    const one = applyChanges(calm, [{ path: ['parts', 0, 'mount', 'side'], value: 'left' }]);
    expect(cost(one, 'amber LED')!.need).to.equal(3);
  });

  it('buys the closure that is worn, none for a closed tube', () => {
    // Whole tenths of a metre, for both arms, of just the straps that are reported.
    const metres = reportOf(calm).fitting.straps.reduce(
      (sum, st) => sum + (st.lengthMm * st.count) / 1000,
      0,
    );
    expect(cost(calm, 'hook-and-loop')!.need).to.be.within(metres, metres + 0.1);
    expect(metres).to.be.within(0.3, 1.2);
    expect(cost(part('closure', 'none'), 'hook-and-loop')).to.equal(undefined);
    expect(cost(part('closure', 'lacing'), 'eyelets and lace: fittings')!.need).to.equal(2);
  });
});
