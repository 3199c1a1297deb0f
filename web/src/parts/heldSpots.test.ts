import type { Feature, Part, Place } from '@fomrik/core/document';
import { drawnPieces, newBuild, newPart, type PartReport } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { expect } from 'chai';
import { derive } from '@fomrik/core/report';
import { heldSpots } from './heldSpots';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };

/** A bracer with one detail, made. */
function bench(kind: string, place: Place): { part: Part; made: PartReport; feature: Feature } {
  const feature = { id: 'one', kind, place, params: {} } as unknown as Feature;
  const part = { ...newPart('p', wearer, 'bracer'), id: 'p' };
  const doc = { ...newBuild('Quay', '2026-03-01', wearer), parts: [part] };
  const made = derive(doc).parts[0]!;
  return { part: { ...part, features: [feature] }, made, feature };
}

describe('spots a detail is held by', () => {
  it('a line: every point, within its own piece', () => {
    const { part, made, feature } = bench('line', {
      on: 'path',
      panel: 'shell',
      points: [
        [0.2, 0.2],
        [0.6, 0.7],
      ],
    });
    const held = heldSpots(part, made, feature);
    expect(held.map((h) => h.index)).to.deep.equal([0, 1]);
    const to = held[1]!.put('shell', { x: 0.8, y: 0.9 }, false);
    expect(to).to.deep.include({
      points: [
        [0.2, 0.2],
        [0.8, 0.9],
      ],
    });
    expect(held[1]!.put('another', { x: 0.8, y: 0.9 }, false)).to.equal(undefined);
  });

  it('a line’s point snaps to the middle where that is asked', () => {
    const { part, made, feature } = bench('line', {
      on: 'path',
      panel: 'shell',
      points: [
        [0.2, 0.2],
        [0.6, 0.7],
      ],
    });
    const [first] = heldSpots(part, made, feature);
    const place = first!.put('shell', { x: 0.51, y: 0.9 }, true);
    expect(place?.on === 'path' && place.points[0]![0]).to.equal(0.5);
    const loose = first!.put('shell', { x: 0.51, y: 0.9 }, false);
    expect(loose?.on === 'path' && loose.points[0]![0]).to.equal(0.51);
  });

  it('a trim: the middle of its edge; dragged near another edge it goes there', () => {
    const { made } = bench('hole', { on: 'panel', panel: 'shell', u: 0.5, v: 0.5, turnDeg: 0 });
    const { panelId, edges } = { panelId: made.panels[0]!.id, edges: made.panels[0]!.edges };
    expect(edges.length).to.be.at.least(4);
    for (const from of edges) {
      const {
        part,
        made: again,
        feature,
      } = bench('trim', { on: 'edges', runs: [{ panel: panelId, edge: from.id }] });
      const [held] = heldSpots(part, again, feature);
      for (const to of edges) {
        const [there] = heldSpots(part, again, {
          ...feature,
          place: { on: 'edges', runs: [{ panel: panelId, edge: to.id }] },
        });
        expect(held!.put(panelId, there!.at, true), `${from.id} to ${to.id}`).to.deep.equal(
          there!.feature.place,
        );
      }
    }
    expect(byId(drawnPieces(made), panelId)).to.not.equal(undefined);
  });

  it('what has no spot of its own has none', () => {
    const { part, made, feature } = bench('pack', {
      on: 'room',
      room: 'r',
      alongMm: 0,
      acrossMm: 0,
      turnDeg: 0,
    });
    expect(heldSpots(part, made, feature)).to.deep.equal([]);
  });
});
