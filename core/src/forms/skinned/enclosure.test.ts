import { expect } from 'chai';
import { headForm, skinAt } from '../../body';
import type { Mesh } from '../../geometry';
import { adult, adultMeasures, contextOf } from '../../parts/testing/worn.test';
import { newPart } from '../../parts';
import { makePart } from '../../parts/made';
import { encloses, enclosureOf } from './enclosure';
import { headDefaults, type SkinParams } from './fields';
import { seatOnHead } from './onHead';
import { BELOW_EYES_MM } from './stands';

const head = headForm(adult);

/** A shell round the front of the head, so far off its skin; as far to each side, and moved. */
function shell(offMm: number, sideDeg: number, scale: number, by = { y: 0, z: 0 }): Mesh {
  const [rows, columns] = [24, 40];
  const points = Array.from({ length: (rows + 1) * (columns + 1) }, (_, i) => {
    const [v, u] = [Math.floor(i / (columns + 1)) / rows, (i % (columns + 1)) / columns];
    const p = skinAt(head, ((90 + (2 * u - 1) * sideDeg) * Math.PI) / 180, -0.8 + 1.4 * v);
    const d = { x: p.x, y: p.y - head.middle.y, z: p.z - head.middle.z };
    const share = scale * (1 + offMm / Math.hypot(d.x, d.y, d.z));
    return { x: d.x * share, y: head.middle.y + d.y * share + by.y, z: head.middle.z + d.z * share + by.z };
  });
  const at = (r: number, c: number): number => r * (columns + 1) + c;
  const triangles = Array.from({ length: rows }, (_, r) =>
    Array.from({ length: columns }, (_, c): [number, number, number][] => [
      [at(r, c), at(r, c + 1), at(r + 1, c + 1)],
      [at(r, c), at(r + 1, c + 1), at(r + 1, c)],
    ]).flat(),
  ).flat();
  return { points, triangles };
}

const of = (mesh: Mesh) => enclosureOf(mesh, adult, 0);

describe('a head inside a surface worn on it', () => {
  it('is found by rays: a shell at a distance covers the face and stands that far off', () => {
    for (const offMm of [6, 15, 30]) {
      const found = of(shell(offMm, 100, 1));
      expect(found.share).to.be.greaterThan(0.95);
      // Off along the ray from the middle of the head; square to the skin it is a little less.
      expect(found.offMm!).to.be.within(0.75 * offMm, offMm + 0.5);
      expect(encloses(found)).to.equal(true);
    }
  });

  it('says nothing of a small one before the face, of one behind the head, nor of one far too large', () => {
    expect(encloses(of(shell(6, 60, 0.35, { y: 110, z: 0 })))).to.equal(false);
    expect(of(shell(6, 60, 0.35, { y: 110, z: 0 })).share).to.be.lessThan(0.3);
    expect(of(shell(6, 100, 1, { y: -320, z: 0 })).share).to.equal(0);
    expect(of(shell(70, 100, 1)).share).to.be.greaterThan(0.95);
    expect(encloses(of(shell(70, 100, 1)))).to.equal(false);
  });

  const made = (change: Partial<SkinParams>): string[] => {
    const part = newPart('m', { name: 'Anyone', underLayerMm: 0, measures: adultMeasures }, 'skinned-head');
    return makePart({ ...part, params: { ...part.params, ...(change as object) } }, contextOf(), {
      coarse: true,
    }).noticed.map((n) => n.check.id);
  };
  const start = headDefaults(adult);

  it('is a stop where the head is not inside, a caution where it is too loose, and nothing as a part begins', () => {
    expect(made({})).to.not.include.members(['encloses']).and.not.include.members(['loose']);
    expect(made({ aheadMm: start.aheadMm - 320 })).to.include('encloses');
    expect(made({ scalePct: 40, aheadMm: start.aheadMm + 100 })).to.include('encloses');
    expect(made({ scalePct: 260, aheadMm: 2 * start.aheadMm, upMm: -300 })).to.include('loose');
  });

  it('is what sizing to the head ends with, from however small a surface', () => {
    for (const scalePct of [60, 100, 220]) {
      const share = scalePct / start.scalePct;
      const aheadMm = share * start.aheadMm;
      const upMm = BELOW_EYES_MM - share * (BELOW_EYES_MM - start.upMm);
      const seat = seatOnHead({ ...start, scalePct, aheadMm, upMm }, [], adult, 6, 2, 6, true);
      expect(seat.leastGapMm).to.be.at.least(6 - 0.01);
      expect(encloses(seat), `from ${scalePct} %: ${JSON.stringify(seat)}`).to.equal(true);
    }
  });
});
