import { expect } from 'chai';
import type { Params, Ply } from '../../document';
import { boundsOf, meshVolume, signedArea } from '../../geometry';
import { liftedParams } from '../../document/lift';
import { newPart, standardKinds } from '../../parts';
import { asksOf } from '../../pattern/lettering/asks';
import { partReport, type PartReport } from '../../parts/partReport';
import { bodyOf, contextOf } from '../../parts/testing/worn.test';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
const stack: Ply[] = [6, 10, 10, 6].map((nominalMm) => ({ foamId: 'dense-eva', nominalMm }));
/** Sheets of 6, 10, 10 and 6 mm with three glue lines of 0.1 mm. */
const TOTAL_MM = 32.3;
const HALF_MM = TOTAL_MM / 2;

function made(form: string, params: Params): PartReport {
  const part = newPart('one', wearer, form);
  return partReport(
    { ...part, params: { ...part.params, ...params }, stack },
    contextOf({ body: bodyOf({}) }),
  );
}

const blade = (params: Params): PartReport =>
  made('blade', {
    point: 'square',
    lengthMm: 500,
    widthMm: 60,
    tipWidthMm: 60,
    pointMm: 20,
    tangMm: 0,
    bevelMm: 20,
    edgeMm: 4,
    ...params,
  });
const volume = (part: PartReport): number => meshVolume(part.solid.mesh);
const square = (form: string, params: Params): number => volume(made(form, { ...params, bevelMm: 0 }));
const spans = (part: PartReport): { left: number; right: number }[] =>
  part.pieces.map((p) => {
    const b = boundsOf(p.outline);
    return { left: b.minX, right: b.maxX };
  });

