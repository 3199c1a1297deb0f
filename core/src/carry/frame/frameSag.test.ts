import { expect } from 'chai';
import { applyChanges, type BuildDoc, type Mount } from '../../document';
import { rodMatters, rods } from '../../materials';
import { newBuild, newPart } from '../../parts';
import { reportOf } from '../../report/testing/reportOf';
import { byId } from '../../units';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: [] };
const corner = (acrossMm: number, forwardMm: number, upMm: number) => ({
  acrossMm,
  forwardMm,
  upMm,
  joint: 'fitting',
  radiusMm: 0,
});

/** A gallows: a post on its foot and an arm from its top, of a pipe 32 mm across; a box may hang on the arm. */
function gallows(upMm: number, outMm: number, rod = 'pvc-32mm', hung?: { alongMm: number }): BuildDoc {
  const frame = newPart('frame', wearer, 'pipe-frame', undefined);
  const box = newPart('box', wearer, 'box', undefined, 'frame');
  return {
    ...newBuild('Frame', '2026-03-01', wearer),
    parts: [
      {
        ...frame,
        mount: { to: 'stand' },
        params: {
          ...frame.params,
          rod,
          corners: [corner(0, 0, 0), corner(0, 0, upMm), corner(outMm, 0, upMm)],
          pipes: [
            { from: 1, to: 2 },
            { from: 2, to: 3 },
          ],
        },
      },
      ...(hung
        ? [
            {
              ...box,
              params: { ...box.params, widthMm: 120, heightMm: 120, deepMm: 120 },
              mount: { ...box.mount, anchor: 'pipe-2', alongMm: hung.alongMm } as Mount,
            },
          ]
        : []),
    ],
  };
}

const pi = Math.PI;

/** Of the frame by hand: how hard its pipe is to bend, N·mm², and its weight by the millimetre, N/mm. */
function byHand(doc: BuildDoc): { ei: number; w: number; frameG: number } {
  const report = reportOf(doc);
  const frame = byId(report.parts, 'frame')!;
  const rod = byId(rods, String(doc.parts[0]!.params['rod']))!;
  const [outside, wall] = [rod.acrossMm.value, rod.wallMm!.value];
  const ei = (rodMatters[rod.matter].modulusMPa.value * pi * (outside ** 4 - (outside - 2 * wall) ** 4)) / 64;
  const [a, b] = (doc.parts[0]!.params['corners'] as { upMm: number; acrossMm: number }[]).slice(1);
  return { ei, w: ((frame.totalG / 1000) * 9.80665) / (a!.upMm + b!.acrossMm), frameG: frame.totalG };
}

