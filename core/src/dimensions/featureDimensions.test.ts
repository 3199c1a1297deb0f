import { expect } from 'chai';
import type { Feature, Params } from '../document';
import { dist2, dist3, length3 } from '../geometry';
import { makePart, standardKinds, startFeature } from '../parts';
import { contextOf, partOf } from '../parts/testing/worn.test';
import { firstOf } from '../units';
import { type Dimension, featureDimensions } from '.';

const context = contextOf();
const forms = ['bracer', 'box', 'blade', 'helmet'];

/** A detail of a kind begun on a form, with other values; nothing where the form takes none. */
function begun(form: string, kindId: string, change: Params = {}): Feature | undefined {
  const part = partOf(form, {});
  const kind = standardKinds.features.get(kindId)!;
  const { laid } = makePart(part, context, { coarse: true });
  const { panel, piece } = firstOf(laid);
  const pointed = { panel: panel.id, edge: firstOf(piece.edges).id, at: { x: 0.5, y: 0.5 } };
  const started = startFeature(part, context, { kind, pointed, id: 'one' });
  return started.ok ? { ...started.value, params: { ...started.value.params, ...change } } : undefined;
}

function dimensions(form: string, kindId: string, change: Params = {}): Dimension[] {
  const feature = begun(form, kindId, change);
  if (!feature) return [];
  return featureDimensions({ ...partOf(form, {}), features: [feature] }, context, feature.id);
}

const one = (form: string, kindId: string, key: string, change: Params = {}): Dimension =>
  dimensions(form, kindId, change).find((d) => d.path[0] === key)!;

describe('dimensions of details', () => {
  for (const kind of standardKinds.features.keys())
    it(`${kind}: what is drawn between two points says its value, in space and on the flat`, () => {
      for (const form of forms)
        for (const d of dimensions(form, kind)) {
          const name = `${form} ${kind} ${d.path.join('.')}`;
          expect(d.featureId, name).to.equal('one');
          if (d.way === 'between') expect(dist3(d.from, d.to), name).to.be.closeTo(Math.abs(d.value), 1e-6);
          // Measured along a bent piece, or as a chord of it, by a hair.
          if (d.flat?.from)
            expect(dist2(d.flat.from, d.flat.to), name).to.be.closeTo(
              Math.abs(d.value),
              0.6 + 0.03 * Math.abs(d.value),
            );
          expect(d.still === true && !d.flat, `${name} shows nothing`).to.equal(false);
        }
    });

  it('a hole by hand: across its middle, as wide as it is, both sides going half as fast', () => {
    const d = one('box', 'hole', 'diameterMm', { diameterMm: 24 });
    expect(d.value).to.equal(24);
    expect(length3(d.step)).to.be.closeTo(0.5, 1e-6);
    expect(dist2(d.flat!.from!, d.flat!.to)).to.be.closeTo(24, 1e-6);
  });

  it('a bought thing by hand: its three sides stand at right angles', () => {
    const all = dimensions('box', 'gadget');
    const along = ['lengthMm', 'widthMm', 'thickMm'].map((key) => {
      const d = all.find((x) => x.path[0] === key)!;
      return [d.to.x - d.from.x, d.to.y - d.from.y, d.to.z - d.from.z].map((c) => Math.abs(c) / d.value);
    });
    for (let axis = 0; axis < 3; axis++)
      expect(
        along.reduce((sum, way) => sum + way[axis]!, 0),
        'every axis once',
      ).to.be.closeTo(1, 0.02);
  });

  it('most lengths of details are shown from end to end', () => {
    const all = [...standardKinds.features.keys()].flatMap((kind) => dimensions('box', kind));
    const ended = all.filter((d) => d.way !== 'note' || d.flat?.from);
    expect(ended.length / all.length).to.be.greaterThan(0.8);
    expect(all.length).to.be.greaterThan(30);
  });

  it('a detail that is not there has none', () => {
    expect(featureDimensions(partOf('box', {}), context, 'gone')).to.deep.equal([]);
  });
});
