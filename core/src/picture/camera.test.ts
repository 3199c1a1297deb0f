import { expect } from 'chai';
import fc from 'fast-check';
import { tiltDeg } from './camera';
import { laidPicture } from './scale';
import { photographed, type Shot, shotPicture } from './simulatedCamera';
import { squaredPicture } from './squared';
import { tracedOn } from './traced';

const sheet = { widthMm: 210, heightMm: 297, at: { x: 0, y: 0 } };
const shot: Shot = { widthPx: 1600, heightPx: 1200, tiltRad: 0, turnRad: 0, awayMm: 700, focalPx: 1400 };
const deg = (rad: number): number => (rad * 180) / Math.PI;

describe('how a photograph was taken', () => {
  it('is read off the sheet: the tilt of a camera whose lens nobody knows, within three degrees', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.15, max: 0.6, noNaN: true }),
        fc.double({ min: 0.2, max: 1.3, noNaN: true }),
        fc.double({ min: 900, max: 2200, noNaN: true }),
        (tiltRad, turnRad, focalPx) => {
          const found = tiltDeg(
            shotPicture({ ...shot, tiltRad, turnRad, focalPx, awayMm: focalPx / 2 }, sheet),
          )!;
          expect(found).to.be.closeTo(deg(tiltRad), 3);
        },
      ),
      { numRuns: 100 },
    );
  });

  it('is square where the camera looked straight down, and unknown without a sheet', () => {
    expect(tiltDeg(shotPicture(shot, sheet))!).to.be.below(0.5);
    const bare = shotPicture(shot, sheet);
    delete bare.sheet;
    expect(tiltDeg(bare)).to.equal(undefined);
  });

  it('shows a wide lens by the bow of the sheet’s edges, and none of a straight one', function () {
    this.timeout(60_000);
    const bow = (lens: number): number => {
      const of = { ...shot, lens };
      const outline = [
        [-105, -148.5],
        [105, -148.5],
        [105, 148.5],
        [-105, 148.5],
      ].map(([x, y]) => ({ x: x!, y: y! }));
      const pixels = photographed([{ outline, grey: 250 }], 90, of);
      const picture = shotPicture(of, sheet);
      const laid = laidPicture(picture, undefined)!;
      return tracedOn(squaredPicture(pixels, laid, 1600), picture, laid, 0.3).sheetBowMm!;
    };
    expect(bow(0)).to.be.below(0.5);
    const [some, more] = [bow(-0.15), bow(-0.3)];
    expect(some).to.be.above(0.8);
    expect(more).to.be.above(1.5 * some);
  });
});
