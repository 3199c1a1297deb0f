import { nothingInOthers, partsStand, switchesReached } from './assemblyRules';
import { bearsWhatHangs } from './borneRules';
import {
  criticalMeasured,
  heat,
  loudTools,
  moves,
  piecesFitSheet,
  printerCorrected,
  readingsPlausible,
  readyInTime,
  travels,
  withinBudget,
} from './buildRules';
import {
  admitted,
  balanced,
  breathes,
  comesApart,
  levelOnEar,
  levelOnHead,
  lightOnBack,
  lightOnShoulders,
  throughDoors,
  lightInHand,
  noLaserOnPvc,
  sticksLongEnough,
  stiff,
} from './carryRules';
import { wallsLeftBare } from './finishRules';
import { framesCarry, framesLast } from './frameRules';
import { staysUp } from './limbRules';
import {
  burnsLongEnough,
  cellCurrent,
  circuitWhole,
  connectorsWhereParted,
  lampCurrent,
  lampsFed,
  lightStaysOn,
  resistorCool,
  stringsFeasible,
  switchCurrent,
} from './circuitRules';
import { kerfBetween, undercutBetween } from './cutRules';
import { lampsOnFace } from './faceRules';
import {
  bankStaysAwake,
  effectPlayed,
  flashesSafely,
  lithiumFused,
  steadyVolts,
  stripEven,
  wiresThickEnough,
} from './feedRules';
import { broughtIn } from './openedRules';
import { betterThickness, mountHolds, ownChecks, pairFitsBoth } from './partRules';
import { picturesAgree, picturesFigure, picturesGiven, picturesScaled } from './pictureRules';
import { inrushBorne, regulatorCool, regulatorHolds } from './regulatorRules';
import type { BuildRule, PartRule } from './rule';
import { lightTells } from './tellRules';
import { wedgesFill } from './wedgeRules';
import { wiresHaveRoom } from './wireRules';

/** What a rule is about, weightiest first: of findings of one severity those come first. */
export const weights = [
  'input',
  'safety',
  'fit',
  'light',
  'cutting',
  'carrying',
  'plan',
  'sources',
  'better',
] as const;

export interface DeclaredRules {
  weight: (typeof weights)[number];
  parts?: readonly PartRule[];
  build?: readonly BuildRule[];
}

/** Every rule, by what it is about. A new one is a function in a file and its name here. */
export const rules: readonly DeclaredRules[] = [
  { weight: 'input', build: [readingsPlausible, broughtIn] },
  {
    weight: 'safety',
    build: [
      breathes,
      flashesSafely,
      lithiumFused,
      noLaserOnPvc,
      lampsOnFace,
      heat,
      cellCurrent,
      resistorCool,
      regulatorCool,
    ],
  },
  {
    weight: 'fit',
    parts: [ownChecks, pairFitsBoth, mountHolds],
    build: [partsStand, nothingInOthers, moves, criticalMeasured, switchesReached, wedgesFill],
  },
  {
    weight: 'light',
    parts: [lightTells, wallsLeftBare],
    build: [
      circuitWhole,
      lampsFed,
      stringsFeasible,
      lampCurrent,
      switchCurrent,
      burnsLongEnough,
      lightStaysOn,
      steadyVolts,
      stripEven,
      wiresThickEnough,
      wiresHaveRoom,
      regulatorHolds,
      inrushBorne,
      bankStaysAwake,
      effectPlayed,
      connectorsWhereParted,
    ],
  },
  {
    weight: 'cutting',
    build: [piecesFitSheet, kerfBetween, undercutBetween, printerCorrected, sticksLongEnough],
  },
  {
    weight: 'carrying',
    build: [
      admitted,
      bearsWhatHangs,
      framesCarry,
      framesLast,
      stiff,
      balanced,
      lightInHand,
      levelOnEar,
      levelOnHead,
      lightOnBack,
      lightOnShoulders,
      staysUp,
      throughDoors,
      comesApart,
      travels,
    ],
  },
  { weight: 'plan', build: [readyInTime, withinBudget, loudTools] },
  {
    weight: 'sources',
    build: [picturesScaled, picturesAgree, picturesFigure, picturesGiven],
  },
  { weight: 'better', parts: [betterThickness] },
];
