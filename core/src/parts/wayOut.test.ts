import { expect } from 'chai';
import { applyChanges, type Feature, type Params, type Part } from '../document';
import { standardKinds } from './kinds';
import { packs } from '../materials';
import { boreForPack, boreOf } from '../pipe';
import { gluedOf } from './glued';
import { makePart } from './made';
import { newPart } from './newPart';
import { partReport, type PartReport } from './partReport';
import { adultMeasures, contextOf } from './testing/worn.test';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
const context = contextOf();
const feature = (id: string, kind: string, place: Feature['place'], params: Params = {}): Feature => ({
  id,
  kind,
  place,
  params: {
    ...standardKinds.features.get(kind)!.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } }).params,
    ...params,
  },
});
const on = (panel: string, u = 0.5, v = 0.5): Feature['place'] => ({ on: 'panel', panel, u, v, turnDeg: 0 });
const withPack = (form: string, params: Params, place: Feature['place'], pack: Params = {}): Part => {
  const part = newPart('one', wearer, form);
  return {
    ...part,
    params: { ...part.params, ...params },
    features: [feature('cells', 'pack', place, { packId: '3xaaa', pocket: 'none', ...pack })],
  };
};
const reported = (report: PartReport) => report.checks.find((c) => c.id === 'way-out-cells');

