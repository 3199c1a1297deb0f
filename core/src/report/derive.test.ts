import { expect } from 'chai';
import { applyChanges, type BuildDoc, type BuildFile, schemaVersion, share } from '../document';
import { createDeriver, derive } from './derive';
import { readBuildFile, writeBuildFile } from '../files/buildFile';
import { demo } from '../files/testing/demo';
import type { Finding } from '../document';
import { closures } from '../materials';

const calm = demo('lampwarden-bracers');
const troubled = demo('lampwarden-bracers-troubled');
const change = (doc: BuildDoc, path: (string | number)[], value: unknown): BuildDoc =>
  applyChanges(doc, [{ path, value }]);
const param = (doc: BuildDoc, key: string, value: unknown): BuildDoc =>
  change(doc, ['parts', 0, 'params', key], value);
const find = (doc: BuildDoc, rule: string): Finding | undefined =>
  derive(doc).findings.find((f) => f.id.startsWith(rule));

describe('derive', () => {
  it('is deterministic, remembered or not', () => {
    const once = JSON.stringify(derive(calm));
    const deriver = createDeriver();
    deriver(troubled);
    expect(JSON.stringify(deriver(calm))).to.equal(once);
    expect(JSON.stringify(deriver(structuredClone(calm)))).to.equal(once);
  });

  it('works a part out again only when it, the body or the stock changed', () => {
    const deriver = createDeriver();
    const first = deriver(calm).parts[0];
    expect(deriver(change(calm, ['brief', 'budget'], 10)).parts[0]).to.equal(first);
    expect(deriver(param(calm, 'easeMm', 20)).parts[0]).not.to.equal(first);
    expect(deriver(change(calm, ['wearer', 'underLayerMm'], 4)).parts[0]).not.to.equal(first);
  });

  it('takes what the shop has read of its own work into mass and time', () => {
    const reading = { id: 'r1', takenOn: '2026-03-01', of: 'a bracer' };
    const read = change(
      calm,
      ['make', 'readings'],
      [
        { ...reading, quantity: 'finishMass', planned: 40, actual: 60 },
        { ...reading, id: 'r2', quantity: 'handWork', planned: 4, actual: 8 },
      ],
    );
    const deriver = createDeriver();
    const [before, after] = [deriver(calm), deriver(read)];
    const { finishMass, handWork } = after.constants;
    expect(finishMass.factor).to.be.within(1.2, 1.5);
    const grown = after.parts[0]!.finishG / before.parts[0]!.finishG;
    expect(grown).to.be.closeTo(finishMass.factor, 1e-9);
    expect(after.parts[0]!.totalG - before.parts[0]!.totalG).to.be.closeTo(
      before.parts[0]!.finishG * (grown - 1),
      1e-6,
    );
    const minutes = (r: typeof after): number => r.steps.reduce((sum, s) => sum + s.workMin, 0);
    expect(minutes(after) / minutes(before)).to.be.closeTo(handWork.factor, 0.05);
    const file: BuildFile = { fomrik: 2, build: read, pins: [], log: [] };
    const back = readBuildFile(writeBuildFile(file));
    expect(back.ok && back.value.build.make.readings).to.have.length(2);
    const wrong = structuredClone(file);
    wrong.build.make.readings![0]!.actual = -1;
    const refused = readBuildFile(writeBuildFile(wrong));
    expect(!refused.ok && refused.message).to.match(/greater than 0/);
  });

  it('gives identity back to a document that was copied', () => {
    const copy = structuredClone(param(calm, 'easeMm', 20));
    const shared = share(calm, copy);
    expect(shared).to.deep.equal(copy);
    expect(shared.wearer).to.equal(calm.wearer);
    expect(shared.parts[0]).not.to.equal(calm.parts[0]);
    expect(share(calm, structuredClone(calm))).to.equal(calm);
  });

  it('cuts a pair as two copies, one flipped', () => {
    const shell = derive(calm).parts[0]!.pieces[0]!;
    expect([shell.quantity, shell.flipped]).to.deep.equal([2, 1]);
    // Forms are made on the wearer's right.
    for (const [side, flipped] of [
      ['left', 1],
      ['right', 0],
    ] as const) {
      const single = derive(change(calm, ['parts', 0, 'mount', 'side'], side)).parts[0]!.pieces[0]!;
      expect([single.quantity, single.flipped]).to.deep.equal([1, flipped]);
    }
  });

  it('weighs what its foam, lamps, pack and straps weigh', () => {
    const { parts, totals, fitting, circuits } = derive(calm);
    const made = parts[0]!;
    // The pack's pocket, a rectangle through all but 2 mm of the 6, is not there any more.
    const [a, b, c] = made.pieces[0]!.marks.find((m) => m.kind === 'pocket')!.points;
    const pocketMm3 = Math.hypot(b!.x - a!.x, b!.y - a!.y) * Math.hypot(c!.x - b!.x, c!.y - b!.y) * 4;
    const shellG = (made.pieces[0]!.areaMm2 * 6 - pocketMm3) * 100e-6;
    const liningG = made.pieces[1]!.areaMm2 * 2 * 100e-6;
    expect(made.foamG).to.be.closeTo(shellG + liningG, 1e-6);
    const itemsG = made.items.reduce((sum, i) => sum + i.massG, 0);
    const boughtG = made.bought.reduce((sum, b) => sum + b.massG, 0);
    const strapsG = fitting.straps.reduce(
      (sum, s) =>
        sum + s.count * ((s.lengthMm / 1000) * closures[s.closure].perMG + closures[s.closure].eachG),
      0,
    );
    expect(itemsG).to.be.within(40, 80);
    expect(strapsG).to.be.within(8, 60);
    expect(totals.massG).to.be.closeTo(
      2 * (made.foamG + made.finishG + itemsG + boughtG + circuits[0]!.wireG) + strapsG,
      1e-6,
    );
  });

  it('carries a change of wrist through to the flat piece, the sheets and the clock', () => {
    const index = calm.wearer.measures.findIndex((m) => m.key === 'wristGirth' && m.valueMm === 164);
    const wider = derive(change(calm, ['wearer', 'measures', index, 'valueMm'], 174)).parts[0]!.pieces[0]!;
    const before = derive(calm).parts[0]!.pieces[0]!;
    const cuff = (p: typeof before): number => p.edges.find((e) => e.id === 'bottom')!.lengthMm;
    expect(cuff(wider) - cuff(before)).to.be.within(8, 11);
  });

  it('cuts a left bracer to the left arm, and a pair to the larger with a word about it', () => {
    const sided = change(
      calm,
      ['wearer', 'measures'],
      [
        ...calm.wearer.measures,
        { key: 'wristGirth', valueMm: 180, source: 'tape', takenOn: '2026-10-12', side: 'left' },
      ],
    );
    const girth = (sides: string): number =>
      derive(change(sided, ['parts', 0, 'mount', 'side'], sides)).parts[0]!.pieces[0]!.edges[0]!.lengthMm;
    expect(girth('left')).to.be.greaterThan(girth('right') + 10);
    expect(girth('pair')).to.be.closeTo(girth('left'), 1e-9);
    expect(find(sided, 'sides')!.title).to.include('16 mm in wrist girth');
    expect(find(calm, 'sides')).to.equal(undefined);
  });

  it('tries every thickness sold, one recommended, one chosen', () => {
    const { trial } = derive(calm).parts[0]!;
    expect(trial.map((t) => t.nominalMm)).to.deep.equal([2, 4, 5, 6, 8, 10]);
    expect(trial.filter((t) => t.recommended)).to.have.length(1);
    expect(trial.find((t) => t.chosen)!.nominalMm).to.equal(6);
    for (let i = 1; i < trial.length; i++) {
      expect(trial[i]!.massG).to.be.greaterThan(trial[i - 1]!.massG);
      expect(trial[i]!.girthMm).to.be.greaterThan(trial[i - 1]!.girthMm);
      expect(trial[i]!.openingMm!).to.be.at.most(trial[i - 1]!.openingMm!);
    }
  });

  it('orders gates before what they hold back', () => {
    const { steps, schedule } = derive(calm);
    const start = (id: string): number => schedule.slots.find((s) => s.stepId === `bracer-1:${id}`)!.startMin;
    expect(start('form')).to.be.lessThan(start('fit'));
    expect(start('test1')).to.be.lessThan(start('fit'));
    expect(start('test2')).to.be.lessThan(start('lining'));
    const seen = new Set<string>();
    for (const step of steps) {
      for (const id of step.after) expect(seen.has(id), `${step.id} after ${id}`).to.equal(true);
      seen.add(step.id);
    }
  });
});

