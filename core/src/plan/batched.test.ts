import { expect } from 'chai';
import { applyChanges, type BuildDoc } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';
import { batched } from './batched';
import type { Step } from './step';

const wearer = { name: 'A', underLayerMm: 2, measures: [] };
const many: BuildDoc = {
  ...newBuild('T', '2026-03-01', wearer),
  parts: Array.from({ length: 8 }, (_, i) => ({
    ...newPart(`p${i}`, wearer, 'turned'),
    name: `Spike ${i + 1}`,
  })),
};
const inBatches = (doc: BuildDoc): BuildDoc =>
  applyChanges(doc, [{ path: ['make', 'calendar'], value: { order: 'batches' } }]);
const one = (id: string, after: string[], rest: Partial<Step> = {}): Step => ({
  id,
  title: `${id.slice(0, 2)}: do it`,
  detail: 'So.',
  kind: 'cut',
  about: 'pieces',
  partId: id.slice(0, 2),
  workMin: 20,
  waitMin: 0,
  after,
  cautions: [],
  ...rest,
});

describe('work done in batches', () => {
  it('is one step for what is alike: eight spikes are traced, cut and sprayed together', () => {
    const [each, together] = [derive(many).steps, derive(inBatches(many)).steps];
    expect(together.length).to.be.lessThan(each.length / 4);
    const cut = together.filter((s) => s.kind === 'cut');
    expect(cut).to.have.length(1);
    expect(cut[0]!.of).to.have.length(8);
    expect(cut[0]!.title).to.match(/^8 parts together: cut/);
    // Getting ready seven times less: three minutes each, no more than half of all.
    const whole = each.filter((s) => s.kind === 'cut').reduce((sum, s) => sum + s.workMin, 0);
    expect(cut[0]!.workMin).to.equal(Math.ceil(Math.max(whole / 2, whole - 7 * 3)));
    const minutes = (steps: readonly Step[]): number => steps.reduce((sum, s) => sum + s.workMin, 0);
    expect(minutes(together)).to.be.lessThan(0.9 * minutes(each));
  });

  it('loses no step and keeps what must come first', () => {
    const [each, together] = [derive(many).steps, derive(inBatches(many)).steps];
    const of = together.flatMap((s) => s.of ?? [s.id]);
    expect([...of].sort()).to.deep.equal(each.map((s) => s.id).sort());
    const at = new Map(together.flatMap((s, i) => (s.of ?? [s.id]).map((id): [string, number] => [id, i])));
    for (const s of each)
      for (const id of s.after) expect(at.get(id)!, `${s.id} after ${id}`).to.be.at.most(at.get(s.id)!);
    together.forEach((s, i) =>
      s.after.forEach((id) => expect(at.get(id), `${s.id} after ${id}`).to.be.lessThan(i)),
    );
  });

  it('puts nothing together that waits for the other, however far', () => {
    const steps = [
      one('p0:cut', []),
      one('p0:glue', ['p0:cut'], { kind: 'glue' }),
      one('p1:cut', ['p0:glue']),
      one('p2:cut', []),
    ];
    const found = batched(steps, {});
    expect(found.find((s) => s.of)!.of).to.deep.equal(['p0:cut', 'p2:cut']);
    expect(found.some((s) => s.id === 'p1:cut')).to.equal(true);
  });

  it('leaves what was done by itself by itself, and what was done together together', () => {
    const steps = [one('p0:cut', []), one('p1:cut', []), one('p2:cut', []), one('p3:cut', [])];
    const alone = batched(steps, { 'p0:cut': '2026-03-01T10:00:00Z' });
    expect(alone.find((s) => s.of)!.of).to.deep.equal(['p1:cut', 'p2:cut', 'p3:cut']);
    const both = batched(steps, { 'p0:cut': '2026-03-01T10:00:00Z', 'p1:cut': '2026-03-01T10:00:00Z' });
    expect(both.map((s) => s.of)).to.deep.equal([
      ['p0:cut', 'p1:cut'],
      ['p2:cut', 'p3:cut'],
    ]);
  });
});
