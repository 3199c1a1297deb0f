import type { BuildDoc } from '../document';
import type { Fastening } from '../forms';
import {
  clearBetweenMin,
  clearWearMin,
  closures,
  colourName,
  type PaintCoat,
  paints,
  speeds,
  type Surface,
  surfaceWays,
} from '../materials';
import {
  coatsOf,
  coloursOf,
  inPaintOrder,
  type PaintedColour,
  paintedMm2,
  type PartReport,
  recipeOf,
  weatheringsOf,
} from '../parts';
import { byId, trimNumber, firstOf, lastOf } from '../units';
import { attachedEdges } from './attachedEdges';
import { outlineM } from './outline';
import type { Step } from './step';
import { workSteps } from './workSteps';

/** Edges rounded, and every surface made ready for paint as its material wants: before any lamp is in, which hot air would spoil. */
export function heatSteps(part: PartReport, after: string): Step[] {
  if (part.pieces.length === 0 && part.painted.every((p) => !surfaceWays[p.surface].ready)) return [];
  const ways = part.painted.flatMap((p) => surfaceWays[p.surface].ready ?? []);
  const hot = ways.some((w) => w.heat);
  const verbs = ways.map((w) => w.verb);
  const rounds = part.pieces.some((p) => p.role !== 'lining');
  return [
    {
      id: `${part.id}:round`,
      kind: 'sand',
      about: 'edges',
      title: `${part.name}: ${[...(rounds ? ['round over edges'] : []), ...verbs].join(', ')}`,
      detail: [...(rounds ? ['Edges by drum, then by hand.'] : []), ...ways.map((w) => w.detail)].join(' '),
      partId: part.id,
      workMin: Math.ceil(outlineM(part) / speeds.roundOverMPerMin) + 5 * part.copies,
      waitMin: hot ? 10 : 0,
      ...(hot && { waitFor: 'foam cool' }),
      after: [after],
      ...(hot &&
        part.items.length > 0 && { gate: 'Hot air spoils lamps, cells and wire: it comes before them.' }),
      cautions: hot ? ['dust', 'heat'] : ['dust'],
    },
  ];
}

/** What paint spoils and is covered before the first coat. */
function maskedOf(part: PartReport, strapped: boolean): string[] {
  return [
    ...(part.items.some((i) => i.lamp) ? ['lamps'] : []),
    ...(part.items.some((i) => i.steady) ? ['strips and boards that show'] : []),
    ...(part.items.some((i) => i.toggle) ? ['switch'] : []),
    ...(part.items.some((i) => i.source) ? ['battery door'] : []),
    ...(part.sight.length > 0 ? ['what is seen through'] : []),
    ...(strapped ? ['where straps are glued'] : []),
  ];
}

/** Masking one thing, and taking it off again, min; from memory. */
const MASK_MIN = 4;
const UNMASK_MIN = 2;

/** The colours of parts that are painted as one, on every copy of them, in the order they go on. */
function coloursOfUnit(doc: BuildDoc, unit: readonly PartReport[]): PaintedColour[] {
  const found: PaintedColour[] = [];
  for (const part of unit)
    for (const colour of coloursOf(byId(doc.parts, part.id) ?? {}, part)) {
      const named = (on: string): string => (unit.length > 1 ? `${part.name}, ${on}` : on);
      const whole = unit.length > 1 ? [part.name] : [];
      const on = colour.on.length > 0 ? colour.on.map(named) : whole;
      const areaMm2 = colour.areaMm2 * part.copies;
      const known = found.find((f) => f.name === colour.name && f.colour === colour.colour);
      if (known) Object.assign(known, { on: [...known.on, ...on], areaMm2: known.areaMm2 + areaMm2 });
      else found.push({ ...colour, on, areaMm2 });
    }
  return inPaintOrder(found);
}

/**
 * Steps from what is ready for paint to what is finished, for parts that are painted as one: masks on, coats by material,
 * paint from base to clear, masks off.
 * @param own the first part, whose finish the others share.
 */
