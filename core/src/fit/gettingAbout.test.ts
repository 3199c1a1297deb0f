import { expect } from 'chai';
import { resolveBody } from '../body';
import type { BuildDoc, Part, Params } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';
import { aboutLines } from './aboutLines';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
const body = resolveBody([]);
const worn = (...parts: Part[]) => {
  const doc: BuildDoc = { ...newBuild('T', '2026-03-01', wearer), parts };
  return derive(doc, { untried: true });
};
const part = (id: string, kind: string, params: Params = {}): Part => {
  const made = newPart(id, wearer, kind);
  return { ...made, params: { ...made.params, ...params } };
};
const frame = (params: Params) => part('f', 'back-frame', { boxes: [], tubes: [], ...params });
const plate = (widthMm: number, heightMm = 400) => [{ widthMm, heightMm, spacerMm: 0 }];

describe('getting about', () => {
  it('is not told of what is held or stands by itself', () => {
    expect(worn(part('h', 'haft')).about).to.equal(undefined);
    expect(worn(part('b', 'box')).about).to.equal(undefined);
  });

  it('goes through a doorway as bare shoulders do where only the arms are covered', () => {
    const { about } = worn(part('b', 'bracer'));
    expect(about!.door).to.equal('straight');
    expect(about!.widthMm).to.be.closeTo(1.2 * body.shoulderBreadth.valueMm, 1);
    expect(about!.aboveHeadMm).to.equal(0);
    expect(about!.stoopMm).to.equal(0);
    expect(about!.offFirst).to.deep.equal([]);
  });

  it('is sideways behind a plate wider than 32 in, and not at all behind a deep one too (2010 ADA Standards, 404.2.3)', () => {
    // Plates end at 600 mm; boxes reach beyond them.
    const box = (acrossMm: number, deepMm: number) => ({
      widthMm: 400,
      heightMm: 100,
      deepMm,
      acrossMm,
      upMm: 100,
    });
    const wide = worn(frame({ plates: plate(600), boxes: [box(250, 60), box(-250, 60)] }));
    expect(wide.about!.widthMm).to.be.closeTo(900, 2);
    expect(wide.about!.door).to.equal('sideways');
    expect(wide.findings.some((f) => f.id === 'door-wide')).to.equal(false);
    // A box as deep as a doorway is wide on its back.
    const trunk = newPart('m', wearer, 'box', undefined, 'f');
    const deep = worn(frame({ plates: plate(600), boxes: [box(250, 60), box(-250, 60)] }), {
      ...trunk,
      params: { ...trunk.params, widthMm: 200, heightMm: 820, deepMm: 820 },
    });
    expect(deep.about!.deepMm).to.be.greaterThan(32 * 25.4);
    expect(deep.about!.door).to.equal('not');
    expect(deep.findings.find((f) => f.id === 'door-wide')!.title).to.include(
      'does not go through a doorway 813 mm wide',
    );
  });

  it('says how far a chair is sat on forward: what stands behind the back, foam and padding counted', () => {
    const at = (deepMm: number) =>
      worn(
        frame({
          plates: plate(300),
          boxes: [{ widthMm: 200, heightMm: 150, deepMm, acrossMm: 0, upMm: 100 }],
        }),
      ).about!;
    const [shallow, deep] = [at(40), at(200)];
    expect(deep.behindMm - shallow.behindMm).to.be.closeTo(160, 2);
    expect(shallow.behindMm).to.be.greaterThan(40);
    expect(aboutLines(deep)[1]).to.match(/a stool or bench without a back/);
    expect(aboutLines(shallow)[1]).to.match(/forward of the backrest/);
  });

  it('measures the top from the floor, warns of low doorways, and keeps sitting height (Drillis and Contini: 0.52 of stature)', () => {
    const bare = worn(part('b', 'bracer')).about!;
    expect(bare.aboveSeatMm).to.be.closeTo(0.52 * body.stature.valueMm, 1e-6);
    const tall: BuildDoc = {
      ...newBuild('T', '2026-03-01', wearer),
      wearer: { ...wearer, measures: [{ key: 'stature', valueMm: 2040, source: 'tape' }] as never },
      parts: [part('b', 'bracer')],
    };
    const report = derive(tall, { untried: true });
    expect(report.about!.stoopMm).to.be.closeTo(2040 - 80 * 25.4, 1e-6);
    const found = report.findings.find((f) => f.id === 'door-high')!;
    expect(found.title).to.include('stoop by 8 mm');
  });

  it('tells what is trodden on at a riser of 7 in, and nothing of what goes up with the leg (2010 ADA Standards, 504.2)', () => {
    const short = part('short', 'greave');
    const tube = (upMm: number) =>
      frame({ plates: plate(300), tubes: [{ insideMm: 40, longMm: 300, acrossMm: 0, upMm }] });
    const { about } = worn(tube(-100), short);
    expect(about!.troddenOn).to.deep.equal([]);
    // A box hung far below the frame.
    const low: Part = {
      ...part('low', 'box'),
      mount: { to: 'part', part: 'f', anchor: 'panel:plate', alongMm: -1150 },
    };
    const trodden = worn(tube(-100), low, short).about!;
    expect(trodden.troddenOn.map((p) => p.partId)).to.deep.equal(['low']);
    expect(aboutLines(trodden).find((l) => l.startsWith('Stairs'))).to.include('178 mm');
  });

  it('names what covers the hips first', () => {
    const { about } = worn(part('t', 'belt'), part('b', 'bracer'));
    expect(about!.offFirst.map((p) => p.partId)).to.deep.equal(['t']);
    expect(aboutLines(about!).join(' ')).to.include('off first');
  });
});
