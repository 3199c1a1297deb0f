import { expect } from 'chai';
import fc from 'fast-check';
import type { Feature, Params } from '../document';
import { dist2, dist3, parallelGirth, type Vec3 } from '../geometry';
import { type PartReport, standardKinds } from '../parts';
import { adult, bodyOf, reportOf as made } from '../parts/testing/worn.test';
import { gyration2, overhangOf, ownWeightSagMm, riseMm } from '../parts/wear/sag';
import { dressing } from './dressing';
import { createCovered } from './covered';
import { strapsOf } from './straps';

describe('stand-off', () => {
  it('of a limb shell is its padding and its share of the ease', () => {
    const wear = made('greave', { paddingMm: 4, easeMm: 20, flareMm: 0, pointMm: 0 }).wear!;
    expect(wear.leastGapMm).to.be.closeTo(4 + 20 / (2 * Math.PI), 0.3);
    expect(wear.meanGapMm).to.be.closeTo(4 + 20 / (2 * Math.PI), 0.3);
    expect(wear.pads.length).to.be.greaterThan(1);
    for (const pad of wear.pads) expect(pad.thicknessMm).to.be.within(3, 30);
  });

  it('draws its lines where the gap is what they say', () => {
    const wear = made('breastplate', { ridgeMm: 40 }).wear!;
    const levels = wear.standOff.flatMap((s) => s.contours.map((c) => c.mm));
    expect(levels).to.include.members([20, 40]);
    for (const { contours } of wear.standOff)
      for (const { flat, onForm } of contours) expect(flat.length).to.equal(onForm.length);
  });

  it('is the padding on any wearer, and nothing without padding', () => {
    const slim = made('breastplate', {}, { body: bodyOf({ stature: 1720, chestGirth: 860 }) });
    expect(slim.wear!.leastGapMm).to.be.greaterThan(5);
    expect(made('breastplate', { paddingMm: 0, ridgeMm: 0 }).wear!.leastGapMm).to.be.closeTo(0, 0.5);
  });

  it('leaves ears, air and slits open: no pad lies over one', () => {
    for (const breath of ['holes', 'none']) {
      const helmet = made('helmet', { breath });
      expect(helmet.wear!.pads.length).to.be.greaterThan(2);
      for (const pad of helmet.wear!.pads) {
        const on = helmet.pieces.find((p) => p.id === pad.pieceId)!;
        const slots = on.marks.filter((m) => m.kind === 'slot').flatMap((m) => m.points);
        for (const open of [...on.holes.map((h) => h.centre), ...slots])
          expect(Math.hypot(open.x - pad.flat.x, open.y - pad.flat.y), on.name).to.be.at.least(40);
      }
    }
  });

  it('keeps pads apart and off the edges', () => {
    for (const form of ['helmet', 'pauldron', 'thigh', 'backplate'] as const) {
      const wear = made(form).wear!;
      wear.pads.forEach((p, i) =>
        wear.pads.slice(0, i).forEach((q) => expect(dist3(p.at, q.at), form).to.be.at.least(110)),
      );
    }
  });
});

