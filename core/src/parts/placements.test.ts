import { expect } from 'chai';
import { resolveBody } from '../body';
import type { Feature, Part } from '../document';
import { demo } from '../files/testing/demo';
import { dist3 } from '../geometry';
import { standardKinds } from './kinds';
import { makePart } from './made';
import { partReport } from './partReport';
import { placements, type Tilt } from './placements';
import { contextOf, partOf } from './testing/worn.test';

const bracers = demo('lampwarden-bracers');
const context = contextOf({
  body: resolveBody(bracers.wearer.measures),
  underLayerMm: bracers.wearer.underLayerMm,
});
const bracer = bracers.parts[0]!;
const packOf = (part: Part): Feature => part.features.find((f) => f.kind === 'pack')!;

const found = (part: Part, featureId: string, tilt: Tilt = 'even') => {
  const answer = placements(part, context, featureId, tilt);
  if (!('found' in answer)) throw new Error(`short by ${answer.shortMm} mm ${answer.where}`);
  return answer.found;
};
const moved = (part: Part, id: string, place: Feature['place']): Part => ({
  ...part,
  features: part.features.map((f) => (f.id === id ? { ...f, place } : f)),
});

describe('places for a pack', () => {
  it('take it whole: put there, nothing is noticed of it, and it has the room it was reported', () => {
    const { id } = packOf(bracer);
    const best = found(bracer, id);
    expect(best.length).to.be.greaterThan(1);
    for (const { place, spareMm } of best) {
      const report = partReport(moved(bracer, id, place), context);
      const item = report.items.find((i) => i.featureId === id)!;
      expect(item.fit!.haveMm - item.fit!.needMm).to.be.closeTo(spareMm, 0.6);
      expect(report.checks.filter((c) => c.id.includes(id) && c.severity !== 'note')).to.deep.equal([]);
    }
  });

  it('come best first, and tilted to wires the first has the shortest of them', () => {
    const { id } = packOf(bracer);
    for (const tilt of ['even', 'wire', 'room', 'balance'] as const) {
      const best = found(bracer, id, tilt);
      const scores = best.map((b) => b.score);
      expect(scores).to.deep.equal([...scores].sort((a, b) => b - a));
    }
    const [wire, room] = [found(bracer, id, 'wire')[0]!, found(bracer, id, 'room')[0]!];
    expect(wire.wireMm).to.be.at.most(room.wireMm);
    expect(room.spareMm).to.be.at.least(wire.spareMm - 1e-9);
    // No spot of a bracer is further from its middle than it is long.
    for (const { leverMm } of found(bracer, id)) expect(leverMm).to.be.lessThan(260);
  });

  it('miss none that a plain search over the box of a pod finds better', () => {
    // An ear pod has one room of its own, as deep everywhere: any spot that takes the footprint will do.
    const pod: Part = {
      ...partOf('ear-pod', { widthMm: 90, heightMm: 90, deepMm: 40 }),
      features: [
        {
          id: 'cells',
          kind: 'pack',
          place: { on: 'room', room: 'inside', alongMm: 0, acrossMm: 0, turnDeg: 0 },
          params: { packId: '2xcr2032', pocket: 'none' },
        },
      ],
    };
    const made = makePart(pod, context, { coarse: true });
    const room = made.rooms.find((r) => !r.id.startsWith('gap:'))!;
    const inRoom: Part = {
      ...pod,
      features: [
        { ...pod.features[0]!, place: { ...pod.features[0]!.place, room: room.id } as Feature['place'] },
      ],
    };
    const best = found(inRoom, 'cells', 'room').filter((b) => b.place.on === 'room');
    expect(best.length).to.be.greaterThan(0);
    for (const { spareMm } of best) expect(spareMm).to.be.closeTo(room.depthAt(room.middle)! - 6, 0.01);
  });

  it('are apart from each other, so that five choices are five', () => {
    const { id } = packOf(bracer);
    const spots = found(bracer, id).map(
      ({ place }) => partReport(moved(bracer, id, place), context).items.find((i) => i.featureId === id)!.at,
    );
    spots.forEach((p, i) => spots.slice(i + 1).forEach((q) => expect(dist3(p, q)).to.be.greaterThan(15)));
  });

  it('say how much is missing where nothing takes it', () => {
    const { id } = packOf(bracer);
    const big: Part = {
      ...bracer,
      features: bracer.features.map((f) =>
        f.id === id ? { ...f, params: { ...f.params, packId: '8xaa' } } : f,
      ),
    };
    const answer = placements(big, context, id, 'even');
    if ('found' in answer) throw new Error('it should not fit');
    expect(answer.shortMm).to.be.greaterThan(5);
  });

  it('tilted to the hand, a switch comes nearer the grip; tilted to the foam, less of it is cut across', () => {
    const pistol = demo('lampwarden-arms').parts.find((p) => p.stack.length > 3)!;
    const made = makePart(pistol, contextOf());
    const panel = made.laid.at(-1)!.panel.id;
    const part: Part = {
      ...pistol,
      features: [
        {
          id: 'click',
          kind: 'switch',
          place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
          params: standardKinds.features.get('switch')!.start({ panel, edge: '', at: { x: 0.5, y: 0.5 } })
            .params,
        },
      ],
    };
    const by = (tilt: Tilt) => {
      const answer = placements(part, contextOf(), 'click', tilt);
      if (!('found' in answer)) throw new Error('no place');
      return answer.found;
    };
    const [reach, strength, even] = [by('reach'), by('strength'), by('even')];
    expect(reach[0]!.reachMm).to.be.greaterThan(0);
    expect(reach[0]!.reachMm).to.be.at.most(Math.min(even[0]!.reachMm, strength[0]!.reachMm) + 1e-9);
    expect(strength[0]!.cutShare).to.be.at.most(Math.min(even[0]!.cutShare, reach[0]!.cutShare) + 1e-9);
  });
});
