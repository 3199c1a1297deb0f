import { expect } from 'chai';
import fc from 'fast-check';
import { zoneInfo } from '../../body';
import type { Params } from '../../document';
import { boundsOf } from '../../geometry';
import { adult, checkOf, contextOf, make } from '../../parts/testing/worn.test';
import { wedgeLayers } from './steps';

const on = (form: string, panel: string, params: Params = {}, change: Params = {}, u = 0.5, v = 0.5) =>
  make(form, change, {
    features: [
      {
        id: 'it',
        kind: 'spacer',
        place: { on: 'panel', panel, u, v, turnDeg: 0 },
        params: { widthMm: 30, lengthMm: 40, pressMm: 2, madeOf: 'part', foamMm: 5, ...params },
      },
    ],
  });

describe('a wedge of layers', () => {
  it('covers its slope everywhere, and nowhere by a layer more than it needs', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.double({ min: 2, max: 12, noNaN: true }),
        (a, b, layerMm) => {
          const [thin, thick] = [Math.min(a, b), Math.max(a, b)];
          fc.pre(thick > 1);
          const layers = wedgeLayers(thin, thick, layerMm);
          // From the thick end: so many layers lie at each place, against what is wanted there.
          for (let at = 0.01; at < 1; at += 0.07) {
            const want = thick + (thin - thick) * at;
            const has = layers.filter((l) => l.share >= at).length * layerMm;
            expect(has).to.be.at.least(want - 0.3 - 1e-9);
            expect(has).to.be.lessThan(want + layerMm + 1e-9);
          }
        },
      ),
    );
  });
});

describe('a spacer', () => {
  it('touches the clothed wearer all over, pressed by what was asked, as the figure’s own clearance has it', () => {
    const pressMm = 3;
    for (const [form, panel] of [
      ['bracer', 'shell'],
      ['greave', 'a'],
      ['breastplate', 'a'],
    ] as const) {
      const shape = on(
        form,
        make(form).made.laid.some((l) => l.panel.id === panel) ? panel : make(form).made.laid[0]!.panel.id,
        {
          pressMm,
        },
      );
      const [solid] = shape.made.featured.solids;
      if (!solid) {
        expect(checkOf(shape, 'feature-it')!.title, form).to.match(/nothing to fill|reaches beyond/);
        continue;
      }
      const { underLayerMm } = contextOf();
      const zone = shape.made.model && { bracer: 'forearm', greave: 'lowerLeg', breastplate: 'torso' }[form];
      const clearance = zoneInfo(zone as 'forearm').clearance(adult);
      const inner = solid.points.map((p) => clearance(p) - underLayerMm);
      // Its inner face lies in what it presses, its outer face on the shell.
      const nearest = Math.min(...inner);
      // Between the points where the gap is known it is taken straight: 3 mm on a coarse, bent piece.
      expect(nearest, form).to.be.within(-pressMm - 3, -pressMm + 3);
    }
  });

  it('is cut in layers of its own foam, as wide and as long as asked at the most', () => {
    const { made } = on('bracer', 'shell', { foamMm: 3, widthMm: 25, lengthMm: 40 }, { easeMm: 20 });
    const pieces = made.pieces.filter((p) => p.featureId === 'it');
    if (pieces.length === 0) return;
    for (const p of pieces) {
      const b = boundsOf(p.outline);
      expect(b.maxX - b.minX).to.be.closeTo(25, 1e-6);
      expect(b.maxY - b.minY).to.be.at.most(40 + 1e-6);
      expect(p.nominalMm).to.equal(3);
    }
  });

  it('is refused where nothing is worn, and off its piece', () => {
    expect(checkOf(on('box', 'front'), 'feature-it')!.title).to.match(/is not worn/);
    const first = make('bracer').made.laid[0]!.panel.id;
    expect(checkOf(on('bracer', first, {}, {}, 0.01, 0.01), 'feature-it')!.title).to.match(/reaches beyond/);
  });
});
