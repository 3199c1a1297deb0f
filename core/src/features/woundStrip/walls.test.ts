import { expect } from 'chai';
import fc from 'fast-check';
import { applyChanges, bareScheme, type BuildDoc, type Feature, type Part } from '../../document';
import { shineOf } from '../../glow';
import { rodMatters } from '../../materials';
import { makePart, newBuild, partReport, standardKinds, startLights } from '../../parts';
import { contextOf, partOf } from '../../parts/testing/worn.test';
import { reportOf } from '../../report/testing/reportOf';
import type { WoundParams } from './fields';

const context = contextOf();
const begun = standardKinds.features
  .get('wound-strip')!
  .start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } });

/** A part with a strip along a flat core in a room of it. */
function withStrip(part: Part, room: string, params: Partial<WoundParams>): Part {
  const strip: Feature = {
    id: 's',
    kind: 'wound-strip',
    place: { on: 'room', room, alongMm: 0, acrossMm: 0, turnDeg: 0 },
    params: {
      ...begun.params,
      way: 'along',
      wideMm: 12,
      thickMm: 2,
      lengthMm: 300,
      through: 'walls',
      ...params,
    },
  };
  return { ...part, features: [strip] };
}

const checksOf = (part: Part) => partReport(part, context).checks;
const checkOf = (part: Part, id: string) => checksOf(part).find((c) => c.id === id);
const shineIn = (part: Part) => shineOf(makePart(part, context, { coarse: true }), standardKinds);

/** A blade as wide all along as its shoulder, hollow by a window, its inner layers of a foam. */
const hollowBlade = (windowMm: number, widthMm: number, inner = 'pe-white', params = {}): Part => ({
  ...partOf('blade', {
    windowMm,
    widthMm,
    tipWidthMm: widthMm,
    lengthMm: 600,
    bevelMm: 0,
    point: 'square',
    ...params,
  }),
  stack: ['dense-eva', inner, inner, inner, 'dense-eva'].map((foamId) => ({ foamId, nominalMm: 5 })),
});
const tube = (rod: string, params = {}): Part =>
  partOf('haft', { rod, lengthMm: 400, handMm: 50, ...params });

/** Per cent as a finding has them: least and most. */
const percentOf = (title: string): number[] =>
  /^(\d+)(?: to (\d+))? %/
    .exec(title)!
    .slice(1)
    .flatMap((t) => (t === undefined ? [] : [Number(t)]));

