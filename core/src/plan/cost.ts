import type { BuildDoc } from '../build/document';
import type { PartReport } from '../build/report';
import type { Packed } from '../cut/packing';
import type { Catalogue } from '../materials/catalogue';
import type { Strap } from '../fit/straps';
import { closureOf } from '../forms/partForm';
import { ledBodies } from '../materials/lamps';
import { foamSheet } from '../materials/stock';
import type { Sure } from '../units/sure';
import { coatings, glues } from './speeds';

/** One line of the shopping list. */
export interface CostLine {
  what: string;
  need: number;
  have: number;
  unit: string;
  each: number;
  total: number;
  sure: Sure;
}

const line = (what: string, need: number, unit: string, each: number, sure: Sure, have = 0): CostLine => ({
  what,
  need,
  have,
  unit,
  each,
  total: Math.max(0, need - have) * each,
  sure,
});

function foamLines(doc: BuildDoc, packed: Packed, catalogue: Catalogue): CostLine[] {
  const counts = new Map<string, { foamId: string; nominalMm: number; need: number }>();
  for (const { foamId, nominalMm } of packed.sheets) {
    const key = `${foamId}/${nominalMm}`;
    const known = counts.get(key) ?? { foamId, nominalMm, need: 0 };
    counts.set(key, { ...known, need: known.need + 1 });
  }
  return [...counts.values()].flatMap(({ foamId, nominalMm, need }) => {
    const sheet = foamSheet(catalogue.foams, doc.stock, foamId, nominalMm);
    if (!sheet) return [];
    const what = `${sheet.name}, ${sheet.widthMm} × ${sheet.heightMm} mm`;
    return [line(what, need, 'sheets', sheet.price.value, sheet.price.sure, sheet.inStock)];
  });
}

function electricLines(doc: BuildDoc, parts: readonly PartReport[]): CostLine[] {
  return parts.flatMap((part, i) => {
    const { lights } = doc.parts[i]!;
    if (!lights || !part.inside) return [];
    const { pack, switch: toggle, circuit, wireMm } = part.inside;
    const lamps = lights.rows.map((row) =>
      line(
        `${row.body.replace('mm', ' mm')} ${row.colour} LED`,
        row.count * part.copies,
        'lamps',
        ledBodies[row.body].price,
        'memory',
      ),
    );
    return [
      ...lamps,
      ...(pack ? [line(`${pack.name} with cells`, part.copies, 'packs', pack.price, 'memory')] : []),
      ...(toggle ? [line(toggle.name, part.copies, 'switches', toggle.price, 'memory')] : []),
      ...(circuit
        ? [line('resistors, ¼ W', circuit.strings.length * part.copies, 'pieces', 0.05, 'memory')]
        : []),
      line('hook-up wire, AWG 24', Math.ceil((wireMm * part.copies) / 1000), 'metres', 0.5, 'memory'),
    ];
  });
}

/** Length glued in one copy: seams, and the faces of lining, trim and layers as strips 50 mm apart. */
export function gluedMm(part: PartReport): number {
  const seams =
    part.pieces
      .flatMap((p) => p.edges.filter((e) => e.joint === 'seam'))
      .reduce((sum, e) => sum + e.lengthMm, 0) / 2;
  const faces = part.pieces.filter((p) => p.role !== 'shell').reduce((sum, p) => sum + p.areaMm2 / 50, 0);
  return seams + faces;
}

/** Everything to be bought, whole sheets and packs, less what is in stock. */
export function shopping(
  doc: BuildDoc,
  parts: readonly PartReport[],
  packed: Packed,
  catalogue: Catalogue,
  straps: readonly Strap[],
): CostLine[] {
  const area = parts.reduce((sum, p) => sum + p.areaMm2 * p.copies, 0) * 1e-6;
  const glue = glues[doc.make.habits.glue];
  const glued = parts.reduce((sum, p) => sum + gluedMm(p) * p.copies, 0) / 1000;
  const coat = coatings[doc.make.habits.seal];
  const closing = parts.flatMap((p, i) => {
    const closure = closureOf(doc.parts[i]!);
    return closure.price > 0 ? [line(closure.name, p.copies, 'sets', closure.price, 'memory')] : [];
  });
  const strapM = Math.ceil(straps.reduce((sum, s) => sum + s.lengthMm * s.count, 0) / 100) / 10;
  const rivets = parts.reduce((sum, p) => sum + p.rivets * p.copies, 0);
  const round = (value: number): number => Math.ceil(value * 100) / 100;
  return [
    ...foamLines(doc, packed, catalogue),
    ...electricLines(doc, parts),
    ...closing,
    ...(strapM > 0 ? [line('strap, 25 mm, with hook-and-loop ends', strapM, 'metres', 1.6, 'memory')] : []),
    ...(rivets > 0 ? [line('rivet heads, half round', rivets, 'pieces', 0.08, 'memory')] : []),
    ...(glued > 0 ? [line(glue.name, round(glued), 'metres of seam', glue.pricePerM, 'memory')] : []),
    ...(area > 0 ? [line(coat.name, round(area), 'm², all coats', coat.pricePerM2, 'memory')] : []),
  ];
}
