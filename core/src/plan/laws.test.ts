import { expect } from 'chai';
import fc from 'fast-check';
import type { BuildDoc, Feature, Mount, Part } from '../document';
import { newBuild, newPart, type PartReport, standardKinds } from '../parts';
import { derive } from '../report';
import type { Step } from './step';

const { forms, features } = standardKinds;
const wearer = { name: 'Anyone', underLayerMm: 3, measures: [] };
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261130);
/** Builds that are planned and held against the laws; two thousand in a long run. */
const BUILDS = Number(process.env['FOMRIK_BUILDS'] ?? 16);

const plannable = [...forms.values()].filter((f) => !f.surface).map((f) => f.kind);
const details = [...features.values()]
  .filter((f) => f.places.includes('panel') && !f.parts)
  .map((f) => f.kind);

interface Chosen {
  form: string;
  details: string[];
  lined: boolean;
  onto: number;
  apart: boolean;
  u: number;
}

/** Parts of any forms, some hung on others, glued or to come off, with any details somewhere on their first pieces. */
function buildOf(chosen: readonly Chosen[]): BuildDoc {
  const parts: Part[] = [];
  chosen.forEach(({ form, details: kinds, lined, onto, apart, u }, i) => {
    const part = newPart(`p${i}`, wearer, form);
    const host = parts[onto % Math.max(1, parts.length)];
    const mount: Mount =
      host && part.mount.to !== 'wearer'
        ? { to: 'part', part: host.id, anchor: 'any', ...(apart && { apart: true as const }) }
        : part.mount;
    const panel = derive({ ...newBuild('T', '2026-03-01', wearer), parts: [part] }).parts[0]!.panels[0];
    parts.push({
      ...part,
      mount,
      lining: lined && forms.get(form)!.sheets === 'one' ? { foamId: 'light-eva', nominalMm: 2 } : null,
      features: panel
        ? kinds.map((kind, k): Feature => {
            const start = features.get(kind)!.start({ panel: panel.id, edge: '', at: { x: u, y: 0.5 } });
            return { id: `p${i}-${kind}-${k}`, kind, ...start };
          })
        : [],
    });
  });
  return { ...newBuild('Any', '2026-03-01', wearer), parts };
}

const anyBuild = fc
  .array(
    fc.record({
      form: fc.constantFrom(...plannable),
      details: fc.array(fc.constantFrom(...details, 'lamps', 'pack', 'switch'), { maxLength: 4 }),
      lined: fc.boolean(),
      onto: fc.nat(3),
      apart: fc.boolean(),
      u: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
    }),
    { minLength: 1, maxLength: 4 },
  )
  .map(buildOf);

/** Everything that must be done before a step, however many steps between. */
function ancestors(steps: readonly Step[]): Map<string, Set<string>> {
  const known = new Map<string, Set<string>>();
  for (const s of steps) known.set(s.id, new Set(s.after.flatMap((id) => [id, ...(known.get(id) ?? [])])));
  return known;
}