describe('edges that are bevelled', () => {
  it('are one or both: a single edge takes half of what two take, and the back stays square', () => {
    const whole = volume(blade({ bevelMm: 0 }));
    // Triangles over and under the edge; the sheets only, without the glue between them.
    const slope = 500 * 20 * (HALF_MM - 2) * (1 - 0.2 / (TOTAL_MM - 4));
    expect(whole - volume(blade({ edges: 'one' }))).to.be.closeTo(slope, slope * 0.01);
    expect(volume(blade({ edges: 'one' })) - volume(blade({ edges: 'both' }))).to.be.within(
      slope,
      slope * 1.12,
    );
    const outer = (edges: string): number => {
      const [s] = spans(blade({ edges }));
      return s!.right - s!.left;
    };
    const off = (20 * (10.15 - 2)) / (HALF_MM - 2);
    expect(outer('one')).to.be.closeTo(60 - off, 0.15);
    expect(outer('both')).to.be.closeTo(60 - 2 * off, 0.3);
  });

  it('are chosen one by one on a drawn outline: each takes its own triangles, halves of a straight side too', () => {
    const corners = [
      [0, 0],
      [100, 0],
      [100, 30],
      [100, 60],
      [0, 60],
    ] as const;
    const drawn = (squares: readonly number[], bevelMm = 12) =>
      volume(
        made('head', {
          shape: 'drawn',
          bevelMm,
          edgeMm: 4,
          outline: corners.map(([xMm, yMm], i) => ({
            xMm,
            yMm,
            node: 'corner',
            side: squares.includes(i) ? 'square' : 'bevel',
          })),
        }),
      );
    const plain = drawn([], 0);
    expect(drawn([0, 1, 2, 3, 4])).to.be.closeTo(plain, 1);
    // Triangles over and under each millimetre of edge; the sheets only, without the glue between them.
    const perMm = 12 * (HALF_MM - 2) * (1 - 0.2 / (TOTAL_MM - 4));
    expect(plain - drawn([1, 2, 3, 4]), 'the foot').to.be.closeTo(100 * perMm, perMm);
    expect(plain - drawn([0, 1, 2, 4]), 'the head').to.be.closeTo(100 * perMm, perMm);
    // A half ends upright in the middle of its side.
    expect(plain - drawn([0, 2, 3, 4]), 'the lower half of the right').to.be.closeTo(30 * perMm, perMm);
    expect(plain - drawn([0, 1, 3, 4]), 'the upper half of the right').to.be.closeTo(30 * perMm, perMm);
    // Two beside each other are mitred: a corner is taken once.
    const both = plain - drawn([1, 2, 3]);
    expect(both)
      .to.be.lessThan(160 * perMm)
      .and.greaterThan(160 * perMm * 0.9);
    expect(plain - drawn([]), 'all').to.be.lessThan(320 * perMm);
  });

  it('of files from before sides were chosen are bevelled all round', () => {
    const { fields, label } = standardKinds.forms.get('head')!;
    const start = newPart('one', wearer, 'head').params;
    const old = [
      { xMm: 0, yMm: 0, node: 'corner' },
      { xMm: 50, yMm: 0, node: 'corner', side: 'square' },
    ];
    const { values } = liftedParams({ ...start, outline: old }, { label, fields }, start);
    expect(values['outline']).to.deep.equal([{ ...old[0], side: 'bevel' }, old[1]]);
    const today = { ...start };
    expect(liftedParams(today, { label, fields }, start).values).to.equal(today);
  });

  it('with the point too take more', () => {
    const of = (edges: string) => volume(blade({ edges, point: 'spear', pointMm: 120 }));
    expect(of('point')).to.be.lessThan(of('one'));
    expect(of('both')).to.be.lessThan(of('point'));
  });

  it('run on past a corner into the side that stays square: no spur is left there', () => {
    const part = blade({ edges: 'point', point: 'clip', pointMm: 120, tipWidthMm: 52, bevelMm: 16 });
    for (const { name, outline } of part.pieces) {
      const turns = outline.map((a, i) => {
        const [b, c] = [outline[(i + 1) % outline.length]!, outline[(i + 2) % outline.length]!];
        return (b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x);
      });
      // A clipped blade stands out all round, and so does every layer of it.
      expect(Math.min(...turns), name).to.be.greaterThan(-0.5);
    }
    const whole = volume(blade({ bevelMm: 0, point: 'clip', pointMm: 120, tipWidthMm: 52 }));
    expect(volume(part)).to.be.lessThan(whole);
  });

  it('of an axe are its bow alone, or all round', () => {
    const axe = (edges: string) => made('head', { shape: 'axe', edges, bevelMm: 25, edgeMm: 5 });
    const whole = square('head', { shape: 'axe' });
    const [all, ends, right] = ['all', 'ends', 'right'].map((e) => whole - volume(axe(e)));
    expect(right!).to.be.greaterThan(0);
    // The poll faces left: it slopes among the ends, and is shorter than the bow.
    expect(ends!).to.be.greaterThan(right! * 1.2);
    expect(all!).to.be.greaterThan(ends! * 1.2);
  });

  it('are rounded by a quarter of an ellipse, which takes 1 − π/4 where a slope takes a half', () => {
    const whole = volume(blade({ bevelMm: 0 }));
    const words = (profile: string) =>
      blade({ edges: 'one', profile }).pieces.flatMap((p) => asksOf(p).map((a) => a.text));
    expect(words('round').join())
      .to.match(/round over to the line on the front/)
      .and.not.match(/off square/);
    expect(words('slope').join()).to.match(/off square/);
    const [slope, round] = ['slope', 'round'].map(
      (profile) => whole - volume(blade({ edges: 'one', profile })),
    );
    expect(round! / slope!).to.be.closeTo((1 - Math.PI / 4) / 0.5, 0.02);
  });

  it('step at every layer: pieces are cut square, the outer ones smaller', () => {
    const part = blade({ edges: 'one', profile: 'steps' });
    expect(part.pieces.every((p) => p.marks.every((m) => m.kind !== 'bevel'))).to.equal(true);
    const [outer, inner] = spans(part).map((s) => s.right - s.left);
    expect(inner).to.be.closeTo(60, 0.01);
    expect(outer).to.be.within(40, 50);
    const flat = part.pieces.reduce((sum, p) => sum + Math.abs(signedArea(p.outline)) * p.thicknessMm, 0);
    expect(volume(part)).to.be.closeTo(flat, flat * 0.001);
  });
});
