import { expect } from 'chai';
import fc from 'fast-check';
import { applyChanges, type Feature, type Params, type Part } from '../document';
import { boundsOf, contains, signedArea } from '../geometry';
import { newPart, partReport, placements, standardKinds } from '../parts';
import { contextOf } from '../parts/testing/worn.test';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };

/** A drawn board of four layers, 260 by 120, with features on it; no stick in it. */
function slab(features: Feature[], layersMm = [6, 10, 10, 6], foamId = 'dense-eva'): Part {
  const part = newPart('slab', wearer, 'shield');
  return {
    ...part,
    stack: layersMm.map((nominalMm) => ({ foamId, nominalMm })),
    features,
    params: {
      ...part.params,
      shape: 'drawn',
      bevelMm: 0,
      bossMm: 0,
      outline: [
        [-130, 0],
        [130, 0],
        [130, 120],
        [-130, 120],
      ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner', side: 'bevel' })),
    },
  };
}
const put = (kind: string, layer: number, params: Params, u = 0.5, v = 0.5, turnDeg = 0): Feature => ({
  id: `${kind}-1`,
  kind,
  place: { on: 'panel', panel: `board-${layer}`, u, v, turnDeg },
  params: {
    ...standardKinds.features.get(kind)!.start({ panel: 'board-4', edge: '', at: { x: 0.5, y: 0.5 } }).params,
    ...params,
  },
});
const report = (part: Part) => partReport(part, contextOf());
const shellsOf = (part: Part) => report(part).pieces.filter((p) => p.role === 'shell');
const pocketOf = (piece: ReturnType<typeof shellsOf>[number], text: string) =>
  piece.marks.filter((m) => m.text?.startsWith(text));

describe('things let into a lamination', () => {
  it('take as many layers as they are deep: right through the upper, to a depth in the last, none below', () => {
    const pieces = shellsOf(slab([put('pocket', 4, { widthMm: 40, lengthMm: 60, deepMm: 20 })]));
    expect(pieces).to.have.length(4);
    const found = pieces.map((p) => pocketOf(p, 'pocket').map((m) => `${m.kind}: ${m.text}`));
    // 6 and 10 right through; 4 of the 20 are left for the second layer.
    expect(found).to.deep.equal([[], ['pocket: pocket, 4.0 mm deep'], ['slot: pocket'], ['slot: pocket']]);
  });

  it('are cut 1 mm under size a side in foam, over it in board, and every layer lies under the one above', () => {
    for (const [foamId, wide, long] of [
      ['dense-eva', 38, 58],
      ['pvc-board', 41, 61],
    ] as const) {
      const part = slab(
        [put('pocket', 4, { widthMm: 40, lengthMm: 60, deepMm: 16 })],
        [6, 10, 10, 6],
        foamId,
      );
      const cuts = shellsOf(part).flatMap((p) => pocketOf(p, 'pocket'));
      expect(cuts.length).to.be.at.least(2);
      for (const { points } of cuts) {
        const b = boundsOf(points);
        expect(b.maxX - b.minX).to.be.closeTo(wide, 0.01);
        expect(b.maxY - b.minY).to.be.closeTo(long, 0.01);
        // Middle of a board of 260 by 120.
        expect((b.minX + b.maxX) / 2).to.be.closeTo(130, 0.01);
        expect((b.minY + b.maxY) / 2).to.be.closeTo(60, 0.01);
      }
    }
  });

  it('weigh what is cut out of them less', () => {
    const plain = report(slab([]));
    const cut = report(slab([put('pocket', 4, { widthMm: 42, lengthMm: 62, deepMm: 20 })]));
    const density = plain.foam.densityKgM3.value;
    expect(plain.foamG - cut.foamG).to.be.closeTo((40 * 60 * 20 * density) / 1e6, 0.02);
  });

  it('never break a wall or leave the board without being told, wherever they are put', () => {
    fc.assert(
      fc.property(
        fc.record({
          u: fc.double({ min: 0, max: 1, noNaN: true }),
          v: fc.double({ min: 0, max: 1, noNaN: true }),
          turnDeg: fc.integer({ min: 0, max: 359 }),
          deepMm: fc.integer({ min: 1, max: 40 }),
          layer: fc.integer({ min: 2, max: 4 }),
          lengthMm: fc.integer({ min: 10, max: 110 }),
        }),
        ({ u, v, turnDeg, deepMm, layer, lengthMm }) => {
          const made = report(slab([put('pocket', layer, { widthMm: 30, lengthMm, deepMm }, u, v, turnDeg)]));
          const shells = made.pieces.filter((p) => p.role === 'shell');
          let cutMm3 = 0;
          for (const piece of shells)
            for (const { points, kind, text } of pocketOf(piece, 'pocket')) {
              expect(points.every((p) => contains(piece.outline, p))).to.equal(true);
              const deep = kind === 'slot' ? piece.thicknessMm : Number(/([\d.]+) mm deep/.exec(text!)![1]);
              cutMm3 += Math.abs(signedArea(points)) * deep;
            }
          const reported = made.checks.some((c) => c.id.startsWith('pocket-'));
          const most = shells.slice(0, layer).reduce((sum, p) => sum + p.thicknessMm, 0) - 3;
          // As deep as asked, or reported; and a floor of 3 mm under it either way.
          const asked = 28 * (lengthMm - 2) * Math.min(deepMm, most);
          if (!reported) expect(cutMm3).to.be.closeTo(asked, asked * 0.02 + 28 * lengthMm * 0.06);
          if (deepMm > most + 0.05) expect(reported).to.equal(true);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a pack under layers is told to be glued in, and goes to the top with a lid that closes its seat', () => {
    const part = slab([put('pack', 3, { packId: '2xcr2032', hatch: 'none' })]);
    const closed = report(part).checks.find((c) => c.id.startsWith('pack-closed'))!;
    expect(closed.severity).to.equal('stop');
    const [cure] = closed.remedies;
    expect(cure!.label).to.match(/^Into board, layer 4/);
    // From deeper down it goes to the very top as well, not to the next layer.
    const deep = report(slab([put('pack', 2, { packId: '2xcr2032', hatch: 'none' })])).checks;
    expect(deep.find((c) => c.id.startsWith('pack-closed'))!.remedies[0]!.label).to.match(
      /^Into board, layer 4/,
    );
    const moved = { ...put('pack', 4, { packId: '2xcr2032', hatch: 'lid' }) };
    const made = report(slab([moved]));
    expect(made.checks.filter((c) => c.id.startsWith('pack-'))).to.deep.equal([]);
    const lid = made.pieces.find((p) => p.name === 'lid of the pack')!;
    const lb = boundsOf(lid.outline);
    expect([lb.maxX - lb.minX, lb.maxY - lb.minY]).to.deep.equal([24 + 12, 44 + 12]);
    const top = made.pieces.find((p) => p.id === 'board-4')!;
    const [seat] = pocketOf(top, 'seat of the lid');
    const sb = boundsOf(seat!.points);
    // The lid is pushed in: its seat is 1 mm under it a side.
    expect([sb.maxX - sb.minX, sb.maxY - sb.minY].map((v) => Math.round(v * 10) / 10)).to.deep.equal([
      34, 54,
    ]);
    expect(seat!.text).to.include('4.0 mm deep');
    // Lid and pack: what is gone is their pockets, the one in the other counted once.
    const plain = report(slab([]));
    const goneMm3 = 34 * 54 * 4 + 22 * 42 * 6;
    const shellG = (r: typeof made): number =>
      r.pieces
        .filter((p) => p.role === 'shell')
        .reduce((g, p) => g + ((p.volumeMm3 ?? p.areaMm2 * p.thicknessMm) * p.densityKgM3) / 1e6, 0);
    expect(shellG(plain) - shellG(made)).to.be.closeTo((goneMm3 * plain.foam.densityKgM3.value) / 1e6, 0.01);
    expect(made.bought.some((b) => b.what.startsWith('magnets'))).to.equal(true);
  });

  it('a pack too thick for the layers says by how much, and one that runs into a stick says so', () => {
    const thick = report(slab([put('pack', 3, { packId: '2xaa', hatch: 'lid' })], [6, 6, 6])).checks;
    // Three of 6 mm less the floor: 15; 17 mm of pack and 4 of lid are 21.
    expect(thick.find((c) => c.id.startsWith('pocket-deep'))!.excess).to.be.closeTo(6, 0.01);
    const pistol = newPart('pistol', wearer, 'prop-body');
    const id = report(pistol).panels.at(-1)!.id;
    const crossed: Part = {
      ...pistol,
      features: [
        {
          ...put('pocket', 4, { widthMm: 20, lengthMm: 30, deepMm: 18 }),
          place: { on: 'panel', panel: id, u: 0.5, v: 0.82, turnDeg: 0 },
        },
      ],
    };
    const way = report(crossed).checks;
    const inWay = way.find((c) => c.id.startsWith('pocket-way'))!;
    expect(inWay.title).to.include('channel of a stick');
    // Its cure leads to a spot where nothing is in its way and its walls stand.
    const moved = report(applyChanges(crossed, inWay.remedies[0]!.changes));
    expect(moved.checks.filter((c) => c.id.startsWith('pocket-'))).to.deep.equal([]);
  });

  it('the search finds places in layers for a pack, and each is sound', () => {
    const part = slab([put('pack', 4, { packId: '2xcr2032', hatch: 'lid' }, 0.02, 0.02)]);
    const answer = placements(part, contextOf(), 'pack-1', 'even');
    if (!('found' in answer)) throw new Error('nothing found');
    expect(answer.found.length).to.be.at.least(1);
    for (const { place } of answer.found) {
      const { checks } = report({ ...part, features: [{ ...part.features[0]!, place }] });
      expect(checks.filter((c) => c.id.includes('pack-1') && c.severity !== 'note')).to.deep.equal([]);
    }
  });
});

describe('wire channels', () => {
  const way = (points: [number, number][], layer: number, params: Params = {}): Feature => ({
    ...put('channel', layer, params),
    place: { on: 'path', panel: `board-${layer}`, points },
  });

  it('are cut along their way, as wide and deep as asked, and weigh so much less', () => {
    const plain = report(slab([]));
    const made = report(
      slab([
        way(
          [
            [0.2, 0.5],
            [0.8, 0.5],
          ],
          3,
          { widthMm: 5, deepMm: 4 },
        ),
      ]),
    );
    const layer = made.pieces.find((p) => p.id === 'board-3')!;
    const [mark] = pocketOf(layer, 'wire channel');
    const b = boundsOf(mark!.points);
    // 0.6 of 260 long, with half a width at either end or none.
    expect(b.maxX - b.minX).to.be.within(156 - 0.01, 161.01);
    expect(b.maxY - b.minY).to.be.closeTo(5, 0.01);
    expect(mark!.text).to.include('4.0 mm deep');
    const area = Math.abs(signedArea(mark!.points));
    expect(plain.foamG - made.foamG).to.be.closeTo((area * 4 * plain.foam.densityKgM3.value) / 1e6, 0.01);
  });

  it('keep 2 mm under them and stay on the board, or are reported', () => {
    const deep = report(
      slab([
        way(
          [
            [0.2, 0.5],
            [0.8, 0.5],
          ],
          3,
          { deepMm: 20 },
        ),
      ]),
    );
    expect(deep.checks.some((c) => c.id === 'channel-channel-1')).to.equal(true);
    expect(
      pocketOf(
        deep.pieces.find((p) => p.id === 'board-3')!,
        'wire channel',
      )[0]!.text,
    ).to.include('8.0 mm deep');
    const off = report(
      slab([
        way(
          [
            [0.2, 0.5],
            [1, 1],
          ],
          3,
        ),
      ]),
    );
    expect(off.checks.some((c) => c.id === 'feature-channel-1')).to.equal(true);
    expect(off.pieces.flatMap((p) => pocketOf(p, 'wire channel'))).to.have.length(0);
  });

  it('a light box is a pocket with a diffuser flush on top and a back for its lamps, no walls of its own', () => {
    const box = put('light-box', 4, { widthMm: 40, heightMm: 20, deepMm: 8, diffuser: 'acrylic-frosted' });
    const made = report(slab([box]));
    // 2 of diffuser, 8 before the lamps, the lamp itself with its leads.
    const need = 2 + 8 + made.items.find((i) => i.lamp)!.lamp!.led.lengthMm;
    const depths = shellsOf(slab([box])).map((p) => pocketOf(p, 'light box'));
    expect(depths.filter((d) => d.length === 1)).to.have.length(need <= 16 ? 2 : 3);
    expect(depths[3]![0]!.kind).to.equal('slot');
    const own = made.pieces.filter((p) => p.featureId === box.id);
    expect(own.map((p) => p.id).sort()).to.deep.equal([`${box.id}.back`, `${box.id}.diffuser`]);
    for (const p of own) {
      const b = boundsOf(p.outline);
      expect([b.maxX - b.minX, b.maxY - b.minY]).to.deep.equal([40, 20]);
    }
    expect(made.checks.filter((c) => c.severity === 'stop')).to.deep.equal([]);
    // Deeper than there is foam for: told, and not only by the eye.
    const deep = report(slab([put('light-box', 4, { deepMm: 40 })]));
    expect(deep.checks.some((c) => c.id.startsWith('pocket-deep-'))).to.equal(true);
  });
});
