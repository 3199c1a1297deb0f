import { expect } from 'chai';
import type { Params, Part } from '../../document';
import { boundsOf } from '../../geometry';
import { newBuild, newPart } from '../../parts';
import { derive } from '../../report';
import { reportOf } from '../../parts/testing/worn.test';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };

/** A stick with a guard on it, as far up as said. */
function carried(params: Params, alongMm: number) {
  const haft = newPart('h', wearer, 'haft');
  const guard = newPart('g', wearer, 'guard', undefined, 'h');
  const parts: Part[] = [
    { ...haft, params: { ...haft.params, ...params } },
    { ...guard, mount: { ...guard.mount, anchor: 'foot', alongMm: -alongMm } as Part['mount'] },
  ];
  return derive({ ...newBuild('x', '2026-03-01', wearer), parts });
}

const widest = (report: ReturnType<typeof carried>): number =>
  Math.max(
    ...report.parts[1]!.pieces[0]!.marks.filter((m) => m.kind === 'slot').map((m) => {
      const b = boundsOf(m.points);
      return b.maxX - b.minX;
    }),
  );

describe('a stick that comes apart', () => {
  it('has couplers that take room: what sits on one is cut for it', () => {
    const jointed = { rod: 'pvc-3-4in', lengthMm: 900, joints: [{ atMm: 400 }], joint: 'coupler' };
    const [over, clear] = [carried(jointed, 400), carried(jointed, 200)];
    const stick = clear.parts[0]!.sticks[0]!.section;
    const outside = 'outsideMm' in stick ? stick.outsideMm : 0;
    expect(widest(clear)).to.be.closeTo(outside - 1, 0.05);
    expect(widest(over)).to.be.greaterThan(outside + 3);
    expect(carried({ ...jointed, joint: 'plug' }, 400).parts[1]!.pieces[0]!.marks.length).to.equal(
      clear.parts[1]!.pieces[0]!.marks.length,
    );
  });

  it('weighs its couplers once, and buys as many as it has joints, of the kind that was chosen', () => {
    const of = (params: Params) => reportOf('haft', { rod: 'pvc-3-4in', lengthMm: 900, ...params });
    const [whole, joined] = [of({}), of({ joints: [{ atMm: 300 }, { atMm: 600 }] })];
    const coupler = joined.sticks[1]!;
    const { section } = coupler;
    if (section.shape !== 'tube') throw new Error('a coupler is a tube');
    // Two tubes, 1400 kg/m³.
    const area = (Math.PI / 4) * (section.outsideMm ** 2 - section.boreMm ** 2);
    const each = area * (coupler.to.z - coupler.from.z) * 1400e-6;
    // The joined stick has a little more paint on it, which is not compared here.
    const bareG = ({ totalG, finishG }: typeof whole): number => totalG - finishG;
    expect(bareG(joined) - bareG(whole)).to.be.closeTo(2 * each, 0.05 * each);
    expect(joined.bought.find((b) => /coupler/.test(b.what))!.count).to.equal(2);
    const keyed = of({ joints: [{ atMm: 450 }], joint: 'keyhole' });
    expect(keyed.bought[0]!.what).to.match(/^keyhole strip/);
    expect(keyed.work.find((w) => w.step === 'joints')!.detail).to.match(/quarter turn/);
  });
});

describe('openings in a pipe', () => {
  const opening = { atMm: 200, lengthMm: 40, acrossMm: 10, roundDeg: 90 };

  it('are reported as places on a strip that goes once round', () => {
    const pipe = reportOf('haft', { rod: 'pvc-3-4in', lengthMm: 900, openings: [opening] });
    const { detail } = pipe.work.find((w) => w.step === 'openings')!;
    const section = pipe.sticks[0]!.section;
    const girth = Math.PI * ('outsideMm' in section ? section.outsideMm : 0);
    expect(detail).to.contain(`${girth.toFixed(1)} mm long`);
    expect(detail).to.contain('slot 40 × 10 mm at 200');
    expect(Number(/200, ([\d.]+) round/.exec(detail)![1])).to.be.closeTo(girth / 4, 0.06);
    expect(pipe.checks).to.have.length(0);
  });

  it('are refused where they leave too little wall, or split the end', () => {
    const reported = (change: Params): string[] =>
      reportOf('haft', {
        rod: 'pvc-3-4in',
        lengthMm: 900,
        openings: [{ ...opening, ...change } as typeof opening],
      }).checks.map((c) => c.id);
    expect(reported({ acrossMm: 50 })).to.deep.equal(['opening-wide-1']);
    expect(reported({ atMm: 22 })).to.deep.equal(['opening-end-1']);
    expect(reported({ atMm: 890 })).to.deep.equal(['opening-end-1']);
  });
});
