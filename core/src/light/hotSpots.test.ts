import { expect } from 'chai';
import fc from 'fast-check';
import { litFace, type LitFace } from './face';
import { contrastSense, hotSpotsSeen } from './hotSpots';

const row = (change: Partial<LitFace> = {}): LitFace => ({
  widthMm: 120,
  heightMm: 30,
  distanceMm: 6,
  sources: [15, 45, 75, 105].map((xMm) => ({ xMm, yMm: 15, flux: 1, lobe: 1 })),
  layers: [],
  wallReflectance: 0,
  ...change,
});

describe('hot spots as the eye sees them', () => {
  it('the eye is at its best at 8 periods a degree, and blind to 60 (Mannos and Sakrison, 1974)', () => {
    let best = 0;
    for (let f = 0.1; f < 40; f += 0.1) if (contrastSense(f) > contrastSense(best)) best = f;
    expect(best).to.be.closeTo(8, 0.3);
    expect(contrastSense(best)).to.be.closeTo(0.98, 0.02);
    expect(contrastSense(60)).to.be.below(0.01);
  });

  it('counts four bare lamps near their face at arm’s length, and none behind depth and diffusers', () => {
    expect(hotSpotsSeen(litFace(row(), 96), 600, 'dark')).to.equal(4);
    const even = row({
      distanceMm: 60,
      wallReflectance: 0.75,
      wallDiffuse: 0.95,
      layers: [{ transmission: 0.5, spreadMm: 20 }],
    });
    expect(hotSpotsSeen(litFace(even, 96), 600, 'dark')).to.equal(0);
  });

  it('counts a single lamp that stands out, and none where one lamp lights its face evenly', () => {
    const one = (change: Partial<LitFace>): number =>
      hotSpotsSeen(
        litFace(row({ widthMm: 40, sources: [{ xMm: 20, yMm: 15, flux: 1, lobe: 1 }], ...change }), 96),
        600,
        'dark',
      );
    expect(one({ distanceMm: 6 })).to.equal(1);
    expect(one({ distanceMm: 400 })).to.equal(0);
  });

  it('never sees more by day than in the dark, and none from so far off that they run together', () => {
    const distance = fc.integer({ min: 300, max: 6000 });
    fc.assert(
      fc.property(distance, fc.integer({ min: 4, max: 40 }), (mm, deepMm) => {
        const lit = litFace(row({ distanceMm: deepMm }), 64);
        const [dark, room, day] = (['dark', 'room', 'daylight'] as const).map((w) =>
          hotSpotsSeen(lit, mm, w),
        );
        expect(room).to.be.at.most(dark!);
        expect(day).to.be.at.most(room!);
      }),
      { numRuns: 40 },
    );
    // Lamps 30 mm apart are a minute of arc at 103 m.
    expect(hotSpotsSeen(litFace(row(), 96), 110_000, 'dark')).to.equal(0);
  });
});
