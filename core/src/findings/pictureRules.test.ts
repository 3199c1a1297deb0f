import { expect } from 'chai';
import { derive } from '../report';
import type { BuildDoc } from '../document';
import type { Picture } from '../picture';
import { newBuild, newPart } from '../parts';

const wearer = { name: 'Tam Orrel', underLayerMm: 2, measures: [] };
const plain: Picture = { id: 'side', name: 'Side', content: 'a'.repeat(64), widthPx: 1000, heightPx: 800 };

function withPicture(picture: Picture): string[] {
  const doc: BuildDoc = newBuild('Test', '2026-03-01', wearer);
  const part = newPart('shield', wearer, 'shield');
  return derive({
    ...doc,
    parts: [{ ...part, beneath: { picture: 'side', xMm: 0, yMm: 0, turnDeg: 0 } }],
    pictures: [picture],
  })
    .findings.filter((f) => f.id.startsWith('picture:'))
    .map((f) => `${f.severity}: ${f.title}`);
}

describe('pictures beneath a drawing', () => {
  it('are told of while nothing says their size, and quiet once it is marked well', () => {
    expect(withPicture(plain)).to.have.length(1);
    expect(withPicture(plain)[0]).to.match(/^mind: “Side” lies beneath .* nothing says how large/);
    expect(
      withPicture({ ...plain, known: { from: [100, 700], to: [900, 700], lengthMm: 400 } }),
    ).to.deep.equal([]);
  });

  it('are told to be coarse when a short line or an estimated measure is all they have', () => {
    const [short] = withPicture({ ...plain, known: { from: [100, 700], to: [140, 700], lengthMm: 20 } });
    expect(short).to.match(/^note: .* good to ± \d+ mm in 250 mm/);
    const known: Picture['known'] = { from: [100, 700], to: [900, 700], lengthMm: 400 };
    expect(withPicture({ ...plain, known: { ...known, measure: 'handLength' } })).to.have.length(1);
  });

  it('say so when a sheet and a known length contradict each other', () => {
    const sheet: Picture['sheet'] = {
      corners: [
        [300, 200],
        [510, 200],
        [510, 497],
        [300, 497],
      ],
      widthMm: 210,
      heightMm: 297,
    };
    const ruled = (lengthMm: number): Picture => ({
      ...plain,
      sheet,
      known: { from: [100, 600], to: [500, 600], lengthMm },
    });
    expect(withPicture(ruled(400))).to.deep.equal([]);
    expect(withPicture(ruled(500))).to.have.length(1);
    expect(withPicture(ruled(500))[0]).to.match(/20 % shorter/);
  });
});
