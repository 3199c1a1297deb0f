import { expect } from 'chai';
import fc from 'fast-check';
import type { Feature, Params, Part } from '../document';
import { boxFace, type LightBox, type LitPatch, type Shine } from '../features';
import { demo, demoNames } from '../files/testing/demo';
import { dist3, triangleArea } from '../geometry';
import { edgeGlow, litFace } from '../light';
import { leds, throughFoam } from '../materials';
import { makePart, standardKinds, startFeature } from '../parts';
import { contextOf, partOf } from '../parts/testing/worn.test';
import { shineIn } from '../report';
import { firstOf } from '../units';
import { castLights, shineOf } from '.';

const context = contextOf();
const electric = [...standardKinds.features.values()].filter((k) => k.electric === 'load');

/** A part with one detail begun on it, and the light it gives. */
function lit(form: string, kindId: string, change: Params = {}, bare: Part = partOf(form, {})) {
  const kind = standardKinds.features.get(kindId)!;
  const { laid } = makePart(bare, context, { coarse: true });
  const { panel, piece } = firstOf(laid);
  const pointed = { panel: panel.id, edge: firstOf(piece.edges).id, at: { x: 0.5, y: 0.5 } };
  const started = startFeature(bare, context, { kind, pointed, id: 'one' });
  if (!started.ok) return undefined;
  const feature: Feature = { ...started.value, params: { ...started.value.params, ...change } };
  const made = makePart({ ...bare, features: [feature] }, context, { coarse: true });
  return { feature, made, shine: shineOf(made, standardKinds) };
}

/** Light that leaves a patch, summed over the triangles of its points: nothing of how it was made is used. */
function leaving({ columns, points, values }: LitPatch): number {
  const wide = columns + 1;
  let sum = 0;
  for (let i = 0; i + wide < points.length; i++) {
    if (i % wide === columns) continue;
    const quad = [i, i + 1, i + wide + 1, i + wide];
    const [a, b, c, d] = quad.map((k) => points[k]!);
    const area = triangleArea(a!, b!, c!) + triangleArea(a!, c!, d!);
    sum += (area * quad.reduce((s, k) => s + values[k]!, 0)) / 4;
  }
  return sum;
}

const litItems = (made: {
  lays: ReadonlyMap<
    string,
    { items: { id: string; lamp?: unknown; steady?: { kind: string; lit?: boolean } }[] }
  >;
}): string[] =>
  [...made.lays.values()]
    .flatMap((l) => l.items)
    .filter((i) => i.lamp ?? (i.steady && (i.steady.kind !== 'board' || i.steady.lit)))
    .map((i) => i.id);

const itemsOf = ({ patches, points }: Shine): string[] => [
  ...patches.flatMap((p) => p.itemIds),
  ...points.map((p) => p.itemId),
];

