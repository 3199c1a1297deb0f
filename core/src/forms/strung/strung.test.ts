import { expect } from 'chai';
import fc from 'fast-check';
import { partReport } from '../../parts';
import { contextOf, expectCured, make, partOf } from '../../parts/testing/worn.test';
import type { Thing } from './fields';
import { mayJam, meetingOf, setsOf } from './sets';
import { stoodUp } from './strung';

const thing = (over: Partial<Thing> = {}): Thing => ({
  place: 1,
  what: 'tube',
  longMm: 100,
  lowMm: 40,
  highMm: 40,
  wallMm: 2,
  meets: 'butt',
  intoMm: 20,
  known: 'caliper',
  light: 'none',
  massG: 50,
  price: 0,
  ...over,
});

const anyThing: fc.Arbitrary<Thing> = fc.record({
  place: fc.integer({ min: 1, max: 4 }),
  what: fc.constantFrom('tube' as const, 'cap' as const, 'bottle' as const),
  longMm: fc.integer({ min: 10, max: 300 }),
  lowMm: fc.integer({ min: 10, max: 90 }),
  highMm: fc.integer({ min: 10, max: 90 }),
  wallMm: fc.integer({ min: 1, max: 5 }),
  meets: fc.constantFrom('butt' as const, 'inside' as const, 'over' as const),
  intoMm: fc.integer({ min: 0, max: 60 }),
  known: fc.constantFrom('sold' as const, 'caliper' as const),
  light: fc.constantFrom('unknown' as const, 'none' as const, 'clear' as const, 'opal' as const),
  massG: fc.integer({ min: 1, max: 300 }),
  price: fc.integer({ min: 0, max: 30 }),
});

