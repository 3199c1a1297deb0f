import { expect } from 'chai';
import fc from 'fast-check';
import {
  homography,
  inverse,
  laidPicture,
  measuredOn,
  MARK_PX,
  type Picture,
  seenThrough,
  type Spot,
  squaredPicture,
} from '.';

/** A pinhole camera over the plane z = 0, written out as a projection: shares nothing with the matrices under test. */
function camera({ tilt, turn, away, focal }: { tilt: number; turn: number; away: number; focal: number }) {
  return (x: number, y: number): Spot => {
    const [u, v] = [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn)];
    const [across, up, depth] = [u, v * Math.cos(tilt), away + v * Math.sin(tilt)];
    return [1000 + (focal * across) / depth, 750 - (focal * up) / depth];
  };
}

const view = fc.record({
  tilt: fc.double({ min: -0.7, max: 0.7, noNaN: true }),
  turn: fc.double({ min: -3.1, max: 3.1, noNaN: true }),
  away: fc.double({ min: 600, max: 1500, noNaN: true }),
  focal: fc.double({ min: 1200, max: 2600, noNaN: true }),
});

const photo = (see: (x: number, y: number) => Spot, more: Partial<Picture> = {}): Picture => ({
  id: 'p',
  name: 'photo',
  content: 'x',
  widthPx: 2000,
  heightPx: 1500,
  sheet: {
    corners: [see(-105, 148.5), see(105, 148.5), see(105, -148.5), see(-105, -148.5)],
    widthMm: 210,
    heightMm: 297,
  },
  ...more,
});

describe('pictures made to scale', () => {
  it('a squared-up photograph measures what the camera saw, however it was held', () => {
    fc.assert(
      fc.property(
        view,
        fc.array(fc.integer({ min: -200, max: 200 }), { minLength: 4, maxLength: 4 }),
        (v, [a, b, c, d]) => {
          const see = camera(v);
          const found = measuredOn(photo(see), undefined, see(a!, b!), see(c!, d!));
          expect(found!.lengthMm).closeTo(Math.hypot(a! - c!, b! - d!), 0.01);
        },
      ),
    );
  });

  it('a view and its inverse lead back, and three points in a line are refused', () => {
    fc.assert(
      fc.property(view, (v) => {
        const see = camera(v);
        const sheet = photo(see).sheet!;
        const flat = [0, 1, 2, 3].map((i) => ({ x: [0, 210, 210, 0][i]!, y: [0, 0, 297, 297][i]! }));
        const h = homography(
          sheet.corners.map(([x, y]) => ({ x, y })),
          flat,
        )!;
        const back = seenThrough(inverse(h)!, seenThrough(h, { x: 1000, y: 750 })!)!;
        expect(back.x).closeTo(1000, 1e-4);
        expect(back.y).closeTo(750, 1e-4);
      }),
    );
    const line = [0, 1, 2, 3].map((x) => ({ x, y: x }));
    expect(homography(line, line)).equal(undefined);
    expect(
      laidPicture(
        photo((x) => [x, x]),
        undefined,
      ),
    ).equal(undefined);
  });

  it('the likely error is the spread that marking by hand really gives', () => {
    const see = camera({ tilt: 0.5, turn: 0.3, away: 900, focal: 1800 });
    let state = 7;
    const random = (): number => (state = (state * 48271) % 2147483647) / 2147483647 || 0.5;
    const normal = (): number => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
    const shaky = ([x, y]: Spot): Spot => [x + MARK_PX * normal(), y + MARK_PX * normal()];
    const true_ = photo(see);
    for (const reach of [60, 180]) {
      const [from, to] = [see(-reach, 20), see(reach, -10)];
      const stated = measuredOn(true_, undefined, from, to)!.likelyMm;
      const tries = Array.from({ length: 4000 }, () => {
        const corners = true_.sheet!.corners.map(shaky) as NonNullable<Picture['sheet']>['corners'];
        return measuredOn(
          { ...true_, sheet: { ...true_.sheet!, corners } },
          undefined,
          shaky(from),
          shaky(to),
        )!.lengthMm;
      });
      const mean = tries.reduce((s, t) => s + t, 0) / tries.length;
      const spread = Math.sqrt(tries.reduce((s, t) => s + (t - mean) ** 2, 0) / tries.length);
      expect(spread / stated).within(0.93, 1.07);
    }
  });

  it('a known length alone scales a straight picture, its own doubt included; nothing known is nothing measured', () => {
    const plain: Picture = { id: 'p', name: 'p', content: 'x', widthPx: 800, heightPx: 600 };
    expect(measuredOn(plain, undefined, [0, 0], [10, 0])).equal(undefined);
    const ruled: Picture = { ...plain, known: { from: [100, 300], to: [500, 300], lengthMm: 200 } };
    const found = measuredOn(ruled, { lengthMm: 200, likelyMm: 4 }, [100, 100], [100, 300])!;
    expect(found.lengthMm).closeTo(100, 1e-9);
    // 2 % of the known length is 2 mm here; the marks add 0.75 mm an end and, of the ruled line, half of that.
    expect(found.likelyMm).closeTo(Math.hypot(2, 0.75, 0.75, 0.375, 0.375), 0.02);
    expect(
      measuredOn(
        { ...ruled, known: { ...ruled.known!, to: [100, 300] } },
        { lengthMm: 200, likelyMm: 1 },
        [0, 0],
        [9, 9],
      ),
    ).equal(undefined);
  });

  it('squared-up pixels lie where the thing lay: a disc photographed aslant is round again', () => {
    const see = camera({ tilt: 0.6, turn: 0.2, away: 900, focal: 1600 });
    const picture = photo(see);
    const laid = laidPicture(picture, undefined)!;
    const h = homography(
      picture.sheet!.corners.map(([x, y]) => ({ x, y })),
      [
        { x: -105, y: 148.5 },
        { x: 105, y: 148.5 },
        { x: 105, y: -148.5 },
        { x: -105, y: -148.5 },
      ],
    )!;
    const data = new Uint8ClampedArray(2000 * 1500 * 4).fill(255);
    for (let y = 0; y < 1500; y++)
      for (let x = 0; x < 2000; x++) {
        const at = seenThrough(h, { x: x + 0.5, y: y + 0.5 });
        if (at && Math.hypot(at.x - 20, at.y + 30) < 70)
          data.fill(0, (y * 2000 + x) * 4, (y * 2000 + x) * 4 + 3);
      }
    const { pixels, leftMm, topMm, widthMm, heightMm } = squaredPicture(
      { data, width: 2000, height: 1500 },
      laid,
      1200,
    );
    const dark: { x: number; y: number }[] = [];
    for (let i = 0; i < pixels.width * pixels.height; i++)
      if (pixels.data[4 * i]! < 128 && pixels.data[4 * i + 3]! > 0)
        dark.push({
          x: leftMm + ((i % pixels.width) + 0.5) * (widthMm / pixels.width),
          y: topMm - (Math.floor(i / pixels.width) + 0.5) * (heightMm / pixels.height),
        });
    const areaMm2 = dark.length * (widthMm / pixels.width) * (heightMm / pixels.height);
    expect(areaMm2 / (Math.PI * 70 ** 2)).closeTo(1, 0.01);
    const width = Math.max(...dark.map((p) => p.x)) - Math.min(...dark.map((p) => p.x));
    const height = Math.max(...dark.map((p) => p.y)) - Math.min(...dark.map((p) => p.y));
    expect(width / 140).closeTo(1, 0.01);
    expect(height / 140).closeTo(1, 0.01);
  });
});