describe('what is put in comes out again', () => {
  const big = { widthMm: 140, heightMm: 180, deepMm: 70 };

  it('a pack in a closed box is a stop, and each hatch that is offered lets it out', () => {
    for (const corners of ['mitre', 'butt', 'folded']) {
      const part = withPack('box', { ...big, corners }, on(corners === 'butt' ? 'front' : 'face'));
      const report = partReport(part, context);
      expect(reported(report)!.severity, corners).to.equal('stop');
      expect(report.comesOut['cells']).to.equal('none');
      expect(report.sealedIn).to.include('cells');
      const { remedies } = reported(report)!;
      expect(remedies.length, corners).to.be.greaterThan(0);
      for (const cure of remedies) {
        const opened = partReport(applyChanges(part, cure.changes), context);
        expect(opened.comesOut['cells'], cure.label).to.be.a('number');
        expect(reported(opened), cure.label).to.equal(undefined);
        if (cure.label.startsWith('A hatch')) {
          // The hatch is cut where it is drawn, with a lip of its own, and its magnets are bought.
          expect(opened.pieces.some((p) => p.featureId === 'cells-hatch')).to.equal(true);
          expect(opened.bought.find((b) => b.what.startsWith('magnets'))!.count).to.equal(8);
          expect(opened.work.some((w) => w.step === 'hatches')).to.equal(true);
        } else {
          expect(opened.bought.find((b) => b.what.startsWith('magnets'))!.count).to.be.at.least(4);
          expect(opened.work.some((w) => w.step.startsWith('loose-'))).to.equal(true);
        }
      }
      expect(
        remedies.some((c) => c.label.includes('comes off')),
        corners,
      ).to.equal(true);
    }
  });

  it('a piece that is left loose is not glued: its edges and the mates of them, and no others', () => {
    for (const [form, params, panel] of [
      ['box', { ...big, corners: 'mitre' }, 'roof'],
      ['box', { ...big, corners: 'mitre' }, 'lid'],
      ['box', { ...big, corners: 'butt' }, 'top'],
      ['box', { ...big, corners: 'butt' }, 'front'],
    ] as const) {
      const closed = partReport(withPack(form, params, on('front')), context);
      const part = withPack(form, params, on('front'));
      const loose = partReport(
        { ...part, features: [...part.features, feature('off', 'loose-piece', on(panel), { held: 'dry' })] },
        context,
      );
      expect(loose.comesOut['cells'], panel).to.be.a('number');
      const own = closed.pieces.find((p) => p.id === panel)!;
      // By hand, outside 152 × 192 × 82: the roof at the face and both walls, its back on the lid; the lid all round; top on
      // four walls; front between the levels, with both sides on it.
      const round = {
        roof: 152 + 2 * 82 + 140,
        lid: 2 * (140 + 180),
        top: 2 * (152 + 70),
        front: 2 * (152 + 180),
      }[panel];
      const [before, after] = [closed, loose].map((r) => gluedOf(r.pieces));
      const less = before!.seamsMm + before!.hungMm - after!.seamsMm - after!.hungMm;
      expect(less / round, panel).to.be.closeTo(1, 0.03);
      // What it is cut to does not change.
      expect(loose.pieces.find((p) => p.id === panel)!.outline).to.deep.equal(own.outline);
    }
  });

  it('a piece that is folded with its neighbour, or glued to nothing, is reported and stays as it is', () => {
    const part = newPart('one', wearer, 'box');
    const folded = partReport(
      {
        ...part,
        params: { ...part.params, ...big, corners: 'folded' },
        features: [feature('off', 'loose-piece', on('face'))],
      },
      context,
    );
    expect(folded.checks.find((c) => c.id === 'feature-off')?.title).to.include('folded from one sheet');
    expect(folded.bought.some((b) => b.what.startsWith('magnets'))).to.equal(false);
  });

  it('from a box that is open, from behind what is worn, and out of a tube with an open end, nothing is reported', () => {
    for (const part of [
      withPack('box', { ...big, open: 'back' }, on('face')),
      withPack('box', { ...big, open: 'top' }, on('front')),
      withPack('greave', { paddingMm: 18 }, on('a')),
      withPack(
        'haft',
        { rod: 'pvc-1-1-2in' },
        { on: 'room', room: 'bore', alongMm: 0, acrossMm: 0, turnDeg: 0 },
        { packId: '2xcr2032' },
      ),
    ]) {
      const report = partReport(part, context);
      expect(reported(report), part.form).to.equal(undefined);
      expect(report.comesOut['cells'], part.form).to.be.a('number');
    }
  });

  it('what is said to stay in for good is noted and goes in before the part is closed', () => {
    const report = partReport(withPack('box', big, on('face'), { access: 'stays' }), context);
    expect(reported(report)!.severity).to.equal('note');
    expect(reported(report)!.remedies).to.deep.equal([]);
    expect(report.sealedIn).to.include('cells');
  });

  it('a hatch that is smaller than what is behind it does not help, whatever piece it is in', () => {
    const part = withPack('box', { widthMm: 100, heightMm: 120, deepMm: 50 }, on('face'));
    for (const panel of ['face', 'front', 'lid']) {
      const small = feature('h', 'hatch', on(panel), { widthMm: 20, lengthMm: 20 });
      const report = partReport({ ...part, features: [...part.features, small] }, context);
      expect(report.comesOut['cells'], panel).to.equal('none');
    }
  });

  it('a hatch that would break the edge of its piece is left off and says so', () => {
    const part = withPack('box', big, on('face'));
    const wide = feature('h', 'hatch', on('face'), { widthMm: 132, lengthMm: 80 });
    const { checks } = partReport({ ...part, features: [...part.features, wide] }, context);
    expect(checks.find((c) => c.id === 'feature-h')!.title).to.include('break the edge');
  });

  it('in a bought thing it is not known, unless one wall is its lid', () => {
    const box = withPack(
      'donor',
      {},
      { on: 'room', room: 'inside', alongMm: 0, acrossMm: 0, turnDeg: 0 },
      { packId: '2xcr2032' },
    );
    const report = partReport(box, context);
    const note = reported(report);
    if (report.comesOut['cells'] === 'none') expect(note!.title).to.include('not known');
    expect(note?.severity ?? 'note').to.equal('note');
  });

  it('whether a pack goes into a pipe is said the same inside and on the pipe bench, for every pack and pipe', () => {
    let yes = 0;
    let no = 0;
    for (const rod of context.catalogue.rods.filter((r) => boreOf(r) > 0))
      for (const pack of packs) {
        const bore = boreOf(rod);
        // Nearer than the flats of a round pipe are to it, neither can be said.
        if (Math.abs(boreForPack(pack) - bore) < 0.5) continue;
        const part = withPack(
          'haft',
          { rod: rod.id },
          { on: 'room', room: 'bore', alongMm: 0, acrossMm: 0, turnDeg: 0 },
          { packId: pack.id },
        );
        const made = makePart(part, context, { coarse: true });
        if (!made.rooms.some((r) => r.id === 'bore')) continue;
        // On the bench it may go in either way round; inside it lies with its width across.
        const flat = Math.hypot(pack.widthMm, pack.thickMm) + 0.2 <= bore;
        const stops = made.noticed.filter(
          ({ check }) => check.id.endsWith('-cells') && check.severity === 'stop',
        );
        expect(stops.length === 0, `${pack.id} in ${rod.id}`).to.equal(flat);
        if (flat) {
          expect(boreForPack(pack), `${pack.id} in ${rod.id}`).to.be.at.most(bore);
          yes += 1;
        } else no += 1;
      }
    expect(yes).to.be.greaterThan(5);
    expect(no).to.be.greaterThan(5);
  });
});
