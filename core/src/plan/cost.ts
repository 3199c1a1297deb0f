import type { Sheet } from '../cut';
import type { BuildDoc, Part } from '../document';
import type { Fastening } from '../forms';
import {
  type Catalogue,
  closureKinds,
  closures,
  type Coating,
  controller,
  foamSheet,
  glues,
  type PaintCoat,
  type Rod,
  paints,
} from '../materials';
import { coatsOf, coloursOf, gluedMm, paintedMm2, paintsOf, type PartReport } from '../parts';
import { byId, type Provenance, firstOf } from '../units';
import { assembliesOf } from './assemblies';
import { printLines } from './printSteps';
import { unitsOf } from './units';
import type { Wiring } from './wiring';

/** One line of the shopping list. */
export interface CostLine {
  what: string;
  need: number;
  have: number;
  unit: string;
  each: number;
  total: number;
  provenance: Provenance;
}

const line = (
  what: string,
  need: number,
  unit: string,
  each: number,
  provenance: Provenance,
  have = 0,
): CostLine => ({
  what,
  need,
  have,
  unit,
  each,
  total: Math.max(0, need - have) * each,
  provenance,
});

/** Lines for the same thing at the same price are one. */
function merged(lines: readonly CostLine[]): CostLine[] {
  const all = new Map<string, CostLine>();
  for (const l of lines) {
    const key = `${l.what}/${l.unit}/${l.each}`;
    const known = all.get(key);
    all.set(key, known ? line(l.what, known.need + l.need, l.unit, l.each, l.provenance, l.have) : l);
  }
  return [...all.values()];
}

function foamLines(doc: BuildDoc, sheets: readonly Sheet[], catalogue: Catalogue): CostLine[] {
  // An offcut is paid for.
  const whole = sheets.filter((s) => !s.offcut);
  return whole.map(({ foamId, nominalMm }) => {
    const sheet = foamSheet(catalogue.foams, doc.stock, foamId, nominalMm);
    const what = `${sheet.name}, ${sheet.widthMm} × ${sheet.heightMm} mm`;
    return line(what, 1, 'sheets', sheet.price.value, sheet.price.provenance, sheet.inStock);
  });
}

function wiringLines(wirings: readonly Wiring[]): CostLine[] {
  const strings = wirings.reduce((sum, w) => sum + (w.solved?.strings.length ?? 0) * w.copies, 0);
  const gauges = [...new Set(wirings.map((w) => w.awg))].sort((a, b) => a - b);
  const metresOf = (awg: number): number =>
    wirings.reduce((sum, w) => sum + (w.awg === awg ? (w.wireMm * w.copies) / 1000 : 0), 0);
  const fuses = wirings.reduce((sum, w) => sum + (w.fused ? w.copies : 0), 0);
  const boards = wirings.flatMap(({ feed: { regulator }, copies }) =>
    regulator
      ? [
          line(
            `${regulator.name}, ${regulator.volts} V`,
            copies,
            'pieces',
            regulator.price,
            regulator.provenance,
          ),
        ]
      : [],
  );
  const controllers = wirings.reduce((sum, w) => sum + (w.controlled ? w.copies : 0), 0);
  const connectors = wirings.reduce((sum, w) => sum + w.crossings * w.copies, 0);
  return [
    ...(strings > 0 ? [line('resistors, ¼ W', strings, 'pieces', 0.05, 'memory')] : []),
    ...gauges.flatMap((awg) => {
      const metres = Math.ceil(metresOf(awg));
      return metres > 0 ? [line(`hook-up wire, AWG ${awg}`, metres, 'metres', 0.5, 'memory')] : [];
    }),
    ...(fuses > 0 ? [line('inline fuse with holder', fuses, 'pieces', 1.5, 'memory')] : []),
    ...boards,
    ...(controllers > 0
      ? [line(controller.name, controllers, 'pieces', controller.price, controller.provenance)]
      : []),
    ...(connectors > 0 ? [line('two-pole connectors', connectors, 'pairs', 0.6, 'memory')] : []),
  ];
}

function fasteningLines(straps: readonly Fastening[]): CostLine[] {
  return closureKinds.flatMap((kind) => {
    const own = straps.filter((s) => s.closure === kind);
    const { stuff, perMPrice, eachPrice, name } = closures[kind];
    const metres = Math.ceil(own.reduce((sum, s) => sum + s.lengthMm * s.count, 0) / 100) / 10;
    const count = own.reduce((sum, s) => sum + s.count, 0);
    if (metres === 0) return [];
    return [
      line(stuff, metres, 'metres', perMPrice, 'memory'),
      ...(eachPrice > 0 ? [line(`${name}: fittings`, count, 'sets', eachPrice, 'memory')] : []),
    ];
  });
}