describe('how far a frame of pipes sags', () => {
  it('is by the table for a post and its arm: the arm’s own weight bends both', () => {
    const [up, out] = [600, 500];
    const doc = gallows(up, out);
    const { ei, w } = byHand(doc);
    const [frame] = reportOf(doc).frames;
    // The arm as a cantilever, wL⁴/8EI, and the turn of the post's top under the arm's moment, M·h/EI, over the arm.
    const moment = (w * out ** 2) / 2;
    const fallen = (w * out ** 4) / (8 * ei) + (moment * up * out) / ei;
    // The post leans as well, M·h²/2EI.
    const leaned = (moment * up ** 2) / (2 * ei);
    expect(frame!.sagMm).to.be.closeTo(Math.hypot(fallen, leaned), 0.01 * Math.hypot(fallen, leaned));
    expect(frame!.where).to.equal('corner 3');
    expect(frame!.heldBy).to.equal('fast at its foot');
  });

  it('counts what is mounted on it, and more the further out it is', () => {
    const at = (alongMm: number): number =>
      reportOf(gallows(600, 500, 'pvc-32mm', { alongMm })).frames[0]!.sagMm;
    const bare = reportOf(gallows(600, 500)).frames[0]!.sagMm;
    expect(at(-150)).to.be.greaterThan(bare);
    expect(at(150)).to.be.greaterThan(at(-150));
    const heavier = applyChanges(gallows(600, 500, 'pvc-32mm', { alongMm: 150 }), [
      { path: ['parts', 1, 'stack', 0, 'nominalMm'], value: 10 },
    ]);
    expect(reportOf(heavier).frames[0]!.sagMm).to.be.greaterThan(at(150));
  });

  it('is less in every pipe that is stiffer for its weight, and the one that is offered takes the warning away', () => {
    const doc = gallows(1500, 900, 'pvc-20mm', { alongMm: 300 });
    const report = reportOf(doc);
    const { choices } = report.frames[0]!;
    expect(choices.filter((c) => c.chosen)).to.have.length(1);
    expect(choices.map((c) => c.sagMm)).to.deep.equal(choices.map((c) => c.sagMm).sort((a, b) => a - b));
    const finding = report.findings.find((f) => f.id === 'frame:frame')!;
    expect(finding.title).to.match(/sags \d+ mm under its load, held fast at its foot/);
    const cured = reportOf(applyChanges(doc, finding.remedies[0]!.changes));
    expect(cured.findings.some((f) => f.id === 'frame:frame')).to.equal(false);
    // What was said of it before it was taken is what it comes to.
    const taken = choices.find((c) => c.name === finding.remedies[0]!.label)!;
    expect(cured.frames[0]!.sagMm).to.be.closeTo(taken.sagMm, 0.15 * taken.sagMm);
  });

  it('is bent most at its foot: the arm’s weight about it by the section modulus', () => {
    const [up, out] = [600, 500];
    const doc = gallows(up, out);
    const { w } = byHand(doc);
    const [frame] = reportOf(doc).frames;
    const [outside, bore] = [32, 32 - 2 * 2.4];
    const modulus = (pi * (outside ** 4 - bore ** 4)) / 32 / outside;
    const weight = w * (up + out);
    const area = (pi * (outside ** 2 - bore ** 2)) / 4;
    expect(frame!.bentMPa).to.be.closeTo((w * out ** 2) / 2 / modulus + weight / area, 0.002);
    expect(frame!.strength).to.deep.equal({ yieldsMPa: 48.3, lastsMPa: 13.8 });
    expect(frame!.walks).to.equal(false);
  });

  it('that would break or swing in step is reported, and the pipe that is offered takes that away', () => {
    const doc = gallows(1500, 1200, 'pvc-20mm', { alongMm: 500 });
    const heavy = applyChanges(doc, [
      { path: ['parts', 1, 'stack', 0, 'nominalMm'], value: 10 },
      { path: ['parts', 1, 'params', 'widthMm'], value: 400 },
      { path: ['parts', 0, 'mount'], value: { to: 'wearer', zone: 'hand', side: 'right' } },
    ]);
    const report = reportOf(heavy);
    const bentFinding = report.findings.find((f) => f.id === 'frame-bent:frame')!;
    const swings = report.findings.find((f) => f.id === 'frame-swings:frame')!;
    expect(report.frames[0]!.bentMPa).to.be.greaterThan(13.8);
    expect(report.frames[0]!.hz).to.be.lessThan(3);
    for (const finding of [bentFinding, swings])
      for (const { changes } of finding.remedies) {
        const cured = reportOf(applyChanges(heavy, changes));
        expect(
          cured.findings.some((f) => f.id === finding.id),
          finding.title,
        ).to.equal(false);
      }
    expect(bentFinding.remedies).to.have.length(1);
    // Standing, nobody walks with it.
    const standing = applyChanges(heavy, [{ path: ['parts', 0, 'mount'], value: { to: 'stand' } }]);
    expect(reportOf(standing).findings.some((f) => f.id === 'frame-swings:frame')).to.equal(false);
  });

  it('is held as it is mounted: on the back by its top and foot, in a fist, or where it lies on a part', () => {
    const mounted = (
      mount: Mount,
      more: BuildDoc['parts'] = [],
    ): ReturnType<typeof reportOf>['frames'][number] => {
      const doc = gallows(600, 500);
      const [frame] = doc.parts;
      return reportOf({ ...doc, parts: [...more, { ...frame!, mount }] }).frames[0]!;
    };
    const stand = mounted({ to: 'stand' });
    const back = mounted({ to: 'wearer', zone: 'back', side: 'middle' });
    expect(back.heldBy).to.equal('on the back, at its top and its foot');
    // The post’s top is held as well: the arm alone hangs.
    expect(back.sagMm).to.be.lessThan(stand.sagMm);
    const hand = mounted({ to: 'wearer', zone: 'hand', side: 'right' });
    expect(hand.heldBy).to.match(/^in a fist/);
    expect(hand.reachMm).to.be.closeTo(Math.hypot(300, 500), 1);
    const box = newPart('host', wearer, 'box');
    const { anchors } = reportOf({ ...gallows(1, 1), parts: [box] }).parts[0]!;
    const top = anchors.find((a) => a.out.z > 0.99)!;
    const onTop = mounted({ to: 'part', part: 'host', anchor: top.id, alongMm: 0, turnDeg: 0, offMm: 0 }, [
      box,
    ]);
    expect(onTop.heldBy).to.equal(`where it lies on ${box.name}`);
    // What it lies on stands: nobody walks with it.
    expect([onTop.walks, hand.walks]).to.deep.equal([false, true]);
    // Standing on it, it is held at its foot; turned with it, the arm may pull at the post’s top across.
    expect(onTop.sagMm).to.be.at.least(stand.sagMm - 1e-6);
  });

  it('is not known where pipes are not connected', () => {
    const doc = gallows(600, 500);
    const loose = applyChanges(doc, [
      {
        path: ['parts', 0, 'params', 'pipes'],
        value: [
          { from: 1, to: 2 },
          { from: 3, to: 4 },
        ],
      },
      {
        path: ['parts', 0, 'params', 'corners'],
        value: [corner(0, 0, 0), corner(0, 0, 400), corner(300, 0, 200), corner(300, 0, 500)],
      },
    ]);
    expect(reportOf(loose).frames).to.deep.equal([]);
  });
});
