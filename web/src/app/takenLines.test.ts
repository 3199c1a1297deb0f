import type { Part } from '@fomrik/core/document';
import { newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import { addTakenLines } from './takenLines';

const wearer = { name: 'Tam Orrel', underLayerMm: 2, measures: [] };
const line = (id: string, look: string): Part['features'][number] => ({
  id,
  kind: 'line',
  place: {
    on: 'path',
    panel: 'piece-1',
    points: [
      [0.1, 0.1],
      [0.9, 0.1],
    ],
  },
  params: { look },
});

describe('lines taken off a pattern', () => {
  it('come in place of those that were only drawn, under ids that are free, and leave scores alone', () => {
    const part: Part = {
      ...newPart('curtain', wearer, 'taped'),
      features: [line('old', 'drawn'), line('curtain.line', 'score')],
    };
    addTakenLines(
      part,
      ['old', 'curtain.line', 'other'],
      [
        {
          panel: 'piece-1',
          points: [
            [0, 0],
            [1, 1],
          ],
        },
        {
          panel: 'piece-2',
          points: [
            [0, 1],
            [1, 0],
          ],
        },
      ],
    );
    expect(part.features.map((f) => f.params['look'])).to.deep.equal(['score', 'drawn', 'drawn']);
    const ids = part.features.map((f) => f.id);
    expect(new Set(ids).size).to.equal(3);
    expect(ids).to.not.include('other');
    expect(part.features.map((f) => (f.place.on === 'path' ? f.place.panel : ''))).to.deep.equal([
      'piece-1',
      'piece-1',
      'piece-2',
    ]);
  });
});
