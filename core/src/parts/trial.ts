import { zoneInfo } from '../body';
import type { Part } from '../document';
import type { Model } from '../forms';
import { groovesForBend, strainClass, type StrainClass } from '../foam';
import { cutSpeedMPerMin, speeds, thicknessesOf } from '../materials';
import { bendingOf, foamOf } from '../panel';
import { trimNumber, firstOf } from '../units';
import { foamFor, modelOf, sheetOf, type Context } from './context';
import { zoneOf } from './made';
import type { Sag } from './wear/partFit';
import { ownWeightSagMm } from './wear/sag';

/** What one thickness would do to a part. Area, mass and cost are for one copy's shell. */
export interface TrialRow {
  nominalMm: number;
  inStock: number;
  /** Round the part at its widest, all its pieces together. */
  girthMm: number;
  massG: number;
  bendStrain: number;
  strainClass: StrainClass;
  /** What can pass at the tightest opening; null when nothing must. */
  openingMm: number | null;
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
  /** Length of the longest lamp. */
  lampMm: number;
  sag?: Sag;
  /** As it is now, for the thickness that is chosen. */
  model: Model;
}

/** One row per thickness of the part's foam that can be had, with reasons and one recommended. */
export function thicknessTrial(part: Part, context: Context, shell: TrialShell): TrialRow[] {
  const zone = zoneOf(part);
  const info = zone && zoneInfo(zone);
  const { foamId, nominalMm: chosen } = firstOf(part.stack);
  const can = thicknessesOf(context.catalogue.foams, context.stock, foamId);
  const scored = can.map((nominalMm) => {
    const ply = { foamId, nominalMm };
    const sheet = sheetOf(context)(ply);
    const model = nominalMm === chosen ? shell.model : modelOf(part, context, ply);
    const foam = foamFor(context, ply);
    const skins = model.panels.map((panel) => ({ panel, foam: foam(panel) }));
    const { areaMm2, massG, girthMm } = foamOf(skins, model.joins, context.habits.fold);
    const { bendStrain } = bendingOf(skins);
    const thicknessMm = sheet.thicknessMm.value;
    const kind = strainClass(bendStrain);
    const tightest = model.clearances.reduce<(typeof model.clearances)[number] | undefined>(
      (worst, p) => (!worst || p.openingMm - p.needMm < worst.openingMm - worst.needMm ? p : worst),
      undefined,
    );
    const passes = !tightest || tightest.openingMm >= tightest.needMm;
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
      `opens ${trimNumber(tightest?.openingMm ?? 0, 0)} mm, ${trimNumber(tightest?.needMm ?? 0, 0)} mm must pass`,
    );
    const flexesBelow = info?.flexesBelowMm ?? 6;
    hold(thicknessMm < DENTS_BELOW_MM, 4, 'dents when knocked');
    hold(thicknessMm >= DENTS_BELOW_MM && thicknessMm < flexesBelow, 1.2, 'gives when gripped');
    hold(thicknessMm > (info?.bulkyAboveMm ?? Infinity), 1, 'bulky at the cuff');
    hold(massG > (info?.heavyG ?? Infinity), 2, `heavy for an arm at ${trimNumber(massG, 0)} g`);
    hold(sagMm !== null && sagMm > 8, 1.5, `its free edge gives ${trimNumber(sagMm ?? 0, 0)} mm`);
    const stuckOut = shell.lampMm - thicknessMm - model.roomMm;
    hold(zone !== undefined && stuckOut > 0, 2, `lamps press ${trimNumber(stuckOut, 1)} mm into the sleeve`);
    if (reasons.length === 0) reasons.push('works');
    const row: TrialRow = {
      nominalMm,
      inStock: sheet.inStock,
      girthMm,
      massG,
      bendStrain,
      strainClass: kind,
      openingMm: tightest?.openingMm ?? null,
      roomMm: model.roomMm,
      areaMm2,
      sagMm,
      grooves,
      sheets: Math.ceil((areaMm2 * shell.copies) / (sheet.widthMm * sheet.heightMm * USED)),
      workMin: Math.round(workMin),
      cost: (areaMm2 / (sheet.widthMm * sheet.heightMm)) * sheet.price.value,
      passes,
      reasons,
      recommended: false,
      chosen: nominalMm === chosen,
    };
    return { row, penalty };
  });
  if (scored.length === 0) return [];
  const best = scored.reduce((a, b) => (b.penalty < a.penalty ? b : a));
  best.row.recommended = true;
  if (best.row.reasons[0] === 'works') best.row.reasons.pop();
  best.row.reasons.push(
    best.penalty < REFUSED ? 'lightest of those that hold up' : 'the least bad: none works yet',
  );
  return scored.map((s) => s.row);
}