describe('findings', () => {
  it('leaves the calm build without a stop', () => {
    expect(derive(calm).findings.filter((f) => f.severity === 'stop')).to.deep.equal([]);
  });

  it('finds at least twelve different things wrong with the troubled one', () => {
    const rules = new Set(derive(troubled).findings.map((f) => f.id.split(':')[0]));
    expect([...rules]).to.have.length.of.at.least(12);
  });

  const feature = (i: number, ...path: (string | number)[]): (string | number)[] => [
    'parts',
    0,
    'features',
    i,
    ...path,
  ];
  const [lamps, pack, toggle] = [0, 1, 2];
  const packed = (packId: string): BuildDoc => change(calm, feature(pack, 'params', 'packId'), packId);
  const cases: [string, BuildDoc][] = [
    ['pass', param(param(calm, 'closure', 'none'), 'paddingMm', 0)],
    ['bulge', param(calm, 'endMm', 235)],
    ['moves-elbow', param(param(calm, 'endMm', 235), 'elbowCutMm', 0)],
    ['gap', param(calm, 'gapMm', 2)],
    ['long', param(calm, 'endMm', 260)],
    ['pack-room', param(calm, 'paddingMm', 0)],
    [
      'pack-bone',
      change(calm, feature(pack, 'place'), { on: 'panel', panel: 'a', u: 0.27, v: 0.1, turnDeg: 0 }),
    ],
    ['lamp-current', change(calm, ['circuits', 0, 'loads', 0, 'currentMa'], 30)],
    ['lamp-edge', change(calm, feature(lamps, 'place', 'v'), 0.93)],
    ['momentary', change(calm, feature(toggle, 'params', 'switchId'), 'push')],
    ['cell-current', packed('2xcr2032')],
    ['infeasible', change(packed('2xaa'), feature(lamps, 'params', 'colour'), 'blue')],
    ['resistor', change(packed('9v'), feature(lamps, 'params', 'count'), 1)],
    ['burn', change(calm, ['brief', 'lightHours'], 40)],
    ['late', change(calm, ['brief', 'eventDate'], '2026-11-04')],
    ['gap', param(calm, 'gapMm', 70)],
    ['lining', change(calm, ['parts', 0, 'lining'], null)],
    ['printer', change(calm, ['cut', 'barMeasuredMm'], 98)],
    ['thickness', change(calm, ['parts', 0, 'stack', 0, 'nominalMm'], 2)],
    ['doubt', change(calm, ['wearer', 'measures', 3, 'valueMm'], 16.4)],
  ];
  for (const [rule, doc] of cases) {
    it(`${rule}: noticed, said with numbers, and its remedy cures it`, () => {
      const finding = find(doc, rule);
      expect(finding, rule).to.not.equal(undefined);
      expect(find(calm, rule)?.title).to.equal(undefined);
      if (!['momentary', 'lining'].includes(rule)) expect(finding!.title).to.match(/\d/);
      for (const remedy of finding!.remedies.filter((r) => r.changes.length > 0)) {
        const cured = derive(applyChanges(doc, remedy.changes)).findings.find((f) => f.id === finding!.id);
        expect(cured?.title ?? 'cured', `${rule} after “${remedy.label}”`).to.not.equal(finding!.title);
        if (remedy === finding!.remedies[0])
          expect(cured, `${rule} after “${remedy.label}”`).to.equal(undefined);
      }
    });
  }

  it('warns of decisive guesses and of money', () => {
    const guessed = change(
      calm,
      ['wearer', 'measures'],
      calm.wearer.measures.filter((m) => m.key !== 'handGirth'),
    );
    expect(find(guessed, 'estimates')!.title).to.include('hand girth');
    expect(find(change(calm, ['brief', 'budget'], 5), 'budget')!.title).to.include('over the budget of 5');
    expect(find(change(calm, ['brief', 'luggageMm'], 150), 'travel')!.title).to.include('limit is 150 mm');
  });

  it('leads out of trouble: the first cure of each stop, taken in turn, leaves none', () => {
    let doc = troubled;
    const taken: string[] = [];
    for (let i = 0; i < 20; i++) {
      const stop = derive(doc).findings.find((f) => f.severity === 'stop');
      if (!stop) break;
      expect(stop.remedies, stop.title).to.have.length.greaterThan(0);
      taken.push(stop.remedies[0]!.label);
      doc = applyChanges(doc, stop.remedies[0]!.changes);
    }
    expect(taken).to.have.length.within(5, 19);
    expect(derive(doc).findings.filter((f) => f.severity === 'stop')).to.deep.equal([]);
  });

  it('changes nothing off the path of a remedy', () => {
    const after = param(calm, 'easeMm', 33);
    expect(after.parts[0]!.params.easeMm).to.equal(33);
    expect(after.brief).to.equal(calm.brief);
    expect(calm.parts[0]!.params.easeMm).to.equal(16);
  });
});