describe('a strip within walls', function () {
  this.timeout(60_000);

  it('leaves by a clear wall as light does by two faces of refractive index 1.49 (Fresnel), every reflection traced', () => {
    const back = ((1.49 - 1) / (1.49 + 1)) ** 2;
    // A ray that meets the far face leaves there, but for what goes to and fro within the wall.
    let [within, out] = [1 - back, 0];
    for (let i = 0; i < 50; i++) {
      out += within * (1 - back);
      within *= back * back;
    }
    expect(rodMatters.clear.lets!.transmission).to.be.closeTo(out, 0.002);
  });

  it('of foam lets through what lamps by lot send to the edge, halved for every 3 mm of it', () => {
    const widthMm = 64;
    fc.assert(
      fc.property(fc.integer({ min: 44, max: 54 }), (windowMm) => {
        const found = checkOf(
          withStrip(hollowBlade(windowMm, widthMm), 'light', { lies: 'edge' }),
          'wound-out-s',
        )!;
        // Half the blade less half the hollow is foam; lamps stand half a core off its middle.
        const foamMm = (widthMm - windowMm) / 2;
        const distance = windowMm / 2 - 1;
        const deep = 15;
        let seed = 7;
        const lot = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
        let met = 0;
        const rays = 40_000;
        for (let i = 0; i < rays; i++) {
          // Lambert: the sine of the angle off the axis is the root of a share.
          const sine = Math.sqrt(lot());
          const across = (distance * sine * Math.cos(2 * Math.PI * lot())) / Math.sqrt(1 - sine * sine);
          if (Math.abs(across) < deep / 2) met++;
        }
        const expected = (100 * (met / rays) * 0.5 ** (foamMm / 3)) as number;
        for (const percent of percentOf(found.title))
          expect(percent).to.be.closeTo(expected, 0.6 + 0.1 * expected);
        expect(found.title).to.include(`${foamMm} mm thick`);
      }),
      { numRuns: 6 },
    );
  });

  it('of craft foam lets nothing out, and neither does paint, which its remedy leaves off', () => {
    const dark = checkOf(
      withStrip(hollowBlade(44, 64, 'dense-eva'), 'light', { lies: 'edge' }),
      'wound-out-s',
    )!;
    expect(dark.severity).to.equal('stop');
    expect(dark.remedies).to.have.length(0);
    const painted = withStrip(hollowBlade(44, 64), 'light', { lies: 'edge', coat: 'opaque' });
    const stop = checkOf(painted, 'wound-out-s')!;
    expect(stop.severity).to.equal('stop');
    const [bare] = stop.remedies;
    expect(checkOf(applyChanges(painted, bare!.changes), 'wound-out-s')!.severity).to.not.equal('stop');
    // The faces are of craft foam, whatever the edges are of.
    const faces = withStrip(hollowBlade(44, 64), 'light', { lies: 'face' });
    expect(checkOf(faces, 'wound-out-s')!.severity).to.equal('stop');
    expect(shineIn(faces).patches).to.have.length(0);
    expect(shineIn(painted).patches).to.have.length(0);
  });

  it('of clear acrylic lets nearly all through, and shows every lamp', () => {
    const part = withStrip(hollowBlade(44, 64, 'acrylic-clear'), 'light', { lies: 'edge' });
    const [percent] = percentOf(checkOf(part, 'wound-out-s')!.title);
    const [foam] = percentOf(
      checkOf(withStrip(hollowBlade(44, 64), 'light', { lies: 'edge' }), 'wound-out-s')!.title,
    );
    expect(percent! / foam!).to.be.closeTo(0.925 / 0.5 ** (10 / 3), 1.5);
    expect(checkOf(part, 'wound-even-s')!.title).to.include('seen as itself');
  });

  it('has no room for a sleeve that is wider than its hollow', () => {
    const part = withStrip(hollowBlade(44, 64), 'light', { through: 'sleeve', sleeveMm: 40 });
    // 15 mm of inner layers; the sleeve is 40 mm and 3 mm of foam on either side.
    expect(checkOf(part, 'wound-sleeve-s')!.excess).to.be.closeTo(46 - 15, 1e-6);
    expect(checkOf(part, 'wound-sleeve-s')!.remedies).to.have.length(0);
  });

  it('too thick is cured by a wider hollow, which lets more out', () => {
    const part = withStrip(hollowBlade(40, 64), 'light', { lies: 'edge' });
    const dim = checkOf(part, 'wound-out-s')!;
    expect(dim.severity).to.equal('mind');
    expect(dim.remedies).to.not.have.length(0);
    for (const { changes } of dim.remedies) {
      const after = checkOf(applyChanges(part, changes), 'wound-out-s');
      expect(Math.max(...percentOf(after!.title))).to.be.above(Math.max(...percentOf(dim.title)));
    }
  });

  it('stands in its hollow as wide as it is said to, flat or on edge', () => {
    const fitOf = (lies: 'face' | 'edge') =>
      partReport(withStrip(hollowBlade(44, 64), 'light', { lies }), context).items[0]!.fit!;
    // A bar of 12 × 2 mm with 3 mm of strip on either face.
    expect([fitOf('face').widthMm, fitOf('face').needMm]).to.deep.equal([12, 8]);
    expect([fitOf('edge').widthMm, fitOf('edge').needMm]).to.deep.equal([8, 12]);
  });

  it('in a clear tube shows every lamp until a sleeve hides them; a sleeve that is too wide is reported', () => {
    const bare = withStrip(tube('acrylic-clear-40x3'), 'bore', {});
    const seen = checkOf(bare, 'wound-even-s')!;
    expect(seen.title).to.include('seen as itself');
    const sleeved = applyChanges(bare, seen.remedies[0]!.changes);
    const after = checkOf(sleeved, 'wound-even-s');
    expect(after?.title ?? '').to.not.include('seen as itself');
    expect(checkOf(sleeved, 'wound-sleeve-s')).to.equal(undefined);
    const wide = withStrip(tube('acrylic-clear-40x3'), 'bore', { through: 'sleeve', sleeveMm: 29 });
    // 29 mm and 3 mm of foam on either side are 35; the bore has 34.
    const tight = checkOf(wide, 'wound-sleeve-s')!;
    expect(tight.excess).to.be.closeTo(1, 1e-9);
    expect(checkOf(applyChanges(wide, tight.remedies[0]!.changes), 'wound-sleeve-s')).to.equal(undefined);
    expect(checkOf(withStrip(tube('acrylic-opal-40x3'), 'bore', {}), 'wound-even-s')).to.equal(undefined);
  });

  it('wider than its sleeve is reported, with a sleeve that goes round it', () => {
    const part = withStrip(partOf('lantern'), 'light', {
      through: 'sleeve',
      wideMm: 30,
      thickMm: 3,
      lengthMm: 60,
      sleeveMm: 25,
    });
    const tight = checkOf(part, 'wound-round-s')!;
    // 30 mm wide, 3 mm and two strips of 3 mm thick: corner to corner.
    expect(tight.excess).to.be.closeTo(Math.hypot(30, 9) - 25, 1e-9);
    expect(checkOf(applyChanges(part, tight.remedies[0]!.changes), 'wound-round-s')).to.equal(undefined);
  });

  it('in an opaque pipe is reported; in one that is opened, and in a room without known walls, it is not known', () => {
    const stopIn = (part: Part, room: string): string | undefined =>
      checkOf(withStrip(part, room, {}), 'wound-out-s')?.severity;
    expect(stopIn(tube('pvc-40mm'), 'bore')).to.equal('stop');
    const opened = tube('pvc-40mm', { openings: [{ atMm: 200, lengthMm: 60, acrossMm: 10, roundDeg: 0 }] });
    expect(stopIn(opened, 'bore')).to.equal('mind');
    const lantern = withStrip(partOf('lantern'), 'light', { lengthMm: 60 });
    const unknown = checkOf(lantern, 'wound-out-s')!;
    expect(unknown.title).to.include('not known');
    expect(checkOf(applyChanges(lantern, unknown.remedies[0]!.changes), 'wound-out-s')).to.equal(undefined);
  });

  it('glows on the outside of its walls, as bright in all as what comes out', () => {
    const round = shineIn(withStrip(tube('acrylic-opal-40x3'), 'bore', {})).patches;
    expect(round).to.have.length(1);
    for (const p of round[0]!.points) expect(Math.hypot(p.x, p.y)).to.be.closeTo(20.4, 1e-6);
    const edges = shineIn(withStrip(hollowBlade(44, 64), 'light', { lies: 'edge' })).patches;
    expect(edges.map((p) => Math.sign(p.normal.x)).sort()).to.deep.equal([-1, 1]);
    for (const patch of edges)
      for (const p of patch.points) {
        expect(Math.abs(p.x)).to.be.closeTo(32.4, 1e-6);
        expect(Math.abs(p.y)).to.be.at.most(7.5 + 1e-9);
      }
    // 36 lamps; half their light goes either way, and the share that is reported comes out.
    const [percent] = percentOf(
      checkOf(withStrip(hollowBlade(44, 64), 'light', { lies: 'edge' }), 'wound-out-s')!.title,
    );
    const all = 36 * rgbFlux();
    expect(edges[0]!.flux / (all / 2)).to.be.closeTo(percent! / 100, 0.006);
  });

  it('on a bevelled edge glows where the foam is', () => {
    const part = withStrip(hollowBlade(44, 64, 'pe-white', { bevelMm: 6, edgeMm: 4 }), 'light', {
      lies: 'edge',
    });
    const [patch] = shineIn(part).patches;
    const total = makePart(part, context, { coarse: true }).foam.thicknessMm.value * 5 + 0.4;
    for (const p of patch!.points) {
      // 6 mm in over all that is not left square.
      const up = Math.max(0, (Math.abs(p.y) - 2) / (total / 2 - 2));
      expect(Math.abs(p.x)).to.be.closeTo(32.4 - 6 * up, 0.1);
    }
  });

  it('behind walls that are to stay bare is reported where the part is painted all over, until an area is bare or it is planned for', () => {
    const doc = (scheme: Part['scheme']): BuildDoc => ({
      ...newBuild('One', '2026-03-01', { name: 'Anyone', underLayerMm: 3, measures: [] }),
      parts: [{ ...withStrip(hollowBlade(50, 64), 'light', { lies: 'edge' }), ...(scheme && { scheme }) }],
    });
    const found = (of: BuildDoc) => reportOf(of).findings.find((f) => f.id.startsWith('painted-over:'));
    const scheme = { ...bareScheme, base: { colour: '#15191c', surface: 'satin' as const } };
    expect(found(doc(undefined))).to.equal(undefined);
    expect(found(doc(bareScheme))).to.equal(undefined);
    const finding = found(doc(scheme))!;
    expect(finding.severity).to.equal('mind');
    expect(found(applyChanges(doc(scheme), finding.remedies[0]!.changes))).to.equal(undefined);
    const bare = { of: 'piece' as const, id: 'blade-3', colour: '#f1f0ea', surface: 'bare' as const };
    expect(found(doc({ ...scheme, areas: [bare] }))).to.equal(undefined);
  });

  it('is where a first light of strip begins: in the hollow, or in the tube that light comes out of', () => {
    const first = (part: Part) =>
      startLights(part, partReport(part, context, true), standardKinds, (base) => base, 'wound-strip')!
        .features[0]!;
    expect(first(hollowBlade(44, 64)).place).to.include({ on: 'room', room: 'light' });
    const strung = partOf('strung');
    const things = strung.params['things'] as Record<string, string | number>[];
    const milky = {
      ...strung,
      params: {
        ...strung.params,
        things: things.map((t, i) => ({ ...t, light: i === 2 ? 'opal' : 'none' })),
      },
    };
    expect(first(milky).place).to.include({ on: 'room', room: 'thing-3-bore' });
    expect(first(tube('acrylic-clear-40x3')).kind).to.equal('wound-strip');
  });
});

/** Light of one amber lamp beside a white one. */
const rgbFlux = (): number => {
  const one = shineIn({
    ...partOf('box', {}),
    features: [
      {
        id: 'l',
        kind: 'lamps',
        ...standardKinds.features.get('lamps')!.start({
          panel: makePart(partOf('box', {}), context, { coarse: true }).laid[0]!.panel.id,
          edge: '',
          at: { x: 0.5, y: 0.5 },
        }),
      },
    ],
  });
  return one.points[0]!.flux;
};