describe('sag of a free edge', () => {
  it('is wL⁴/8EI of the beam tables for a flat strip', () => {
    // A strip 1 m wide: w = ρ·g·t per metre, I = t³/12.
    const [rho, e, t, l] = [50, 1.5e6, 0.01, 0.2];
    const table = (rho * 9.80665 * t * l ** 4) / (8 * e * (t ** 3 / 12));
    const own = ownWeightSagMm({ densityKgM3: rho, modulusMPa: 1.5, thicknessMm: 10 }, 200, 0);
    expect(own).to.be.closeTo(table * 1000, 1e-9);
  });

  it('knows the stiffness of an arc: 4s²/45 is its second moment over its area, by numerical integration', () => {
    for (const rise of [5, 20, 60]) {
      let [area, first, second] = [0, 0, 0];
      for (let i = 0; i < 10_000; i++) {
        const x = (i + 0.5) / 10_000;
        const z = 4 * rise * x * (1 - x);
        area += 1;
        first += z;
        second += z * z;
      }
      const about = second / area - (first / area) ** 2;
      expect(gyration2(0, rise)).to.be.closeTo(about, about * 1e-4);
    }
  });

  it('grows with reach and shrinks with thickness and with a strip glued in', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 10 }), fc.integer({ min: 50, max: 400 }), (t, l) => {
        const foam = { densityKgM3: 50, modulusMPa: 1.5, thicknessMm: t };
        expect(ownWeightSagMm(foam, l + 10, 0)).to.be.greaterThan(ownWeightSagMm(foam, l, 0));
        expect(ownWeightSagMm({ ...foam, thicknessMm: t + 1 }, l, 0)).to.be.lessThan(
          ownWeightSagMm(foam, l, 0),
        );
      }),
    );
    const plain = made('pauldron').wear!.sags[0]!;
    const stiff = made(
      'pauldron',
      {},
      {
        // On every edge, for a piece that is alike on both sides has another edge as slack.
        features: ['bottom', 'right', 'top', 'left'].map((edge) => ({
          id: `s-${edge}`,
          kind: 'strip',
          place: { on: 'edges', runs: [{ panel: plain.pieceId, edge }] },
          params: { widthMm: 30, foamMm: 10 },
        })),
      },
    );
    expect(stiff.wear!.sags.find((s) => s.pieceId === plain.pieceId)!.sagMm).to.be.lessThan(plain.sagMm);
    expect(stiff.pieces.filter((p) => p.featureId?.startsWith('s-'))).to.not.deep.equal([]);
  });

  it('finds the point furthest from what holds an edge, and its rise', () => {
    const edge: Vec3[] = Array.from({ length: 21 }, (_, i) => ({ x: i * 10, y: 0, z: 0 }));
    const level = edge.map(() => ({ x: 0, y: 0, z: 1 }));
    const over = overhangOf(edge, level, [{ x: 0, y: 0, z: 0 }])!;
    expect(over.lengthMm).to.equal(200);
    expect(over.at.x).to.equal(200);
    expect(over.across).to.equal(1);
    const upright = edge.map(() => ({ x: 0, y: 1, z: 0 }));
    expect(
      overhangOf(edge, upright, [{ x: 0, y: 0, z: 0 }])!.across,
      'what stands upright does not bend',
    ).to.equal(0);
    expect(overhangOf(edge, level, [])).to.equal(undefined);
    expect(
      riseMm([
        { x: 0, y: 0, z: 0 },
        { x: 5, y: 5, z: 0 },
        { x: 10, y: 0, z: 0 },
      ]),
    ).to.equal(5);
  });
});

describe('putting on', () => {
  const worn = (form: string, change: Params = {}): Parameters<typeof dressing>[0][number] => {
    const r = made(form, change);
    const closed = r.pieces.every((p) => p.edges.every((e) => e.joint !== 'closure'));
    return { id: r.id, name: r.name, zone: r.zone!, clearances: r.clearances, closed };
  };

  it('ends with the helmet, closes plates before collars, and slips upper arms on before forearms', () => {
    const steps = dressing(
      (['helmet', 'bracer', 'gorget', 'upper-arm', 'breastplate', 'greave'] as const).map((f) => worn(f)),
    ).map((s) => s.partId);
    expect(steps[0]).to.equal('greave');
    expect(steps.at(-1)).to.equal('helmet');
    expect(steps.indexOf('upper-arm')).to.be.lessThan(steps.indexOf('bracer'));
    expect(steps.indexOf('breastplate')).to.be.lessThan(steps.indexOf('gorget'));
  });

  it('names the tightest ring of a closed collar', () => {
    const [step] = dressing([worn('gorget', { closure: 'none', roomMm: 10 })]);
    expect(step!.passes).to.equal(false);
    expect(step!.how).to.match(/over the head/);
    const { clearances } = made('gorget', { closure: 'none', roomMm: 10 });
    expect(step!.openingMm).to.equal(Math.min(...clearances.map((r) => r.openingMm)));
  });
});

