import { expect } from 'chai';
import type { Feature } from '../document';
import { partReport } from '.';
import { contextOf, partOf } from './testing/worn.test';

const box = { widthMm: 200, heightMm: 200, deepMm: 120 };
const onFront = { on: 'panel' as const, panel: 'front', u: 0.5, v: 0.5, turnDeg: 0 };
const square = [
  [-10, -10],
  [10, -10],
  [10, 10],
  [-10, 10],
].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner' }));
const shape = { scalePct: 100, count: 3, stepMm: 30, deepMm: 4, madeOf: 'part', foamMm: 2 };
const drawn = (way: string): Feature => ({
  id: 'it',
  kind: 'drawn-shape',
  place: onFront,
  params: { ...shape, way, outline: square } as Feature['params'],
});

/** Foam of the pieces of the shell, g, with a detail and without. */
function shellG(features: Feature[]): number {
  const report = partReport(partOf('box', box, { nominalMm: 10, features }), contextOf());
  expect(report.checks.map((c) => c.id)).not.to.include('feature-it');
  return report.pieces
    .filter((p) => p.role === 'shell')
    .reduce((sum, p) => sum + (p.volumeMm3 ?? p.areaMm2 * p.thicknessMm) * p.densityKgM3 * 1e-6, 0);
}

describe('foam taken out of a face', () => {
  const plain = shellG([]);
  const { foam } = partReport(partOf('box', box, { nominalMm: 10 }), contextOf());
  const gOf = (mm3: number): number => mm3 * foam.densityKgM3.value * 1e-6;

  it('weighs nothing any more: three squares of 20 mm, 4 mm deep', () => {
    expect(plain - shellG([drawn('carved')])).to.be.closeTo(gOf(3 * 400 * 4), 1e-6);
  });

  it('is as deep as what is let in, and a line engraved takes none', () => {
    const inlaid = plain - shellG([drawn('inlaid')]);
    expect(inlaid).to.be.greaterThan(0);
    // As thick as the sheet it is cut from, which is about what it is called.
    expect(inlaid / gOf(3 * 400)).to.be.closeTo(2, 0.3);
    expect(plain - shellG([drawn('engraved')])).to.equal(0);
  });

  it('is the pocket itself, 1 mm under what goes in on each side, with skin left', () => {
    const pocket = (deepMm: number): Feature => ({
      id: 'it',
      kind: 'pocket',
      place: onFront,
      params: { widthMm: 32, lengthMm: 42, deepMm },
    });
    expect(plain - shellG([pocket(3)])).to.be.closeTo(gOf(30 * 40 * 3), 1e-6);
    const t = foam.thicknessMm.value;
    expect(plain - shellG([pocket(40)])).to.be.closeTo(gOf(30 * 40 * (t - 2)), 1e-6);
  });

  it('is the channel for wires: 100 mm of it, 6 mm wide, 3 mm deep', () => {
    const channel: Feature = {
      id: 'it',
      kind: 'channel',
      place: {
        on: 'path',
        panel: 'front',
        points: [
          [0.25, 0.5],
          [0.75, 0.5],
        ],
      },
      params: { widthMm: 6, deepMm: 3 },
    };
    expect(plain - shellG([channel])).to.be.closeTo(gOf(100 * 6 * 3), 1e-3 * gOf(100 * 6 * 3));
  });
});
