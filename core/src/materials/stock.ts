import { figure, type Figure } from '../units/sure';
import type { Foam } from './foams';

/** What the maker has, and has measured, of one foam in one thickness. */
export interface FoamStock {
  foamId: string;
  nominalMm: number;
  sheets: number;
  /** Caliper reading, when the sheet is not its nominal thickness. */
  measuredMm?: number;
  /** From a ring test. */
  neutralFraction?: number;
  /** From a groove test: opening of a V that closed a right angle cleanly. */
  rightAngleMm?: number;
  pricePerSheet?: number;
}

/** A foam in one thickness with every figure settled. */
export interface FoamSheet {
  foamId: string;
  name: string;
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
  textured: boolean;
}

/** Merges the catalogue with the maker's own stock and measurements; undefined when not sold so. */
export function foamSheet(
  catalogue: readonly Foam[],
  stock: readonly FoamStock[],
  foamId: string,
  nominalMm: number,
): FoamSheet | undefined {
  const foam = catalogue.find((f) => f.id === foamId);
  const size = foam?.sheets.find((s) => s.nominalMm === nominalMm);
  if (!foam || !size) return undefined;
  const own = stock.find((s) => s.foamId === foamId && s.nominalMm === nominalMm);
  return {
    foamId,
    name: `${nominalMm} mm ${foam.name}`,
    nominalMm,
    thicknessMm:
      own?.measuredMm === undefined ? figure(nominalMm, 'practice') : figure(own.measuredMm, 'measured'),
    densityKgM3: foam.densityKgM3,
    modulusMPa: foam.modulusMPa,
    neutralFraction:
      own?.neutralFraction === undefined ? foam.neutralFraction : figure(own.neutralFraction, 'measured'),
    ...(own?.rightAngleMm !== undefined && { rightAngleMm: figure(own.rightAngleMm, 'measured') }),
    widthMm: size.widthMm,
    heightMm: size.heightMm,
    price: own?.pricePerSheet === undefined ? size.price : figure(own.pricePerSheet, 'measured'),
    inStock: own?.sheets ?? 0,
    textured: foam.texturedOneFace,
  };
}
