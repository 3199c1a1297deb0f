import { expect } from 'chai';
import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { applyChanges, type BuildDoc, type Coat, type Scheme } from '../document';
import { colourName, lightness } from '../materials';
import { derive } from '../report';
import { coatOf, toneIn } from '../view';
import { coloursOf, inPaintOrder } from '.';

const doc = JSON.parse(readFileSync('demo/lampwarden-bracers.fomrik.json', 'utf8')) as {
  build?: BuildDoc;
} & BuildDoc;
const bare = doc.build ?? doc;
const wear = { creases: 0, edges: 0, dust: 0, scratches: 0 };
const scheme = (change: Partial<Scheme> = {}): Scheme => ({
  base: { colour: '#204060', surface: 'satin' },
  areas: [],
  wear,
  ...change,
});
const painted = (value: Scheme): BuildDoc => applyChanges(bare, [{ path: ['parts', 0, 'scheme'], value }]);

describe('a scheme of colours', () => {
  it('names colours plainly: pure ones by hand', () => {
    const by: Record<string, string> = {
      '#ffffff': 'white',
      '#000000': 'black',
      '#c01820': 'red',
      '#2050a0': 'blue',
      '#b8923f': 'gold',
      '#808888': 'grey',
    };
    for (const [hex, name] of Object.entries(by)) expect(colourName(hex), hex).to.equal(name);
  });

  it('says what is lighter as it is seen: yellow before blue, white before all', () => {
    expect(lightness('#ffff00')).to.be.greaterThan(lightness('#0000ff'));
    expect(lightness('#ffffff')).to.be.closeTo(1, 0.01);
    expect(lightness('#000000')).to.be.closeTo(0, 0.01);
  });

  it('shares out the area: colours sum to what is painted, bare foam is none', () => {
    const report = derive(
      painted(scheme({ areas: [{ of: 'piece', id: 'a', colour: '#b8923f', surface: 'metallic' }] })),
    );
    const [part] = report.parts;
    const whole = part!.painted.reduce((sum, p) => sum + p.areaMm2, 0);
    const colours = coloursOf(
      { scheme: scheme({ areas: [{ of: 'piece', id: 'a', colour: '#b8923f', surface: 'metallic' }] }) },
      part!,
    );
    expect(colours.reduce((sum, c) => sum + c.areaMm2, 0)).to.be.closeTo(whole, whole * 1e-9);
    expect(
      coloursOf({ scheme: scheme({ base: { colour: '#333333', surface: 'bare' } }) }, part!),
    ).to.deep.equal([]);
    expect(coloursOf({}, part!)).to.deep.equal([]);
  });

  it('metal goes last, others from light to dark', () => {
    const coat = fc.record({
      colour: fc.constantFrom('#ffffff', '#808080', '#101010', '#f2d22e', '#2258a8'),
      surface: fc.constantFrom<Coat['surface']>('matt', 'gloss', 'metallic'),
    });
    fc.assert(
      fc.property(fc.array(coat, { maxLength: 8 }), (coats) => {
        const order = inPaintOrder(coats.map((c) => ({ ...c, name: '', on: [], areaMm2: 1 })));
        order.slice(1).forEach((c, i) => {
          const before = order[i]!;
          if (before.surface === 'metallic') expect(c.surface).to.equal('metallic');
          else if (c.surface !== 'metallic')
            expect(lightness(c.colour)).to.be.at.most(lightness(before.colour));
        });
      }),
    );
  });

  it('drives steps and shopping: every colour by its name, the wash where creases are dark', () => {
    const value = scheme({
      areas: [{ of: 'piece', id: 'a', colour: '#b8923f', surface: 'metallic' }],
      wear: { ...wear, creases: 0.5 },
    });
    const report = derive(painted(value));
    const titles = report.steps.filter((s) => s.kind === 'paint').map((s) => s.title);
    expect(titles.some((t) => t.includes('gold, metallic'))).to.equal(true);
    expect(titles.some((t) => t.includes('wash with thinned dark paint'))).to.equal(true);
    const bought = report.cost.map((l) => l.what);
    expect(bought.some((w) => w.includes('gold, metallic'))).to.equal(true);
    expect(
      bought.some((w) => w.includes('detail colours')),
      'no colours without a name',
    ).to.equal(false);
    const plain = derive(bare).cost.map((l) => l.what);
    expect(plain.some((w) => w.includes('base colour'))).to.equal(true);
  });

  it('makes both kinds of wear where both are wanted, in their order, and buys for both', () => {
    const of = (change: Partial<Scheme['wear']>): string[] =>
      derive(painted(scheme({ wear: { ...wear, ...change } })))
        .steps.filter((s) => s.kind === 'paint' && /wash with|dry-brush/.test(s.title))
        .map((s) => (s.title.includes('wash with') ? 'wash' : 'brush'));
    expect(of({})).to.deep.equal([]);
    expect(of({ dust: 0.1 })).to.deep.equal(['wash']);
    expect(of({ scratches: 0.1 })).to.deep.equal(['brush']);
    expect(of({ creases: 0.5, edges: 0.4 })).to.deep.equal(['wash', 'brush']);
  });

  it('buys as much of a colour as its area wants: 130 ml a square metre, by hand', () => {
    const report = derive(painted(scheme()));
    const [part] = report.parts;
    // Shoelace over the outlines that leave the house, for every copy of every piece that is seen.
    const m2 = part!.pieces
      .filter((p) => (p.role === 'shell' && !p.inside) || p.face === 'outer')
      .reduce((sum, p) => {
        const twice = p.outline.reduce((s, a, i) => {
          const b = p.outline[(i + 1) % p.outline.length]!;
          return s + a.x * b.y - b.x * a.y;
        }, 0);
        return sum + (Math.abs(twice) / 2) * 1e-6 * p.quantity;
      }, 0);
    const step = report.steps.find((s) => s.title.includes('paint it'))!;
    const ml = Number(/About (\d+) ml/.exec(step.detail)![1]);
    expect(ml).to.be.closeTo(130 * m2, 1 + 0.03 * 130 * m2);
  });

  it('is what is seen: a piece in its own colour, the rest in the base', () => {
    const own = scheme({ areas: [{ of: 'piece', id: 'crest', colour: '#b8923f', surface: 'metallic' }] });
    expect(coatOf(own, 'crest').colour).to.equal('#b8923f');
    expect(toneIn({ pieces: [] }, own)({ id: 'crest' })).to.deep.include({ rgb: [184, 146, 63], metal: 1 });
    expect(toneIn({ pieces: [] }, own)({ id: 'visor' }).rgb).to.deep.equal([32, 64, 96]);
  });
});
