import { byId, figure, type Figure } from '../units';
import type { Foam, SheetKind, SheetSize } from './foams';
import type { FoamStock } from './foamStock';

/** A foam in one thickness with every figure settled. */
export interface FoamSheet {
  foamId: string;
  name: string;
  kind: SheetKind;
  colour: string;
  neverLaser?: true;
  nominalMm: number;
  thicknessMm: Figure;
  densityKgM3: Figure;
  modulusMPa: Figure;
  neutralFraction: Figure;
  /** Opening of a V for a right angle, when it was tested. */
  rightAngleMm?: Figure;
  widthMm: number;
  heightMm: number;
  price: Figure;
  inStock: number;
  /** Faces with a pattern on them. */
  texture: Foam['texture'];
  /** Whether this foam is sold, or is in stock, in this thickness. */
  sold: boolean;
}

/** What a sheet is taken for when its foam is not in the catalogue. */
const unknownFoam = (id: string): Foam => ({
  id,
  name: `unknown foam “${id}”`,
  kind: 'foam',
  colour: '#454c50',
  densityKgM3: figure(100, 'memory'),
  modulusMPa: figure(3, 'memory'),
  neutralFraction: figure(0.5, 'memory'),
  texture: 'none',
  use: '',
  sheets: [],
});

const loose: SheetSize = { nominalMm: 0, widthMm: 1000, heightMm: 500, price: figure(0, 'memory') };

/**
 * A ply with every figure settled: the catalogue merged with the maker's own stock and measurements. One that is
 * not sold so keeps the thickness asked, on a sheet like the nearest that is, and says that it is not sold.
 */
export function foamSheet(
  catalogue: readonly Foam[],
  stock: readonly FoamStock[],
  foamId: string,
  nominalMm: number,
): FoamSheet {
  const known = byId(catalogue, foamId);
  const foam = known ?? unknownFoam(foamId);
  const away = (s: SheetSize): number => Math.abs(s.nominalMm - nominalMm);
  const size = foam.sheets.reduce<SheetSize>(
    (best, s) => (best === loose || away(s) < away(best) ? s : best),
    loose,
  );
  const own = stock.find((s) => s.foamId === foamId && s.nominalMm === nominalMm);
  const thicknessMm =
    own?.measuredMm === undefined ? figure(nominalMm, 'practice') : figure(own.measuredMm, 'measured');
  const sheetM3 = size.widthMm * size.heightMm * thicknessMm.value * 1e-9;
  return {
    foamId,
    kind: foam.kind,
    colour: foam.colour,
    ...(foam.neverLaser && { neverLaser: true as const }),
    name: `${nominalMm} mm ${foam.name}`,
    nominalMm,
    thicknessMm,
    densityKgM3:
      own?.sheetG === undefined ? foam.densityKgM3 : figure(own.sheetG / 1000 / sheetM3, 'measured'),
    modulusMPa: foam.modulusMPa,
    neutralFraction:
      own?.neutralFraction === undefined ? foam.neutralFraction : figure(own.neutralFraction, 'measured'),
    ...(own?.rightAngleMm !== undefined && { rightAngleMm: figure(own.rightAngleMm, 'measured') }),
    widthMm: size.widthMm,
    heightMm: size.heightMm,
    price: own?.pricePerSheet === undefined ? size.price : figure(own.pricePerSheet, 'measured'),
    inStock: own?.sheets ?? 0,
    texture: foam.texture,
    sold: size.nominalMm === nominalMm || (own?.sheets ?? 0) > 0,
  };
}

/** Thicknesses a foam can be had in: sold, or in stock. */
export const thicknessesOf = (
  catalogue: readonly Foam[],
  stock: readonly FoamStock[],
  foamId: string,
): number[] => {
  const sold = byId(catalogue, foamId)?.sheets.map((s) => s.nominalMm) ?? [];
  const own = stock.filter((s) => s.foamId === foamId && s.sheets > 0).map((s) => s.nominalMm);
  return [...new Set([...sold, ...own])].sort((a, b) => a - b);
};