export function finishSteps(
  doc: BuildDoc,
  unit: readonly PartReport[],
  after: readonly string[],
  strapped: (part: PartReport) => boolean,
  coverage: number,
): Step[] {
  const own = firstOf(unit);
  const id = (step: string): string => `${own.id}:${step}`;
  const names = unit.length > 1 ? `${own.name} and what is glued to it` : own.name;
  const settings = byId(doc.parts, own.id) ?? {};
  const recipe = recipeOf(settings, doc.make.habits);
  const worn = new Set(
    unit.flatMap((p) => {
      const part = byId(doc.parts, p.id);
      return weatheringsOf(part?.scheme ? part : settings);
    }),
  );
  const weatherings = (['wash', 'dry-brush'] as const).filter((w) => worn.has(w));
  const schemed = unit.some((p) => byId(doc.parts, p.id)?.scheme !== undefined);
  const colours = coloursOfUnit(doc, unit);
  const base = colours.reduce<PaintedColour | undefined>(
    (a, b) => (!a || b.areaMm2 > a.areaMm2 ? b : a),
    undefined,
  );
  const others = colours.filter((c) => c !== base);
  const lit = unit.some((p) => p.items.some((i) => i.lamp));
  const copies = Math.max(...unit.map((p) => p.copies));
  const steps: Step[] = [];
  const m2Of = (of: (surface: Surface) => boolean): number =>
    unit.reduce((sum, p) => sum + paintedMm2(p.painted.filter((a) => of(a.surface))) * 1e-6 * p.copies, 0);
  const amount = (mlPerM2: number, m2: number): string =>
    m2 === 0 ? '' : `About ${trimNumber(Math.max(1, mlPerM2 * m2 * coverage), 0)} ml.`;
  /** What is read off the step: the coat by the stated coverage. */
  const coated = (mlPerM2: number, m2: number): Pick<Step, 'reads'> =>
    m2 > 0 ? { reads: { quantity: 'coverage', stated: mlPerM2 * m2 } } : {};
  const previous = (): string[] => (steps.length > 0 ? [lastOf(steps).id] : [...after]);
  const masked = [...new Set(unit.flatMap((p) => maskedOf(p, strapped(p))))];
  const things = unit.reduce((sum, p) => sum + p.copies * (p.items.length + p.sight.length), 0);
  const whole = m2Of(() => true);
  const surfaces = [...new Set(unit.flatMap((p) => p.painted.map((a) => a.surface)))];
  const covers =
    whole > 0 &&
    (recipe.colours > 0 ||
      weatherings.length > 0 ||
      recipe.clearCoats > 0 ||
      surfaces.some((of) => coatsOf(of, settings, doc.make.habits)));
  if (masked.length > 0 && covers)
    steps.push({
      id: id('mask'),
      kind: 'paint',
      about: 'masks',
      title: `${names}: mask what paint spoils`,
      detail: `${masked.join(', ')}. Low-tack tape pressed down at its edge; foam plugs in holes.`,
      partId: own.id,
      workMin: MASK_MIN * Math.max(1, things),
      waitMin: 0,
      after: previous(),
      gate: 'Paint on a lamp, a switch or a lens does not come off.',
      cautions: [],
    });
  for (const surface of surfaces) {
    const way = coatsOf(surface, settings, doc.make.habits);
    if (!way) continue;
    const { coating, coats } = way;
    const m2 = m2Of((s) => s === surface);
    const key = {
      foam: 'seal',
      rigid: 'prime',
      soft: 'flex',
      skin: 'filler',
      print: 'print-prime',
      bought: 'bought',
    }[surface];
    for (let i = 1; i <= coats; i++) {
      const last = i === coats;
      steps.push({
        id: id(`${key}${i}`),
        kind: 'coat',
        about: 'surface',
        title: `${names}: ${coating.name}, coat ${i} of ${coats}`,
        detail: [
          ...(surfaces.length > 1 ? [`On the ${surfaceWords[surface]}.`] : []),
          last ? 'Handle only when dry through.' : 'Thin and even.',
          amount(coating.mlPerM2, m2),
        ]
          .join(' ')
          .trim(),
        partId: own.id,
        ...coated(coating.mlPerM2, m2),
        workMin: coating.workMin * copies,
        waitMin: last ? coating.handleMin : coating.betweenMin,
        waitFor: last ? 'dry to handle' : 'dry to recoat',
        after: previous(),
        cautions: ['paint'],
      });
    }
  }
  const paint = (
    step: string,
    what: PaintCoat,
    times: number,
    title: string,
    detail: string,
    waitFor: string,
    about: Step['about'] = 'surface',
    m2 = whole,
  ): void => {
    steps.push({
      id: id(step),
      kind: 'paint',
      about,
      title: `${names}: ${title}`,
      detail: `${detail} ${amount(what.mlPerM2 * times, m2)}`.trim(),
      partId: own.id,
      ...coated(what.mlPerM2 * times, m2),
      workMin: Math.ceil((what.workMin * copies + what.minPerM2 * m2) * times),
      waitMin: what.dryMin,
      waitFor,
      after: previous(),
      cautions: ['paint'],
    });
  };
  if (whole > 0) {
    if (schemed ? base : recipe.colours > 0)
      paint(
        'paint',
        paints.base,
        1,
        base ? `paint it ${base.name}` : 'paint the base colour',
        `${base ? `${colourName(base.colour)} (${base.colour}). ` : ''}Two thin coats rather than one thick.`,
        'paint dry',
      );
    for (const [i, colour] of others.entries())
      paint(
        `colour-${i + 1}`,
        { ...paints.base, workMin: paints.detail.workMin },
        1,
        `paint ${colour.on.join(', ')} ${colour.name}`,
        `${colour.surface === 'metallic' ? 'Metal goes over black, dry through. ' : ''}${colourName(colour.colour)} (${colour.colour}). Mask what keeps its colour: low-tack tape pressed down at its edge.`,
        'paint dry',
        'surface',
        colour.areaMm2 / 1e6,
      );
    if (recipe.colours > 1 && !schemed)
      paint(
        'colours',
        paints.detail,
        recipe.colours - 1,
        `paint ${recipe.colours - 1} more colour${recipe.colours > 2 ? 's' : ''}`,
        'Mix from the lightest colour, black last; deep places first, edges after.',
        'paint dry',
      );
    for (const how of weatherings)
      paint(
        weatherings.length > 1 ? `weather-${how}` : 'weather',
        paints[how],
        1,
        how === 'wash' ? 'wash with thinned dark paint' : 'dry-brush the edges',
        how === 'wash'
          ? 'Into the deep places, wiped off the high ones before it dries.'
          : 'Nearly no paint on the brush, over edges and rivets only.',
        'paint dry',
        'edges',
      );
  }
  for (const part of unit) steps.push(...workSteps(part, 'painted', steps.at(-1)?.id ?? firstOf(after)));
  for (let i = 1; whole > 0 && i <= recipe.clearCoats; i++) {
    const last = i === recipe.clearCoats;
    paint(
      last ? 'clear' : `clear${i}`,
      { ...paints.clear, dryMin: last ? paints.clear.dryMin : clearBetweenMin },
      1,
      recipe.clearCoats === 1 ? 'clear coat' : `clear coat ${i} of ${recipe.clearCoats}`,
      lit ? 'Lenses stay masked. One even coat.' : 'One even coat.',
      last ? 'clear coat dry to handle' : 'dry to recoat',
    );
    if (last) lastOf(steps).cureMin = clearWearMin - paints.clear.dryMin;
  }
  if (steps[0]?.id === id('mask'))
    steps.push({
      id: id('unmask'),
      kind: 'paint',
      about: 'masks',
      title: `${names}: take the masks off`,
      detail:
        'Pulled back on itself, slowly; a blade along the edge where paint bridges it. Then switch it on once.',
      partId: own.id,
      workMin: UNMASK_MIN * Math.max(1, things),
      waitMin: 0,
      after: previous(),
      cautions: [],
    });
  return steps;
}