describe('light that parts give', () => {
  for (const kind of electric)
    it(`${kind.kind}: every lamp that is laid gives light from where it is`, () => {
      for (const form of ['bracer', 'box', 'lantern', 'blade']) {
        const found = lit(form, kind.kind);
        if (!found) continue;
        const { made, shine } = found;
        expect([...new Set(itemsOf(shine))].sort(), form).to.deep.equal(litItems(made).sort());
        for (const { at, normal, flux } of [...shine.points, ...shine.patches]) {
          expect(flux, form).to.be.above(0);
          expect(Math.hypot(normal.x, normal.y, normal.z), form).to.be.closeTo(1, 1e-3);
          expect([at.x, at.y, at.z].every(Number.isFinite), form).to.equal(true);
        }
      }
    });

  it('a window gives what comes through its diffuser of what its lamps give, over its own size', () => {
    for (const [form, change] of [
      ['box', { widthMm: 30, heightMm: 16 }],
      ['box', { widthMm: 30, heightMm: 16, colour: 'blue', layers: 2, columns: 2 }],
      ['bracer', { widthMm: 40, heightMm: 14, rows: 2 }],
    ] as const) {
      const { feature, shine } = lit(form, 'light-box', change)!;
      const box = feature.params as unknown as LightBox & { colour: keyof typeof leds };
      const patch = firstOf(shine.patches);
      const { passed } = litFace(boxFace(box), 160);
      const given = box.columns * box.rows * leds[box.colour].bright;
      expect(patch.flux, form).to.be.closeTo(passed * given, 0.02 * given);
      expect(leaving(patch), form).to.be.closeTo(passed * given, 0.05 * given);
      const wide = patch.columns + 1;
      expect(dist3(patch.points[0]!, patch.points[wide - 1]!), form).to.be.closeTo(
        box.widthMm,
        0.05 * box.widthMm,
      );
      expect(dist3(patch.points[0]!, patch.points[wide * patch.rows]!), form).to.be.closeTo(
        box.heightMm,
        0.6,
      );
    }
  });

  it('a gel takes its share of each colour out of white', () => {
    const { shine } = lit('box', 'light-box', {
      colour: 'white',
      diffuser: 'gel',
      layers: 2,
      widthMm: 30,
      heightMm: 16,
    })!;
    const [r, g, b] = firstOf(shine.patches).rgb;
    expect(g / r).to.be.closeTo(0.98 * 0.35 ** 2, 1e-9);
    expect(b / r).to.be.closeTo(0.93 * 0.3 ** 2, 1e-9);
  });

  it('an engraved sheet is brightest at its lamps, and gives no more than they do', () => {
    const { shine, feature } = lit('box', 'edge-lit', { widthMm: 30, heightMm: 20, edges: 'plain' })!;
    const { values, columns, rows, flux } = firstOf(shine.patches);
    expect(values[0]).to.be.above(values[(columns + 1) * rows]!);
    const lamps = feature.params['lamps'] as number;
    const whole = edgeGlow({ lengthMm: 36, thicknessMm: 3, engraved: 0.1, farReturns: 0.04 });
    // The window shows 30 of 46 mm across and 20 of 36 along.
    const shown = (30 / 46) * (20 / 36);
    expect(flux / (lamps * leds.amber.bright)).to.be.closeTo(whole.out * shown, 0.15 * whole.out * shown);
  });

  it('an engraved sheet that stands free gives from both faces what its foot does not hide', () => {
    const { shine, feature, made } = lit('box', 'edge-lit', {
      stands: 'free',
      widthMm: 30,
      heightMm: 40,
      edges: 'plain',
    })!;
    expect(shine.patches).to.have.length(2);
    const [front, back] = shine.patches;
    expect(front!.flux).to.be.closeTo(back!.flux, 1e-9);
    const foot = made.foam.thicknessMm.value + 5;
    const sheet = edgeGlow({ lengthMm: 40 + foot, thicknessMm: 3, engraved: 0.1, farReturns: 0.04 });
    // Of all that leaves it, the share above its foot, by summing the spots that lie there.
    const spots = sheet.along.length;
    const seen = sheet.along.filter((_, i) => ((i + 0.5) / spots) * (40 + foot) > foot);
    const share = seen.reduce((sum, v) => sum + v, 0) / spots;
    const given = (feature.params['lamps'] as number) * leds.amber.bright;
    expect((front!.flux + back!.flux) / given).to.be.closeTo(sheet.out * share, 0.03 * sheet.out * share);
    // Three millimetres and a hair apart, looking away from each other.
    expect(dist3(front!.at, back!.at)).to.be.within(3, 4);
    const n = [front!.normal, back!.normal] as const;
    expect(n[0].x * n[1].x + n[0].y * n[1].y + n[0].z * n[1].z).to.be.closeTo(-1, 1e-9);
    const wide = front!.columns + 1;
    expect(dist3(front!.points[0]!, front!.points[1]!)).to.be.closeTo(30, 1e-6);
    expect(dist3(front!.points[0]!, front!.points[wide * front!.rows]!)).to.be.closeTo(40, 1e-6);
  });

  it('lamps shine through white foam and not through craft foam', () => {
    const bare = partOf('box', {});
    const white = { ...bare, stack: [{ foamId: 'pe-white', nominalMm: 3 }] };
    const through = lit('box', 'lamps', { shows: 'through', count: 2, pitchMm: 15 }, white)!.shine;
    expect(through.points).to.have.length(0);
    const passed = throughFoam('pe-white', 3)!.transmission;
    expect(firstOf(through.patches).flux).to.be.within(0.3 * passed, 2 * leds.amber.bright * passed);
    const dark = lit('box', 'lamps', { shows: 'through', count: 2, pitchMm: 15 })!.shine;
    expect(itemsOf(dark)).to.have.length(0);
  });

  it('a ring in a lantern shows through its diffuser and through nothing else', () => {
    const found = lit('lantern', 'light-ring')!;
    const white = found.made.laid.filter((l) => l.foam.foamId === 'pe-white').map((l) => l.panel.id);
    expect(white).to.not.have.length(0);
    expect(found.shine.shells.map((s) => s.panelId)).to.deep.equal(white);
  });

  it('every lamp of the demos gives light', () => {
    for (const name of demoNames())
      for (const part of demo(name).parts) {
        const shine = shineIn(demo(name), part.id);
        const electrics = part.features.filter(
          (f) => standardKinds.features.get(f.kind)?.electric === 'load',
        );
        if (electrics.length > 0) expect(itemsOf(shine!), `${name} ${part.id}`).to.not.have.length(0);
      }
  });
});

describe('lights of a scene', () => {
  const way = fc.constantFrom({ x: 0, y: 0, z: 1 }, { x: 0, y: 0, z: -1 }, { x: 1, y: 0, z: 0 });
  const spot = fc.record({
    x: fc.integer({ min: -300, max: 300 }),
    y: fc.integer({ min: -300, max: 300 }),
    z: fc.integer({ min: 0, max: 900 }),
  });
  const point = fc.record({ at: spot, normal: way, flux: fc.double({ min: 0.01, max: 5, noNaN: true }) });

  it('are no more than asked, and none of their light is lost', () => {
    fc.assert(
      fc.property(
        fc.array(point, { minLength: 1, maxLength: 30 }),
        fc.integer({ min: 1, max: 8 }),
        (all, most) => {
          const points = all.map((p, i) => ({
            ...p,
            itemId: `lamp ${i % 7}`,
            rgb: [1, 0.5, 0.2] as const,
            acrossMm: 5,
            hidden: false,
          }));
          const lights = castLights({ patches: [], points }, most);
          expect(lights.length).to.be.at.most(most);
          const sum = (list: readonly { flux: number }[]): number => list.reduce((s, l) => s + l.flux, 0);
          expect(sum(lights)).to.be.closeTo(sum(points), 1e-6 * sum(points));
          for (const l of lights) {
            expect(l.of.reduce((s, o) => s + o.share, 0)).to.be.closeTo(1, 1e-9);
            expect(Math.hypot(l.normal.x, l.normal.y, l.normal.z)).to.be.closeTo(1, 1e-9);
          }
          // What each lamp gives is still its own.
          for (const id of new Set(points.map((p) => p.itemId)))
            expect(
              lights.reduce((s, l) => s + l.flux * (l.of.find((o) => o.itemId === id)?.share ?? 0), 0),
            ).to.be.closeTo(sum(points.filter((p) => p.itemId === id)), 1e-6 * sum(points));
        },
      ),
    );
  });
});