/** What is wrong with the order of a build, by the laws of the trade; the steps are known by what they are, not by who made them. */
function broken(doc: BuildDoc, steps: readonly Step[], parts: readonly PartReport[]): string[] {
  const wrong: string[] = [];
  const all = ancestors(steps);
  const has = (id: string): boolean => all.has(id);
  const first = (a: string, b: string, law: string): void => {
    if (has(a) && has(b) && !all.get(b)!.has(a)) wrong.push(`${law}: ${a} is not before ${b}`);
  };
  const order = new Map(steps.map((s, i) => [s.id, i]));
  for (const s of steps)
    for (const id of s.after)
      if (!((order.get(id) ?? Infinity) < order.get(s.id)!))
        wrong.push(`${s.id} follows ${id}, which is not there before it`);
  if (order.size !== steps.length) wrong.push('two steps have one id');
  const on = (p: Pick<PartReport, 'id' | 'mount'>): string | undefined =>
    p.mount.to === 'part' ? p.mount.part : undefined;
  const near = (a: PartReport): PartReport[] =>
    parts.filter((b) => b === a || on(a) === b.id || on(b) === a.id);
  const of = (p: PartReport, test: (s: Step, key: string) => boolean): Step[] =>
    steps.filter((s) => s.partId === p.id && test(s, s.id.slice(p.id.length + 1)));
  for (const part of parts) {
    const id = (key: string): string => `${part.id}:${key}`;
    // 1: what nothing reaches afterwards goes in before the last gluing of the shell.
    const hidden = part.items.some((i) => part.sealedIn.includes(i.featureId));
    const glued = of(part, (_, key) => ['seam', 'join', 'layers', 'close'].includes(key)).map((s) => s.id);
    if (hidden && glued.length > 0) {
      const last = glued.find((g) => glued.every((o) => o === g || all.get(g)!.has(o)));
      if (!last) wrong.push(`1: no gluing of ${part.id} is the last`);
      else first(id('inlay'), last, '1');
      if (!has(id('inlay'))) wrong.push(`1: ${part.id} hides things and nothing is laid in`);
    }
    // 2: hot air before what it spoils, in the part and in what touches it.
    const tender = of(
      part,
      (s, key) =>
        s.kind === 'fit' ||
        ['inlay', 'light-strips', 'wound-strips', 'devices', 'light-boxes', 'edge-lit'].includes(key),
    );
    for (const other of near(part))
      for (const hot of of(other, (s) => s.cautions.includes('heat') || s.kind === 'form'))
        for (const t of tender) first(hot.id, t.id, '2');
    // 3: holes, saws and pilot holes before what their dust and bits foul: lamps that are in, and paint.
    for (const other of near(part))
      for (const dusty of of(
        other,
        (s, key) =>
          s.kind === 'cut' ||
          key === 'saw' ||
          // Another part is drilled where it is put on this one, or this one on it.
          (s.kind === 'mount' && s.cautions.includes('dust') && (other === part || on(other) === part.id)),
      )) {
        for (const paint of of(
          part,
          (s, key) => s.kind === 'coat' || (s.kind === 'paint' && key !== 'inside'),
        ))
          first(dusty.id, paint.id, '3');
        if (dusty.kind !== 'mount' || !has(id('inlay')))
          for (const t of of(part, (s, key) => s.kind === 'fit' && key === 'fit')) first(dusty.id, t.id, '3');
      }
    for (const drill of of(part, (s) => s.kind === 'drill'))
      for (const t of tender) first(drill.id, t.id, '3');
    // 4: paint inside before closing; masks before every coat of what is lit, and off after the last.
    first(id('inside'), id('close'), '4');
    // Layers close it where no last piece does; the layers of a block that is let in are glued before.
    if (hidden && !has(id('close'))) first(id('inside'), id('layers'), '4');
    // 5: on the bench, after fitting, and once more before it is closed.
    first(id('solder'), id('test1'), '5');
    first(id('test1'), id('fit'), '5');
    first(id('fit'), id('test2'), '5');
    first(id('test2'), id('lining'), '5');
    first(id('inlay'), id('test-in'), '5');
    first(id('test-in'), id('close'), '5');
    if (part.items.length > 0 && !has(id('test1'))) wrong.push(`5: ${part.id} is never tested`);
  }
  // 6: what is glued for good is filled and painted as one; what comes off is painted by itself.
  const apart = (p: PartReport): boolean => p.mount.to === 'part' && p.mount.apart === true;
  const headOf = (p: PartReport): PartReport => {
    const host = parts.find((o) => o.id === on(p));
    return host && !apart(p) ? headOf(host) : p;
  };
  for (const part of parts) {
    const head = headOf(part);
    const coats = of(part, (s, key) => s.kind === 'coat' || (s.kind === 'paint' && key !== 'inside'));
    if (head !== part && coats.length > 0)
      wrong.push(`6: ${part.id} is glued to ${head.id} and painted by itself`);
    const painted = of(head, (s) => s.kind === 'coat' || s.kind === 'paint').filter(
      (s) => !s.id.endsWith(':inside'),
    );
    if (head !== part) {
      for (const s of painted) first(`${part.id}:mount`, s.id, '6');
      for (const s of painted) first(`${head.id}:fill`, s.id, '6');
    }
    const lit = parts.filter((p) => headOf(p) === head).some((p) => p.items.length > 0);
    const wet = painted.filter((s) => !s.id.endsWith('mask') && !s.id.endsWith(':prime'));
    if (lit && wet.length > 0) {
      if (!has(`${head.id}:mask`)) wrong.push(`4: ${head.id} is lit and not masked`);
      for (const s of wet) {
        first(`${head.id}:mask`, s.id, '4');
        first(s.id, `${head.id}:unmask`, '4');
      }
    }
    // By material: no heat where nothing is foam.
    const foam = part.painted.some((p) => p.surface === 'foam');
    const hot = of(part, (s, key) => key === 'round' && s.cautions.includes('heat'));
    if (!foam && hot.length > 0) wrong.push(`6: ${part.id} has no foam and is heat-sealed`);
  }
  if (doc.parts.length !== parts.length) wrong.push('a part is not planned');
  return wrong;
}

describe('the order of work', function () {
  this.timeout(3_600_000);

  it('breaks no law of the trade, for any parts on any others with anything in them', () => {
    let lit = 0;
    let closed = 0;
    fc.assert(
      fc.property(anyBuild, (doc) => {
        const { steps, parts } = derive(doc);
        if (parts.some((p) => p.items.length > 0)) lit += 1;
        if (steps.some((s) => s.id.endsWith(':inlay'))) closed += 1;
        const wrong = broken(doc, steps, parts);
        const what = doc.parts.map((p) => `${p.form}[${p.features.map((f) => f.kind).join()}]`).join(' + ');
        expect(wrong, `${what}: ${wrong.join('; ')}`).to.deep.equal([]);
      }),
      { numRuns: BUILDS, seed },
    );
    expect(lit).to.be.greaterThan(BUILDS / 4);
    if (BUILDS > 100) expect(closed).to.be.greaterThan(0);
  });

  it('would be seen to break them: each step left loose breaks a law', () => {
    const box = { ...newPart('p0', wearer, 'box'), lining: { foamId: 'light-eva', nominalMm: 2 } };
    const doc: BuildDoc = {
      ...newBuild('T', '2026-03-01', wearer),
      parts: [
        {
          ...box,
          features: (['lamps', 'pack', 'switch'] as const).map((kind, k) => ({
            id: `f${k}`,
            kind,
            ...features.get(kind)!.start({ panel: 'face', edge: '', at: { x: 0.3 + 0.2 * k, y: 0.5 } }),
          })),
        },
      ],
    };
    const { steps, parts } = derive(doc);
    expect(
      steps.some((s) => s.id === 'p0:close'),
      'a closed box is closed last',
    ).to.equal(true);
    expect(broken(doc, steps, parts)).to.deep.equal([]);
    for (const key of ['inlay', 'test-in', 'close', 'mask'])
      expect(
        broken(
          doc,
          steps.map((s) => (s.id === `p0:${key}` ? { ...s, after: [] } : s)),
          parts,
        ),
        key,
      ).to.not.deep.equal([]);
  });
});