/** More of a colour than this is bought in bottles, ml. */
const POT_ML = 120;

/** Coats and paints, in what they are sold in. */
function finishLines(doc: BuildDoc, parts: readonly PartReport[], coverage: number): CostLine[] {
  const coatMl = new Map<string, { coating: Coating; ml: number }>();
  const paintMl = new Map<PaintCoat, number>();
  const colourMl = new Map<string, number>();
  for (const unit of assembliesOf(parts).flatMap((group) => unitsOf(group))) {
    // What is glued together is painted as one, as its first part says.
    const settings = byId(doc.parts, firstOf(unit).id) ?? {};
    for (const part of unit) {
      const times = 1e-6 * part.copies * coverage;
      for (const { surface, areaMm2 } of part.painted) {
        const way = coatsOf(surface, settings, doc.make.habits);
        if (!way) continue;
        const { coating, coats } = way;
        const known = coatMl.get(coating.name)?.ml ?? 0;
        coatMl.set(coating.name, { coating, ml: known + areaMm2 * times * coats * coating.mlPerM2 });
      }
      const m2 = paintedMm2(part.painted) * times;
      const own: Partial<Part> = byId(doc.parts, part.id) ?? {};
      // A scheme names its colours; without one there are so many of no name.
      for (const { name, areaMm2 } of coloursOf(own, part))
        colourMl.set(name, (colourMl.get(name) ?? 0) + areaMm2 * times * paints.base.mlPerM2);
      for (const paint of paintsOf(own.scheme ? own : settings, doc.make.habits))
        if (!own.scheme || (paint !== paints.base && paint !== paints.detail))
          paintMl.set(paint, (paintMl.get(paint) ?? 0) + m2 * paint.mlPerM2);
    }
  }
  // What a can costs, by what all coats of a square metre do.
  const canPrice = (c: Coating): number =>
    Math.round(((c.pricePerM2 / (c.coats * c.mlPerM2)) * c.soldMl) / 0.5) * 0.5;
  const lineOf = (name: string, ml: number, soldMl: number, soldIn: string, each: number): CostLine[] =>
    ml > 0 ? [line(name, Math.ceil(ml / soldMl - 1e-9), `${soldIn} of ${soldMl} ml`, each, 'memory')] : [];
  return [
    ...[...coatMl.values()].flatMap(({ coating: c, ml }) =>
      lineOf(c.name, ml, c.soldMl, c.soldIn, canPrice(c)),
    ),
    ...[...colourMl].flatMap(([name, ml]) => {
      const { soldMl, soldIn, price } = ml > POT_ML ? paints.base : paints.detail;
      return lineOf(`acrylic paint, ${name}`, ml, soldMl, soldIn, price);
    }),
    ...[...paintMl].flatMap(([p, ml]) => lineOf(p.name, ml, p.soldMl, p.soldIn, p.price)),
  ];
}

/** Everything to be bought, whole sheets and packs, less what is in stock; `shop` is what its coats and its seams take by what is stated. */
export function shopping(
  doc: BuildDoc,
  parts: readonly PartReport[],
  sheets: readonly Sheet[],
  sticks: readonly { rod: Rod; sticks: readonly unknown[] }[],
  catalogue: Catalogue,
  straps: readonly Fastening[],
  wirings: readonly Wiring[],
  shop: { coverage: number; glue: number } = { coverage: 1, glue: 1 },
): CostLine[] {
  const glue = glues[doc.make.habits.glue];
  const glued = parts.reduce((sum, p) => sum + gluedMm(p.pieces) * p.copies, 0) / 1000;
  const round = (value: number): number => Math.ceil(value * 100) / 100;
  return merged([
    ...foamLines(doc, sheets, catalogue),
    ...sticks.map(({ rod, sticks: bought }) =>
      line(`${rod.name}, ${rod.stickMm} mm`, bought.length, 'sticks', rod.price.value, rod.price.provenance),
    ),
    ...parts.flatMap((p) =>
      p.bought.map((b) => line(b.itself ? p.name : b.what, b.count * p.copies, b.unit, b.each, b.provenance)),
    ),
    ...wiringLines(wirings),
    ...fasteningLines(straps),
    ...(glued > 0
      ? [line(glue.name, round(glued), 'metres of seam', glue.pricePerM * shop.glue, 'memory')]
      : []),
    ...finishLines(doc, parts, shop.coverage),
    ...printLines(doc),
  ]);
}
