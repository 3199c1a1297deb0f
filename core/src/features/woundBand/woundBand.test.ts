import { expect } from 'chai';
import fc from 'fast-check';
import type { Params } from '../../document';
import { outlineLength } from '../../geometry';
import { checkOf, make } from '../../parts/testing/worn.test';
import { windingOf } from './turns';

describe('a band wound round', () => {
  it('covers a tube: its width less the overlap times its length is the wall (areas agree)', () => {
    fc.assert(
      fc.property(
        fc.record({
          startMm: fc.integer({ min: 60, max: 600 }),
          slantMm: fc.integer({ min: 30, max: 900 }),
          widthMm: fc.integer({ min: 5, max: 40 }),
          overlap: fc.double({ min: 0, max: 0.8, noNaN: true }),
        }),
        ({ startMm, slantMm, widthMm, overlap }) => {
          const overlapMm = overlap * widthMm;
          const { lengthMm } = windingOf({ startMm, endMm: startMm, slantMm, widthMm, overlapMm })!;
          expect(((widthMm - overlapMm) * lengthMm) / (startMm * slantMm)).to.be.closeTo(1, 1e-6);
        },
      ),
    );
  });

  it('is the helix of drawing handbooks on a tube: √(girth² + pitch²) a turn, its end cut at atan(pitch/girth)', () => {
    const { turns, lengthMm, pitchMm, endDeg } = windingOf({
      startMm: 200,
      endMm: 200,
      slantMm: 400,
      widthMm: 30,
      overlapMm: 5,
    })!;
    expect(turns).to.be.closeTo(400 / pitchMm[0], 1e-6);
    expect(lengthMm).to.be.closeTo(turns * Math.hypot(200, pitchMm[0]), 1e-6);
    expect(Math.tan((endDeg[0] * Math.PI) / 180)).to.be.closeTo(pitchMm[0] / 200, 1e-9);
  });

  it('covers a cone by the area of its frustum, steeper at its narrow end', () => {
    const { lengthMm, endDeg } = windingOf({
      startMm: 400,
      endMm: 160,
      slantMm: 300,
      widthMm: 24,
      overlapMm: 4,
    })!;
    expect((20 * lengthMm) / (((400 + 160) / 2) * 300)).to.be.closeTo(1, 1e-3);
    expect(endDeg[1]).to.be.greaterThan(endDeg[0]);
  });

  it('that is wider than the girth, or all overlap, is none', () => {
    const on = { startMm: 100, endMm: 100, slantMm: 100 };
    expect(windingOf({ ...on, widthMm: 20, overlapMm: 20 })).to.equal(undefined);
    expect(windingOf({ ...on, widthMm: 120, overlapMm: 0 })).to.equal(undefined);
  });
});

describe('a band on a part', () => {
  const on = (form: string, panel: string, params: Params = {}, change: Params = {}) =>
    make(form, change, {
      features: [
        {
          id: 'it',
          kind: 'wound-band',
          place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
          params: {
            of: 'leather',
            widthMm: 20,
            overlapMm: 0,
            fromMm: 0,
            toMm: 0,
            madeOf: 'part',
            foamMm: 2,
            ...params,
          },
        },
      ],
    });

  it('round a rolled grip covers its wall by its own outline, and is bought by the metre', () => {
    const { made } = on('grip', 'sleeve', {}, { make: 'rolled', lengthMm: 200, boreMm: 30 });
    const face = made.laid.find((l) => l.panel.id === 'sleeve')!;
    const outside = Math.PI * (30 + 2 * face.foam.thicknessMm.value);
    const bought = made.featured.bought[0]!;
    const cut = (outside * 200) / 20 + 60;
    expect(bought.count).to.be.closeTo(cut / 1000, 0.11);
    expect(Number(/^(\d+) mm/.exec(made.featured.work[0]!.detail)![1]) / cut).to.be.closeTo(1, 0.01);
  });

  it('of foam is cut in lengths a sheet holds, that add up to it', () => {
    const { made } = on(
      'grip',
      'sleeve',
      { of: 'foam', widthMm: 10 },
      { make: 'rolled', lengthMm: 300, boreMm: 60 },
    );
    const piece = made.pieces.find((p) => p.featureId === 'it')!;
    const each = outlineLength(piece.outline) / 2 - 10;
    const t = made.laid.find((l) => l.panel.id === 'sleeve')!.foam.thicknessMm.value;
    const all = (Math.PI * (60 + 2 * t + 2) * 300) / 10 + 60;
    expect((each * piece.quantity) / all).to.be.closeTo(1, 0.01);
    expect(each).to.be.lessThan(1300);
  });

  it('is refused on what is open, and where it ends below where it begins', () => {
    expect(checkOf(on('box', 'front'), 'feature-it')!.title).to.match(/is open/);
    const crossed = on(
      'grip',
      'sleeve',
      { fromMm: 150, toMm: 150 },
      { make: 'rolled', lengthMm: 200, boreMm: 30 },
    );
    expect(checkOf(crossed, 'feature-it')!.title).to.match(/begins above where it ends/);
  });
});
