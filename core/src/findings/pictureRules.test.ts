import { expect } from 'chai';
import { derive } from '../report';
import { landmarks, resolveBody, seenMarks } from '../body';
import { type BuildDoc, knownLength } from '../document';
import { measuredOn, type Picture } from '../picture';
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
  it('are reported while nothing says their size, and quiet once it is marked well', () => {
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

describe('a figure in a picture', () => {
  const { upMm: tall } = landmarks(resolveBody([]))[0]!;
  /** Someone 700 pixels tall, with marks where a body of the wearer's build has them, some moved down by pixels. */
  const figured = (down: Partial<Record<string, number>>): Picture => ({
    ...plain,
    known: {
      from: [500, 50],
      to: [500, 750],
      lengthMm: 1700,
      measure: 'stature',
      figure: seenMarks.map((name) => {
        const { upMm } = landmarks(resolveBody([])).find((m) => m.name === name)!;
        return { name, at: [500, 750 - (700 * upMm) / tall + (down[name] ?? 0)] };
      }),
    },
  });

  it('is quiet when eyes, shoulders and knees agree, and tells which is not as the wearer has it', () => {
    expect(withPicture(figured({})).filter((t) => t.includes('figure'))).to.deep.equal([]);
    const [reported] = withPicture(figured({ knees: 40 })).filter((t) => t.includes('figure'));
    expect(reported).to.match(/its knees are \d+ mm off/);
  });

  it('is sized by all its marks: one that is wrong alone moves its scale by less than it is wrong', () => {
    const body = resolveBody([]);
    const wrong = figured({});
    wrong.known!.to = [500, 780];
    const line: [[number, number], [number, number]] = [
      [100, 100],
      [100, 400],
    ];
    const by = (p: Picture): number => measuredOn(p, knownLength(p, body), ...line)!.lengthMm;
    const right = by(figured({}));
    const ends = { ...wrong.known! };
    delete ends.figure;
    expect(Math.abs(by(wrong) / right - 1)).to.be.below(
      Math.abs(by({ ...wrong, known: ends }) / right - 1) * 0.85,
    );
    expect(right).to.be.closeTo((300 * tall) / 700, 1e-6);
  });
});

describe('lines given to a part', () => {
  const line = {
    id: 'line-1',
    from: [300, 400] as [number, number],
    to: [700, 400] as [number, number],
    part: 'shield',
    field: 'widthMm',
  };
  const scaled = (id: string, lengthMm: number, measure?: string): Picture => ({
    ...plain,
    id,
    name: id,
    known: { from: [100, 700], to: [900, 700], lengthMm, ...(measure && { measure }) },
    lines: [line],
  });
  const derived = (pictures: Picture[], widthMm: number, measures: BuildDoc['wearer']['measures'] = []) => {
    const who = { ...wearer, measures };
    const part = newPart('shield', who, 'shield');
    return derive({
      ...newBuild('Test', '2026-03-01', who),
      parts: [{ ...part, params: { ...part.params, widthMm } }],
      pictures,
    }).findings.filter((f) => f.id.startsWith('picture:'));
  };
  // 400 of 800 pixels that are 1,000 mm are 500 mm.

  it('are quiet while the part has what the picture says, and told with one press when it has not', () => {
    expect(derived([scaled('front', 1000)], 500)).to.deep.equal([]);
    const [reported] = derived([scaled('front', 1000)], 460);
    expect(reported!.title).to.match(/width is 460 mm; “front” says 500 mm ± \d mm for this wearer/);
    expect(reported!.remedies[0]!.changes).to.deep.equal([
      { path: ['parts', 0, 'params', 'widthMm'], value: 500 },
    ]);
  });

  it('change with the wearer where the picture’s scale is a measure of theirs', () => {
    const stature = (valueMm: number): BuildDoc['wearer']['measures'] => [
      { key: 'stature', valueMm, source: 'tape', takenOn: '2026-03-01' },
    ];
    const picture = scaled('front', 1, 'stature');
    expect(derived([picture], 800, stature(1600))).to.deep.equal([]);
    expect(derived([picture], 800, stature(1800))[0]!.remedies[0]!.changes[0]!.value).to.equal(900);
  });

  it('disagree when two views differ by more than their marks allow', () => {
    const both = derived([scaled('front', 1000), scaled('side', 1080)], 500);
    expect(both.map((f) => f.severity)).to.include('mind');
    expect(both.find((f) => f.severity === 'mind')!.title).to.match(
      /“front” says 500 mm ± \d mm, “side” 540 mm ± \d mm/,
    );
    expect(derived([scaled('front', 1000), scaled('side', 1006)], 500)).to.deep.equal([]);
  });

  it('say when the picture’s scale is worse than the part needs, and nothing of parts that are gone', () => {
    const short: Picture = {
      ...scaled('front', 20),
      known: { from: [100, 700], to: [116, 700], lengthMm: 20 },
    };
    expect(
      derived([short], 500)
        .map((f) => f.title)
        .join(),
    ).to.match(/to ± \d+ mm only/);
    expect(derived([{ ...scaled('front', 1000), lines: [{ ...line, part: 'gone' }] }], 460)).to.deep.equal(
      [],
    );
  });
});