describe('found things along an axis', () => {
  it('meet by their bores: a 34 mm torch in a bore of 36 slides, in 42 wants a ring, in 34 jams', () => {
    const into = (wall: number): string =>
      meetingOf(thing({ meets: 'inside', highMm: 34 }), thing({ lowMm: 40 + 2 * wall, wallMm: wall + 2 }))
        .how;
    expect(into(0)).to.equal('snug');
    expect(meetingOf(thing({ meets: 'inside', highMm: 34 }), thing({ lowMm: 46 })).how).to.equal('ring');
    expect(meetingOf(thing({ meets: 'inside', highMm: 36 }), thing({ lowMm: 40 })).how).to.equal('jams');
    expect(meetingOf(thing({ meets: 'over', highMm: 46 }), thing({ lowMm: 40 })).playMm).to.be.closeTo(
      2,
      1e-9,
    );
  });

  it('may jam as they are sold where their kinds vary more than they play, and not once they are measured', () => {
    // A cup of 35 mm in a bottle's bore of 36: 1 mm of play, and 1.8 mm either way between a cup and a bottle.
    const low = (known: Thing['known']) => thing({ what: 'cup', meets: 'inside', highMm: 35, known });
    const high = (known: Thing['known']) => thing({ what: 'bottle', known });
    const [sold, measured] = [
      meetingOf(low('sold'), high('sold')),
      meetingOf(low('caliper'), high('caliper')),
    ];
    expect([sold.how, sold.offMm, mayJam(sold)]).to.deep.equal(['snug', 1.8, true]);
    expect([measured.how, mayJam(measured)]).to.deep.equal(['snug', false]);
    // One of the two measured still leaves the other: 0.1 and 0.8 of 1 mm, less the least play of 0.2.
    expect(mayJam(meetingOf(low('caliper'), high('sold')))).to.equal(true);
    // A turned torch varies by a tenth.
    expect(mayJam(meetingOf({ ...low('sold'), what: 'torch' }, high('caliper')))).to.equal(false);
    expect(mayJam(meetingOf(thing({ meets: 'butt' }), high('sold')))).to.equal(false);
  });

  it('says so once, and no more once both are measured', () => {
    const pair = (known: Thing['known']) =>
      make('strung', {
        things: [
          thing({ what: 'cup', meets: 'inside', highMm: 35, known }),
          thing({ place: 2, what: 'bottle', known }),
        ],
      } as never).checks.filter((c) => /may jam/.test(c.title));
    expect(pair('sold').map((c) => c.title)).to.have.length(1);
    expect(pair('sold')[0]!.title).to.match(/1 mm of play, and their sizes may be off by 1\.8 mm/);
    expect(pair('caliper')).to.deep.equal([]);
  });

  it('stand one on the other, less what goes in', () => {
    const stood = stoodUp([
      thing({ meets: 'inside', intoMm: 30, highMm: 34 }),
      thing({ place: 2 }),
      thing({ place: 3 }),
    ]);
    expect(stood.map((s) => [s.footMm, s.topMm])).to.deep.equal([
      [0, 100],
      [70, 170],
      [170, 270],
    ]);
  });

  it('come as sets of one a place, the cheapest that goes together first: as trying every one by hand finds', () => {
    fc.assert(
      fc.property(fc.array(anyThing, { minLength: 1, maxLength: 7 }), (things) => {
        const [best] = setsOf(things);
        const places = [1, 2, 3, 4].filter((p) => things.some((t) => t.place === p));
        expect(best!.things.map((t) => t.place)).to.deep.equal(places);
        // Counted up like an odometer, by its own rule for what goes into what.
        const options = places.map((p) => things.filter((t) => t.place === p));
        const count = options.reduce((n, o) => n * o.length, 1);
        let least = { jams: Infinity, price: Infinity };
        for (let k = 0; k < count; k++) {
          let rest = k;
          const set = options.map((o) => {
            const t = o[rest % o.length]!;
            rest = Math.floor(rest / o.length);
            return t;
          });
          let jams = 0;
          for (let i = 1; i < set.length; i++) {
            const [a, b] = [set[i - 1]!, set[i]!];
            if (a.meets === 'inside' && Math.max(0, b.lowMm - 2 * b.wallMm) - a.highMm < 0.2) jams += 1;
            if (a.meets === 'over' && Math.max(0, a.highMm - 2 * a.wallMm) - b.lowMm < 0.2) jams += 1;
          }
          const price = set.reduce((s, t) => s + t.price, 0);
          if (jams < least.jams || (jams === least.jams && price < least.price)) least = { jams, price };
        }
        expect({ jams: best!.jams, price: best!.price }).to.deep.equal(least);
      }),
      { numRuns: 200 },
    );
  });

  it('get foam between: rings as wide as the bore with the other in them, a plug 3 % over across a butt joint', () => {
    const things = [
      thing({ meets: 'inside', highMm: 30, intoMm: 20 }),
      thing({ place: 2, lowMm: 44, highMm: 44, meets: 'butt' }),
      thing({ place: 3 }),
    ];
    const { pieces } = partReport(
      partOf('strung', { things }, { foamId: 'dense-eva', nominalMm: 5 }),
      contextOf(),
    );
    const rings = pieces.filter((p) => p.name.startsWith('adapter ring'));
    expect(rings).to.have.length(4);
    const circle = (d: number): number => (Math.PI / 4) * d * d;
    expect(rings[0]!.areaMm2 / (circle(40) - circle(30))).to.be.closeTo(1, 0.01);
    const plugs = pieces.filter((p) => p.name.startsWith('plug'));
    expect(plugs).to.have.length(6);
    expect(plugs[0]!.areaMm2 / circle(36 * 1.03)).to.be.closeTo(1, 0.01);
    // Across the joint, half in either.
    expect(plugs[0]!.thicknessMm * 6).to.equal(30);
  });

  it('weigh what the scale said and cost what was asked, once', () => {
    const things = [
      thing({ price: 3 }),
      thing({ place: 2, price: 4, massG: 70 }),
      thing({ place: 2, price: 9, massG: 10 }),
    ];
    const report = partReport(partOf('strung', { things }), contextOf());
    const foamG = report.foamG + report.finishG;
    expect(report.totalG - foamG).to.be.closeTo(120, 1e-6);
    expect(report.bought.reduce((sum, b) => sum + b.count * b.each, 0)).to.equal(7);
    expect(report.figures.find((f) => f.key === 'sets')!.value).to.equal(2);
  });

  it('says what does not go in, and one press lets them meet end to end; and what is over the budget', () => {
    const things = [thing({ meets: 'inside', highMm: 60 }), thing({ place: 2 })];
    expectCured('strung', { things }, 'jams-1');
    const dear = [thing({ price: 5 }), thing({ place: 2, price: 8 }), thing({ place: 2, price: 20 })];
    expectCured('strung', { things: dear, budget: 15, set: 2 }, 'over-budget');
    expect(make('strung', { things: dear, budget: 15 }).checks.map((c) => c.id)).to.not.include(
      'over-budget',
    );
  });

  it('tell what a gel costs a torch in light', () => {
    const gadget = (over: object) => ({
      id: 'torch',
      kind: 'gadget',
      place: { on: 'room' as const, room: 'thing-1-bore', alongMm: 0, acrossMm: 0, turnDeg: 0 },
      params: {
        what: 'torch',
        lengthMm: 20,
        widthMm: 20,
        thickMm: 8,
        massG: 6,
        volts: 4.5,
        drawsMa: 60,
        leastV: 3,
        lumens: 60,
        gel: 'red',
        ...over,
      },
    });
    const titles = (over: object): string[] =>
      partReport(partOf('strung', {}, { features: [gadget(over)] }), contextOf()).checks.map((c) => c.title);
    // Deep red lets about an eighth through.
    expect(titles({}).join()).to.include('gives about 7 of 60 lm through its red gel');
    expect(titles({ gel: 'none' })).to.deep.equal([]);
    expect(titles({ what: 'fan' })).to.deep.equal([]);
  });
});
