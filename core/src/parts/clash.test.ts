import { expect } from 'chai';
import type { Feature, Params } from '../document';
import { contextOf, expectCured, partOf } from './testing/worn.test';
import { standardKinds } from './kinds';
import { makePart } from './made';

const startOf = (kind: string): Params =>
  standardKinds.features.get(kind)!.start({ panel: 'a', edge: '', at: { x: 0.5, y: 0.5 } }).params;

const lamps: Feature = {
  id: 'lamps',
  kind: 'lamps',
  place: { on: 'panel', panel: 'a', u: 0.5, v: 0.4, turnDeg: 0 },
  params: {
    count: 3,
    layout: 'line',
    rows: 2,
    colour: 'amber',
    body: '5mm',
    pitchMm: 20,
    shows: 'hole',
    awayMm: 5,
  },
};
const pack = (u: number): Feature => ({
  id: 'pack',
  kind: 'pack',
  place: { on: 'panel', panel: 'a', u, v: 0.5, turnDeg: 0 },
  params: { ...startOf('pack'), packId: '3xaaa', pocket: 'none' },
});
const toggle = (u: number): Feature => ({
  id: 'switch',
  kind: 'switch',
  place: { on: 'panel', panel: 'a', u, v: 0.5, turnDeg: 0 },
  params: { ...startOf('switch'), switchId: 'rocker' },
});
const clashes = (...features: Feature[]): string[] =>
  makePart(partOf('bracer', {}, { features }), contextOf())
    .noticed.map((n) => n.check.id)
    .filter((id) => id.startsWith('clash'));

describe('things behind the same piece', () => {
  it('may not lie over lamps or over each other', () => {
    expect(clashes(lamps, pack(0.5))).to.deep.equal(['clash-pack']);
    expect(clashes(pack(0.25), toggle(0.25))).to.deep.equal(['clash-switch']);
  });

  it('are left alone where they are clear', () => {
    expect(clashes(lamps, pack(0.22), toggle(0.8))).to.deep.equal([]);
    expect(clashes(pack(0.5))).to.deep.equal([]);
  });

  it('are slid apart by their remedies', () => {
    expectCured('bracer', {}, 'clash-pack', { features: [lamps, pack(0.45)] });
  });
});