describe('straps', () => {
  const strapsOf3 = (parts: PartReport[]) => strapsOf(parts);

  it('cross a gap with overlap and anchors', () => {
    const straps = strapsOf3([made('greave', { gapMm: 25 })]);
    expect(straps).to.have.length(2);
    // Two copies, each gap about 25 mm, 50 mm of overlap and 30 mm glued at either end.
    for (const s of straps) {
      expect(s.count).to.equal(2);
      expect(s.lengthMm).to.be.closeTo(25 + 50 + 60, 4);
    }
    expect(strapsOf3([made('greave', { closure: 'none' })])).to.deep.equal([]);
  });

  it('hold the plates together, or cross behind when there is only one', () => {
    const both = strapsOf3([made('breastplate'), made('backplate')]);
    const alone = strapsOf3([made('breastplate')]);
    expect(both.map((s) => s.where).join()).to.match(/shoulder.*side/);
    expect(alone.map((s) => s.where).join()).to.match(/crossed behind/);
    for (const s of [...both, ...alone]) expect(s.lengthMm).to.be.within(100, 700);
  });

  it('are a lace down each side when the plates are laced: twice the way from eyelet to eyelet, and ends to tie', () => {
    const laced = strapsOf3([made('breastplate', { closure: 'lacing' }), made('backplate')]);
    const lace = laced.find((s) => s.closure === 'lacing')!;
    expect(lace.count).to.equal(2);
    expect(lace.lengthMm).to.be.greaterThan(800);
    expect(laced.filter((s) => s.where.startsWith('at each side'))).to.deep.equal([lace]);
  });

  it('are one lace and no hook-and-loop where a gap is laced', () => {
    const [lace, ...rest] = strapsOf3([made('greave', { closure: 'lacing', gapMm: 20 })]);
    expect(lace!.closure).to.equal('lacing');
    expect(lace!.lengthMm).to.be.greaterThan(400 + 300);
    expect(rest).to.deep.equal([]);
  });

  it('go round the limb for cops and pauldrons', () => {
    const [strap] = strapsOf3([made('elbow-cop')]);
    const girthMm = parallelGirth(adult.elbowBentGirth.valueMm, 3);
    expect(strap!.lengthMm).to.be.closeTo(0.6 * girthMm + 110, 1e-6);
    expect(strapsOf3([made('pauldron')])).to.have.length(2);
  });
});

describe('what is covered', () => {
  const share = (...forms: string[]): number =>
    createCovered()(
      adult,
      forms.map((f) => ({ ...made(f), id: f })),
    );

  it('is the skin under the foam, counted once', () => {
    expect(share()).to.equal(0);
    // Forearms are about 6 % of the skin (rule of nines: an arm 9 %, hand and upper arm included; from memory).
    expect(share('bracer')).to.be.within(0.03, 0.075);
    expect(share('bracer', 'bracer')).to.be.closeTo(share('bracer'), 1e-9);
    expect(share('bracer', 'greave')).to.be.closeTo(share('bracer') + share('greave'), 1e-9);
  });

  it('is never all of it, though all forms are worn at once', () => {
    const all = share(...standardKinds.forms.keys());
    expect(all).to.be.within(0.5, 0.9);
  });
});

describe('pads', () => {
  it('keep clear of a pack behind the same piece', () => {
    const at = (features: Feature[]) => made('helmet', {}, { features });
    const [free] = at([]).wear!.pads.filter((p) => p.pieceId === 'skirt');
    expect(free, 'a pad rests on the skirt').to.not.equal(undefined);
    const skirt = at([]).surfaces.find((s) => s.pieceId === 'skirt')!;
    let [u, v] = [0, 0];
    skirt.flat.forEach((row, r) =>
      row.forEach((p, c) => {
        if (dist2(p, free!.flat) < 1e-9) [u, v] = [c / (row.length - 1), r / (skirt.flat.length - 1)];
      }),
    );
    const packed = at([
      {
        id: 'pack',
        kind: 'pack',
        place: { on: 'panel', panel: 'skirt', u, v, turnDeg: 0 },
        params: { packId: '3xaaa', pocket: 'none' },
      },
    ]);
    const pack = packed.items.find((i) => i.source)!;
    const reach = Math.hypot(pack.fit!.widthMm, pack.fit!.lengthMm) / 2;
    for (const pad of packed.wear!.pads.filter((p) => p.pieceId === 'skirt'))
      expect(dist2(pad.flat, pack.flat!)).to.be.at.least(40 + reach);
  });
});
