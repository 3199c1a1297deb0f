import { expect } from 'chai';
import fc from 'fast-check';
import { applyChanges, type Params } from '../document';
import { dist3, dot3, length3, scale3, sub3, unit3, type Vec3 } from '../geometry';
import { formOf, makePart, modelOf, standardKinds } from '../parts';
import { contextOf, partOf } from '../parts/testing/worn.test';
import { dimensionsOf, movedTo, turned, type Dimension } from '.';
import { sizedOf } from './dimensionsOf';
import { trackedOf } from './tracked';
import { circleThrough } from './turning';

const context = contextOf();
const dimensions = (kind: string, change: Params = {}): Dimension[] =>
  dimensionsOf(partOf(kind, change), context);
const one = (kind: string, key: string, change: Params = {}): Dimension =>
  dimensions(kind, change).find((d) => d.path.join('.') === key)!;

/** Cut anew by every value, so that the whole of them takes long. */
const heavy = ['skinned-head', 'donor-scan', 'skinned-thing'];
const light = [...standardKinds.forms.keys()].filter((kind) => !heavy.includes(kind));

describe('dimensions on the picture', () => {
  for (const kind of light)
    it(`${kind}: every length and angle has one, that says the value and lies on the thing`, () => {
      const part = partOf(kind, {});
      const { fields } = formOf(standardKinds, kind);
      const found = dimensionsOf(part, context);
      const sized = sizedOf(part, fields).filter((s) => s.field.type !== 'number');
      expect(found.filter((d) => ['mm', 'deg'].includes(d.unit)).map((d) => d.path.join('.'))).to.deep.equal(
        sized.map((s) => s.path.join('.')),
      );
      const tracked = [...trackedOf(modelOf(part, context)).values()].map((t) => t.at);
      for (const d of found) {
        const name = `${kind} ${d.path.join('.')}`;
        if (d.way === 'between') expect(dist3(d.from, d.to), name).to.be.closeTo(Math.abs(d.value), 1e-6);
        if (d.way === 'arc') {
          expect(dist3(d.from, d.centre!), name).to.be.closeTo(dist3(d.to, d.centre!), 1e-6);
          const back = turned(d.from, d.centre!, d.axis!, (d.value * Math.PI) / 180);
          expect(dist3(back, d.to), name).to.be.lessThan(1e-6);
        }
        if (!d.still) expect(Math.min(...tracked.map((p) => dist3(p, d.to))), name).to.be.lessThan(1e-6);
      }
    });

  it('most are measured between two points or as an arc; few have nothing on the thing that answers to them', () => {
    const all = light.flatMap((kind) => dimensions(kind));
    const share = (of: (d: Dimension) => boolean): number => all.filter(of).length / all.length;
    expect(share((d) => d.way !== 'note')).to.be.greaterThan(0.75);
    expect(share((d) => d.still === true)).to.be.lessThan(0.1);
  });

  it('go where they say when the value changes: the thing is made anew and its nearest point met', () => {
    for (const kind of light)
      for (const d of dimensions(kind).filter(
        // A corner of a rounded outline takes its neighbours with it.
        (x) => x.way === 'between' && !x.still && x.path[0] !== 'outline',
      )) {
        const by = Math.min(1, (d.range[1] - d.range[0]) * 0.05);
        if (d.value + by > d.range[1]) continue;
        const changed = applyChanges(partOf(kind, {}), [
          { path: ['params', ...d.path], value: d.value + by },
        ]);
        const there = [...trackedOf(modelOf(changed, context)).values()].map((t) => t.at);
        const meant = movedTo(d, d.value + by);
        expect(
          Math.min(...there.map((p) => dist3(p, meant.to))),
          `${kind} ${d.path.join('.')}`,
        ).to.be.lessThan(0.35);
      }
  });

  it('a box by hand: from side to side, from front to back, from its foot upwards', () => {
    const size = {
      widthMm: 120,
      heightMm: 160,
      deepMm: 60,
      corners: 'butt',
      open: 'none',
      held: 'inside',
      skinMm: 0,
    };
    const along = (key: string): Vec3 => {
      const d = one('box', key, size);
      expect(d.way, key).to.equal('between');
      return scale3(sub3(d.to, d.from), 1 / d.value);
    };
    const level = (v: Vec3): number[] => [v.x, v.y, v.z].map((c) => Math.round(Math.abs(c) * 100) / 100);
    expect(level(along('widthMm'))).to.deep.equal([1, 0, 0]);
    expect(level(along('deepMm'))).to.deep.equal([0, 1, 0]);
    expect(level(along('heightMm'))).to.deep.equal([0, 0, 1]);
  });

  it('a greave by hand: its edges are measured along the shin, a millimetre for a millimetre', () => {
    const { step, from, to, value } = one('greave', 'endMm', { pointMm: 0 });
    expect(step.z).to.be.closeTo(1, 0.01);
    expect(Math.hypot(step.x, step.y)).to.be.lessThan(0.4);
    expect(to.z - from.z).to.be.closeTo(value * unit3(step).z, 1e-6);
  });

  it('the seam of a two-piece shell is an arc about the limb', () => {
    const d = one('thigh', 'seamDeg', { seamDeg: 30 });
    expect(d.way).to.equal('arc');
    expect(Math.abs(d.axis!.z)).to.be.greaterThan(0.98);
    expect(dist3(d.centre!, { x: 0, y: 0, z: d.centre!.z })).to.be.lessThan(25);
  });

  it('an ease is a note: the wall gives way by its share of a turn', () => {
    const d = one('thigh', 'easeMm');
    expect(d.way).to.equal('note');
    expect(length3(d.step)).to.be.closeTo(1 / (2 * Math.PI), 0.02);
  });

  it('lists have one for every line: a profile, sections, tubes', () => {
    const paths = dimensions('rounds').map((d) => d.path.join('.'));
    expect(paths).to.include('sections.0.lowMm').and.to.include('sections.1.lowMm');
  });

  it('stand apart from each other where there is room', () => {
    const points = dimensions('bracer').map((d) => d.to);
    const close = points.flatMap((p, i) => points.slice(i + 1).filter((q) => dist3(p, q) < 4));
    expect(close).to.deep.equal([]);
  });

  it('a grip gives way to one that has no other spot: the cuff edge to the point in the middle of it', () => {
    const [edge, point] = ['startMm', 'pointMm'].map((key) => one('bracer', key, { pointMm: 45 }));
    expect(dist3(edge!.to, point!.to)).to.be.greaterThan(10);
  });

  it('lie on the flat piece as well, between spots as far apart as the value where it is measured along it', () => {
    const d = one('greave', 'endMm', { pointMm: 0, startMm: 60 });
    expect(d.flat).to.not.equal(undefined);
    const made = makePart(partOf('greave', { pointMm: 0, startMm: 60 }), context, {});
    const piece = made.laid.find((l) => l.piece.id === d.flat!.pieceId)!.piece;
    const ys = piece.outline.map((p) => p.y);
    expect(d.flat!.to.y).to.be.within(Math.min(...ys) - 1, Math.max(...ys) + 1);
  });

  it('a heavy form gives the dimensions that are wanted', () => {
    const [d, ...rest] = dimensionsOf(partOf('skinned-head', {}), context, ['upMm']);
    expect(rest).to.deep.equal([]);
    expect(d!.way).to.equal('between');
    expect(dot3(unit3(d!.step), { x: 0, y: 0, z: 1 })).to.be.closeTo(1, 0.02);
  });

  it('none are begun once the time is up', () => {
    expect(dimensionsOf(partOf('bracer', {}), context, undefined, -1)).to.deep.equal([]);
  });
});

