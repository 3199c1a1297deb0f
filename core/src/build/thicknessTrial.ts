import type { Body } from '../body/estimate';
import type { Zone } from '../forms/contract';
import { strainClass, type StrainClass } from '../foam/bend';
import { groovesForBend } from '../foam/groove';
import { ownWeightSagMm } from '../fit/sag';
import type { Sag } from '../fit/partFit';
import { cutSpeedMPerMin, speeds } from '../plan/speeds';
import { foamMassG } from '../mass/foamMass';
import { ledBodies } from '../materials/lamps';
import type { Catalogue } from '../materials/catalogue';
import { foamSheet, type FoamStock } from '../materials/stock';
import { trimNumber } from '../units/length';
import type { Part } from './document';
import { outlookOf, zoneOf } from '../forms/partForm';

/** What one thickness would do to a part. Area, mass and cost are for one copy. */
export interface TrialRow {
  nominalMm: number;
  inStock: number;
  patternGirthMm: number;
  massG: number;
  bendStrain: number;
  strainClass: StrainClass;
  /** What can pass; null when nothing must. */
  openingMm: number | null;
  outsideMm: number;
  roomMm: number;
  areaMm2: number;
  /** How much the slackest edge gives; null when nothing is free to. */
  sagMm: number | null;
  /** Grooves at each tight side, when the bend needs them. */
  grooves: number;
  /** Sheets for all copies, at four fifths of a sheet used. */
  sheets: number;
  /** Cutting, grooving and forming one copy by knife, minutes. */
  workMin: number;
  cost: number;
  passes: boolean;
  reasons: string[];
  recommended: boolean;
  chosen: boolean;
}

/** Thinner than this a single layer dents when knocked (common practice, no source). */
const DENTS_BELOW_MM = 4;
/** Thinner than this a single layer gives when gripped; large plates need more (common practice, no source). */
const flexesBelowMm = (zone: Zone): number => (zone === 'torso' || zone === 'back' ? 8 : 6);
/** Thicker than this a cuff catches on sleeves and pockets; from memory. */
const BULKY_ABOVE_MM = 8;
/** Above this an arm tires over a day; from memory. */
const HEAVY_G = 300;

/** Points at which a row does not work at all. */
const REFUSED = 10;

const strainPenalty: Record<StrainClass, number> = { cold: 0, heat: 1, grooved: 3, laminate: REFUSED };

/** Share of a sheet that pieces of armour use; from memory. */
const USED = 0.8;

/** What does not change with thickness: taken from the part as it is. */
export interface TrialShell {
  outlineMm: number;
  longestMm: number;
  pieces: number;
  copies: number;
  sag?: Sag;
}

/** One row per thickness sold of the part's foam, with reasons and one recommended. */
export function thicknessTrial(
  part: Part,
  body: Body,
  underLayerMm: number,
  catalogue: Catalogue,
  stock: readonly FoamStock[],
  shell: TrialShell,
): TrialRow[] {
  const zone = zoneOf(part);
  const foam = catalogue.foams.find((f) => f.id === part.foam.foamId);
  if (!foam) return [];
  const lining = part.lining
    ? foamSheet(catalogue.foams, stock, part.lining.foamId, part.lining.nominalMm)
    : undefined;
  const lampDeep = part.lights ? Math.max(...part.lights.rows.map((r) => ledBodies[r.body].lengthMm), 0) : 0;
  const scored = foam.sheets.map(({ nominalMm }) => {
    const sheet = foamSheet(catalogue.foams, stock, foam.id, nominalMm)!;
    const around = {
      body,
      underLayerMm,
      foam: sheet,
      sheetOf: (mm: number) => foamSheet(catalogue.foams, stock, foam.id, mm) ?? sheet,
    };
    const made = outlookOf(part, { ...around, ...(lining && { lining }) });
    const { areaMm2 } = made;
    const thicknessMm = sheet.thicknessMm.value;
    const strain = made.bendStrain;
    const kind = strainClass(strain);
    const massG = foamMassG(areaMm2, sheet);
    const openingMm = made.openingMm ?? null;
    const passes = openingMm === null || openingMm >= (made.passNeedMm ?? 0);
    const sagMm = shell.sag
      ? shell.sag.across *
        ownWeightSagMm(
          { densityKgM3: sheet.densityKgM3.value, modulusMPa: sheet.modulusMPa.value, thicknessMm },
          shell.sag.lengthMm,
          shell.sag.riseMm,
        )
      : null;
    const grooves = kind === 'grooved' ? groovesForBend(Math.PI, Math.PI).count : 0;
    const workMin =
      shell.outlineMm / 1000 / cutSpeedMPerMin(thicknessMm, 'knife') +
      (grooves * 2 * shell.longestMm) / 1000 / speeds.grooveMPerMin +
      (kind === 'cold' ? 0.5 : 1) * speeds.formPieceMin * shell.pieces;
    const reasons: string[] = [];
    let penalty = strainPenalty[kind];
    const hold = (against: boolean, points: number, reason: string): void => {
      if (!against) return;
      penalty += points;
      reasons.push(reason);
    };
    hold(
      !passes,
      REFUSED,
      `opens ${trimNumber(openingMm ?? 0, 0)} mm, ${trimNumber(made.passNeedMm ?? 0, 0)} mm must pass`,
    );
    hold(thicknessMm < DENTS_BELOW_MM, 4, 'dents when knocked');
    hold(thicknessMm >= DENTS_BELOW_MM && thicknessMm < flexesBelowMm(zone), 1.2, 'gives when gripped');
    hold(zone === 'forearm' && thicknessMm > BULKY_ABOVE_MM, 1, 'bulky at the cuff');
    hold(zone === 'forearm' && massG > HEAVY_G, 2, `heavy for an arm at ${trimNumber(massG, 0)} g`);
    hold(sagMm !== null && sagMm > 8, 1.5, `its free edge gives ${trimNumber(sagMm ?? 0, 0)} mm`);
    const stuckOut = lampDeep - thicknessMm - made.roomMm;
    hold(stuckOut > 0, 2, `lamps press ${trimNumber(stuckOut, 1)} mm into the sleeve`);
    if (reasons.length === 0) reasons.push('works');
    const row: TrialRow = {
      nominalMm,
      inStock: sheet.inStock,
      patternGirthMm: made.patternGirthMm,
      massG,
      bendStrain: strain,
      strainClass: kind,
      openingMm,
      outsideMm: made.patternGirthMm + 2 * Math.PI * (1 - sheet.neutralFraction.value) * thicknessMm,
      roomMm: made.roomMm,
      areaMm2,
      sagMm,
      grooves,
      sheets: Math.ceil((areaMm2 * shell.copies) / (sheet.widthMm * sheet.heightMm * USED)),
      workMin: Math.round(workMin),
      cost: (areaMm2 / (sheet.widthMm * sheet.heightMm)) * sheet.price.value,
      passes,
      reasons,
      recommended: false,
      chosen: nominalMm === part.foam.nominalMm,
    };
    return { row, penalty };
  });
  const best = scored.reduce((a, b) => (b.penalty < a.penalty ? b : a));
  best.row.recommended = true;
  if (best.row.reasons[0] === 'works') best.row.reasons.pop();
  best.row.reasons.push(
    best.penalty < REFUSED ? 'lightest of those that hold up' : 'the least bad: none works yet',
  );
  return scored.map((s) => s.row);
}