describe('build files', () => {
  const file: BuildFile = { fomrik: schemaVersion, build: calm, pins: [], log: [] };

  it('round-trip', () => {
    const read = readBuildFile(writeBuildFile(file));
    expect(read.ok && read.value).to.deep.equal(file);
  });

  const refused: [string, unknown, string][] = [
    [
      'an unknown field, with its path',
      { ...file, build: { ...calm, brief: { ...calm.brief, colour: 'red' } } },
      'build.brief.colour',
    ],
    ['a value out of range, with the range', { ...file, build: param(calm, 'easeMm', 500) }, '60'],
    ['text where a number belongs', { ...file, build: param(calm, 'easeMm', '12') }, 'easeMm'],
    ['an unknown form', { ...file, build: change(calm, ['parts', 0, 'form'], 'wing') }, 'form'],
    ['a newer version', { ...file, fomrik: 99 }, 'version 99'],
  ];
  for (const [what, value, says] of refused) {
    it(`refuse ${what}`, () => {
      const read = readBuildFile(JSON.stringify(value));
      expect(read.ok).to.equal(false);
      if (!read.ok) expect(`${read.message} ${read.field ?? ''}`).to.include(says);
    });
  }

  it('refuse what is not JSON', () => {
    expect(readBuildFile('{"fomrik": 1,').ok).to.equal(false);
  });
});
