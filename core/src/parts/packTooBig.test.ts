import { expect } from 'chai';
import type { Feature, Place } from '../document';
import { packs } from '../materials';
import { makePart, newPart, standardKinds } from '.';
import { adultMeasures, contextOf } from './testing/worn.test';

const wearer = { name: 'Anyone', underLayerMm: 3, measures: adultMeasures };
const context = contextOf();
const descending = (sides: readonly number[]): number[] => [...sides].sort((a, b) => b - a);

/** A measured pack larger than most props, and those of the catalogue. */
const huge = {
  packId: 'own',
  ownLengthMm: 250,
  ownWidthMm: 200,
  ownThickMm: 100,
};

describe('a pack that is larger than the prop', function () {
  this.timeout(120_000);
  const kind = standardKinds.features.get('pack')!;

  it('is refused in every form, behind and in every piece of it', () => {
    let tried = 0;
    for (const form of standardKinds.forms.values()) {
      if (form.sheets === 'none' || form.surface) continue;
      const part = newPart('one', wearer, form.kind);
      const bare = makePart(part, context, { coarse: true });
      // The smallest box round the foam along the axes: what is larger than it every way lies in no room of the prop.
      const points = bare.laid.flatMap((l) => l.panel.grid.flat());
      const box = descending(
        (['x', 'y', 'z'] as const).map(
          (a) => Math.max(...points.map((p) => p[a])) - Math.min(...points.map((p) => p[a])),
        ),
      );
      const diagonal = Math.hypot(...box);
      for (const pack of [...packs, undefined]) {
        const size = descending(
          pack
            ? [pack.lengthMm, pack.widthMm, pack.thickMm]
            : [huge.ownLengthMm, huge.ownWidthMm, huge.ownThickMm],
        );
        // However it is turned, its longest side is no longer than the diagonal, nor its thinnest than the middle side.
        if (size[0]! <= diagonal && size[2]! <= box[1]!) continue;
        for (const { panel } of bare.laid) {
          // What has no room behind it takes nothing in, and says so.
          if (!bare.rooms.some((r) => r.panel === panel.id)) continue;
          const { place, params } = kind.start({ panel: panel.id, edge: '', at: { x: 0.5, y: 0.5 } });
          const feature: Feature = {
            id: 'f',
            kind: 'pack',
            place:
              place.on === 'panel'
                ? place
                : ({ on: 'panel', panel: panel.id, u: 0.5, v: 0.5, turnDeg: 0 } as Place),
            params: { ...params, ...(pack ? { packId: pack.id } : huge) },
          };
          const made = makePart({ ...part, features: [feature] }, context, { coarse: true, before: bare });
          // In the open it is reported that it stands there, and over the edge; between walls it is refused.
          const reported = made.noticed.map((n) => n.check).filter((c) => c.id.endsWith('-f'));
          const open = reported.some((c) => c.id === 'pack-open-f');
          const refused = reported.filter((c) => c.severity === 'stop' || (open && c.id === 'pack-edge-f'));
          expect(
            refused.length,
            `${pack?.name ?? 'own pack'} in ${form.label}, ${panel.name}`,
          ).to.be.greaterThan(0);
          tried++;
        }
      }
    }
    expect(tried).to.be.greaterThan(40);
  });

  it('and one that is thicker than the room behind any wall of a small box is refused, one that is thinner is not', () => {
    const part = newPart('one', wearer, 'box');
    const boxOf = (deepMm: number) => ({
      ...part,
      params: { ...part.params, widthMm: 160, heightMm: 160, deepMm, held: 'inside' },
    });
    for (const deepMm of [20, 28, 40, 60]) {
      const small = boxOf(deepMm);
      const bare = makePart(small, context, { coarse: true });
      for (const pack of packs.filter((p) => Math.max(p.lengthMm, p.widthMm) < 150)) {
        const feature: Feature = {
          id: 'f',
          kind: 'pack',
          place: { on: 'panel', panel: 'face', u: 0.5, v: 0.5, turnDeg: 0 },
          params: {
            ...kind.start({ panel: 'face', edge: '', at: { x: 0.5, y: 0.5 } }).params,
            packId: pack.id,
            pocket: 'none',
          },
        };
        const made = makePart({ ...small, features: [feature] }, context, { coarse: true, before: bare });
        const refused = made.noticed.some((n) => n.check.id === 'pack-room-f');
        expect(refused, `${pack.name} in ${deepMm} mm`).to.equal(pack.thickMm > deepMm + 0.05);
      }
    }
  });
});