const surfaceWords: Record<Surface, string> = {
  foam: 'foam',
  rigid: 'board and pipe',
  soft: 'upholstery foam',
  skin: 'thermoplastic',
  print: 'prints',
  bought: 'bought thing',
};

/** Straps, padding and what is hung, when all paint is on. */
export function strapSteps(part: PartReport, after: readonly string[], straps: readonly Fastening[]): Step[] {
  const kinds = [...new Set(straps.map((s) => s.closure))];
  const strapMin = straps.reduce((sum, s) => sum + s.count * closures[s.closure].eachMin, 0);
  const padded = part.zone !== undefined;
  if (!padded && straps.length === 0) return [];
  return [
    {
      id: `${part.id}:strap`,
      kind: 'strap',
      about: 'straps',
      title: `${part.name}: ${[...kinds.map((k) => closures[k].name), ...(padded ? ['padding'] : [])].join(', ')}`,
      detail: [
        ...attachedEdges(part)
          .filter((e) => e.by === 'strap' || e.by === 'rivet')
          .map((e) => e.words),
        ...straps.map((s) => `${s.count} × ${trimNumber(s.lengthMm, 0)} mm ${s.where}`),
        ...((part.wear?.pads.length ?? 0) > 0
          ? [
              `pads inside at the ${part.wear!.pads.length} marks, ${[...new Set(part.wear!.pads.map((p) => p.thicknessMm))].sort((a, b) => a - b).join(', ')} mm thick`,
            ]
          : padded
            ? ['padding where it carries']
            : []),
      ].join('; '),
      partId: part.id,
      workMin: strapMin + 15 * part.copies,
      waitMin: 0,
      after: [...after],
      cautions: [],
    },
  ];
}