describe('turning', () => {
  it('a circle through three of its points is found again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 500, noNaN: true }),
        fc.double({ min: 0.02, max: 1.5, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (radius, by, start) => {
          const axis = unit3({ x: 0.3, y: -0.5, z: 0.8 });
          const centre = { x: 10, y: -20, z: 30 };
          const arm = unit3({ x: 0.5, y: 0.3, z: 0 });
          const first = turned(
            { x: centre.x + arm.x * radius, y: centre.y + arm.y * radius, z: centre.z },
            centre,
            { x: 0, y: 0, z: 1 },
            start,
          );
          const own = { x: 0, y: 0, z: 1 };
          const circle = circleThrough(
            first,
            turned(first, centre, own, by),
            turned(first, centre, own, 2 * by),
          )!;
          expect(circle.radius).to.be.closeTo(radius, radius * 1e-4);
          expect(dist3(circle.centre, centre)).to.be.lessThan(radius * 1e-4);
          expect(dot3(circle.axis, own)).to.be.closeTo(1, 1e-6);
          expect(length3(axis)).to.be.closeTo(1, 1e-9);
        },
      ),
      { numRuns: 60, seed: 26 },
    );
  });

  it('three points in a line have none', () => {
    expect(circleThrough({ x: 0, y: 0, z: 0 }, { x: 1, y: 0, z: 0 }, { x: 2, y: 0, z: 0 })).to.equal(
      undefined,
    );
  });
});
