import { expect } from 'chai';
import fc from 'fast-check';
import { newBuild, newPart } from '../parts';
import { upgradeDoc } from './buildFile';
import { hostileName } from '../rule';

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
const doc = { ...newBuild('Quay', '2026-03-01', wearer), parts: [newPart('a', wearer, 'bracer')] };

describe('names that every object has', () => {
  it('are refused by name wherever they stand in a document, and nothing is thrown', () => {
    const names = ['toString', 'constructor', 'valueOf', 'hasOwnProperty', 'toJSON', '__proto__'];
    /** Every place in the document that is an object. */
    const places: string[][] = [];
    const walk = (value: unknown, path: string[]): void => {
      if (typeof value !== 'object' || value === null) return;
      if (!Array.isArray(value)) places.push(path);
      for (const [key, inner] of Object.entries(value)) walk(inner, [...path, key]);
    };
    walk(doc, []);
    fc.assert(
      fc.property(fc.constantFrom(...places), fc.constantFrom(...names), (path, name) => {
        const copy = JSON.parse(JSON.stringify(doc)) as Record<string, unknown>;
        const at = path.reduce((o, key) => o[key] as Record<string, unknown>, copy);
        Object.defineProperty(at, name, { value: 1, enumerable: true, configurable: true });
        const read = upgradeDoc(copy);
        expect(read.ok).to.equal(false);
        if (!read.ok) expect(read.message).to.include(name);
      }),
      { numRuns: 150 },
    );
  });

  it('are refused in the place of a value as well', () => {
    const [part] = doc.parts;
    for (const odd of [{ toString: 1 }, { valueOf: 1 }, [{ toString: 1 }]])
      for (const field of ['form', 'id', 'name', 'mount', 'stack'])
        expect(upgradeDoc({ ...doc, parts: [{ ...part, [field]: odd }] }).ok, field).to.equal(false);
  });

  it('are distinguished from plain ones at any depth', () => {
    expect(hostileName(doc)).to.equal(undefined);
    expect(hostileName({ a: [{ b: { toString: 1 } }] })).to.equal('a.0.b.toString');
    let deep: object = {};
    for (let i = 0; i < 100_000; i++) deep = { a: deep };
    expect(hostileName(deep)).to.be.a('string');
  });
});
