import { expect } from 'chai';
import { attachedEdges } from '../plan/attachedEdges';
import { standardKinds } from './kinds';
import { make, reportOf } from './testing/worn.test';

describe('letters on the print', function () {
  this.timeout(60_000);

  it('stand at every seam, closure and hung edge: mates alike, hung ones named in the words of their step', () => {
    for (const form of standardKinds.forms.keys()) {
      const { pieces } = make(form);
      for (const piece of pieces)
        for (const edge of piece.edges) {
          if (edge.joint === 'free') continue;
          expect(edge.letter, `${form} ${piece.name} ${edge.name}`).to.be.a('string');
          const said = piece.marks.some((m) => m.kind === 'notch' && m.text?.startsWith(edge.letter!));
          expect(said, `${form} ${piece.name} ${edge.name} is marked`).to.equal(true);
          if (edge.joint === 'attached') {
            const others = pieces.flatMap((p) => p.edges.filter((e) => e.letter === edge.letter));
            expect(
              others.every((e) => e.attached?.words === edge.attached!.words),
              'none but alike',
            ).to.equal(true);
          } else {
            const mate = pieces.find((p) => p.id === edge.mate!.pieceId)!;
            expect(mate.edges.find((e) => e.id === edge.mate!.edgeId)!.letter).to.equal(edge.letter);
          }
        }
    }
  });

  it('are in the words of gluing and hanging', () => {
    const words = attachedEdges(reportOf('helmet')).map((e) => e.words);
    expect(words.some((w) => /skirt, brow edge \([A-Z]+\): glued/.test(w))).to.equal(true);
  });
});
