import { expect } from 'chai';
import fc from 'fast-check';
import { demo } from '../files/testing/demo';
import { reportOf } from '../report/testing/reportOf';
import { stow, type Stowing, type TravelBox, type TravelItem } from './boxes';
import { travelItems } from './items';

const box = (a: number, b: number, c: number): TravelBox => ({
  id: 'case',
  name: 'case',
  insideMm: [a, b, c],
});
const item = (id: string, a: number, b: number, c: number): TravelItem => ({
  id,
  name: id,
  sidesMm: [a, b, c],
  massG: 10,
});

/** Whether whole-numbered items go into a whole-numbered box at all: every spot and turn of every item tried. */
function goes(items: readonly TravelItem[], inside: readonly [number, number, number]): boolean {
  const [w, d, h] = inside;
  const taken = new Uint8Array(w * d * h);
  const put = (i: number): boolean => {
    if (i === items.length) return true;
    const [a, b, c] = items[i]!.sidesMm;
    for (const [x, y, z] of [
      [a, b, c],
      [b, a, c],
      [a, c, b],
      [c, a, b],
      [b, c, a],
      [c, b, a],
    ] as const)
      for (let px = 0; px + x <= w; px++)
        for (let py = 0; py + y <= d; py++)
          for (let pz = 0; pz + z <= h; pz++) {
            const cells: number[] = [];
            for (let i = 0; i < x; i++)
              for (let j = 0; j < y; j++)
                for (let k = 0; k < z; k++) cells.push(px + i + w * (py + j + d * (pz + k)));
            if (cells.some((n) => taken[n])) continue;
            cells.forEach((n) => (taken[n] = 1));
            if (put(i + 1)) return true;
            cells.forEach((n) => (taken[n] = 0));
          }
    return false;
  };
  return put(0);
}

/** Nothing over another, nothing through a wall, nothing lost, every item as large as it is. */
function sound(made: Stowing, items: readonly TravelItem[]): void {
  const all = made.boxes.flatMap((b) => b.stowed);
  expect(all.length + made.left.length + made.tooBig.length).to.equal(items.length);
  for (const { box: own, stowed } of made.boxes)
    stowed.forEach((s, i) => {
      expect([...s.sizeMm].sort()).to.deep.equal([...s.item.sidesMm].sort());
      s.atMm.forEach((at, k) => expect(at + s.sizeMm[k]!).to.be.at.most(own.insideMm[k]! + 1e-6));
      for (const o of stowed.slice(i + 1))
        expect(
          [0, 1, 2].some(
            (k) =>
              s.atMm[k]! + s.sizeMm[k]! <= o.atMm[k]! + 1e-6 ||
              o.atMm[k]! + o.sizeMm[k]! <= s.atMm[k]! + 1e-6,
          ),
        ).to.equal(true);
    });
}

const side = fc.integer({ min: 1, max: 4 });

describe('stowing in boxes', () => {
  it('says that three small things go in only when trying every spot and turn finds that they do, and misses few', () => {
    let [could, did] = [0, 0];
    fc.assert(
      fc.property(
        fc.tuple(side, side, side),
        fc.array(fc.tuple(side, side, side), { minLength: 1, maxLength: 3 }),
        (inside, sizes) => {
          const items = sizes.map(([a, b, c], i) => item(`i${i}`, a, b, c));
          const made = stow(items, [box(...inside)]);
          sound(made, items);
          const all = made.left.length + made.tooBig.length === 0;
          const goesIn = goes(items, inside);
          if (all) expect(goesIn).to.equal(true);
          could += goesIn ? 1 : 0;
          did += all ? 1 : 0;
        },
      ),
      { numRuns: 400 },
    );
    expect(did / could).to.be.greaterThan(0.97);
  });

  it('fills a case to the last corner where eight like blocks do', () => {
    const blocks = Array.from({ length: 8 }, (_, i) => item(`b${i}`, 200, 150, 100));
    const made = stow(blocks, [box(400, 300, 200)]);
    expect(made.left).to.deep.equal([]);
    expect(made.boxes[0]!.filled).to.be.closeTo(1, 1e-9);
    expect(made.boxes[0]!.massG).to.equal(80);
  });

  it('tells what no box can take from what only found no room', () => {
    const made = stow(
      [item('pike', 2000, 60, 60), item('a', 300, 200, 100), item('b', 300, 200, 100)],
      [box(310, 210, 150)],
    );
    expect(made.tooBig.map((i) => i.id)).to.deep.equal(['pike']);
    expect(made.left).to.have.length(1);
  });

  it('stows a harness in two cases: every copy of every part once, twins one in the other', () => {
    const report = reportOf(demo('lampwarden-harness'));
    const items = travelItems(report.parts, report.carried);
    expect(items.reduce((sum, i) => sum + i.massG, 0)).to.be.closeTo(
      report.parts.reduce((sum, p) => sum + p.totalG * p.copies, 0),
      1e-6,
    );
    const cases = [1, 2].map((i): TravelBox => ({ ...box(700, 480, 300), id: `c${i}` }));
    sound(stow(items, cases), items);
  });

  it('has what is carried in the lengths it comes apart into', () => {
    const report = reportOf(demo('lampwarden-arms'));
    const items = travelItems(report.parts, report.carried);
    for (const c of report.carried) {
      const own = items.filter((i) => i.id === c.rootId || i.id.startsWith(`${c.rootId}/`));
      const longest = Math.max(...own.map((i) => Math.max(...i.sidesMm)));
      expect(longest, c.name).to.be.at.most(Math.max(c.apartMm, c.sidesMm[1]) + 0.1);
      expect(own.length * c.apartMm, c.name).to.be.at.least(c.lengthMm - 1);
    }
  });
});
