import type { MeasureKey } from './measures';

/**
 * Ways to work out a missing measure, best first: multiply the named measure by the ratio.
 * Ratios are means over means of a large adult survey (women and men together), from memory.
 */
export const ratios: Record<Exclude<MeasureKey, 'stature'>, [MeasureKey, number][]> = {
  headGirth: [['stature', 0.335]],
  headLength: [
    ['headGirth', 0.342],
    ['stature', 0.1146],
  ],
  headBreadth: [
    ['headGirth', 0.265],
    ['stature', 0.0889],
  ],
  headHeight: [
    ['headGirth', 0.395],
    ['stature', 0.1325],
  ],
  eyeDepth: [
    ['headHeight', 0.5],
    ['headGirth', 0.1975],
    ['stature', 0.0663],
  ],
  noseOut: [
    ['headLength', 0.105],
    ['headGirth', 0.036],
    ['stature', 0.012],
  ],
  earDepth: [
    ['headHeight', 0.585],
    ['headGirth', 0.231],
    ['stature', 0.0775],
  ],
  earLength: [
    ['headHeight', 0.275],
    ['headGirth', 0.1086],
    ['stature', 0.0364],
  ],
  neckGirth: [
    ['chestGirth', 0.363],
    ['stature', 0.215],
  ],
  shoulderBreadth: [['stature', 0.2303]],
  shoulderDrop: [
    ['shoulderBreadth', 0.12],
    ['stature', 0.0276],
  ],
  acrossChest: [
    ['chestGirth', 0.34],
    ['stature', 0.2],
  ],
  acrossBack: [
    ['chestGirth', 0.36],
    ['stature', 0.212],
  ],
  chestGirth: [
    ['underBustGirth', 1.13],
    ['waistGirth', 1.113],
    ['stature', 0.592],
  ],
  underBustGirth: [
    ['chestGirth', 0.885],
    ['waistGirth', 0.985],
    ['stature', 0.524],
  ],
  waistGirth: [
    ['hipGirth', 0.88],
    ['chestGirth', 0.899],
    ['stature', 0.532],
  ],
  hipGirth: [
    ['waistGirth', 1.137],
    ['chestGirth', 1.02],
    ['stature', 0.6],
  ],
  frontWaistLength: [
    ['backWaistLength', 0.9],
    ['stature', 0.225],
  ],
  backWaistLength: [
    ['frontWaistLength', 1.11],
    ['stature', 0.25],
  ],
  waistToShoulder: [
    ['backWaistLength', 0.95],
    ['stature', 0.235],
  ],
  armLength: [
    ['forearmLength', 2.32],
    ['stature', 0.337],
  ],
  upperArmGirth: [
    ['forearmGirth', 1.153],
    ['stature', 0.196],
  ],
  elbowBentGirth: [
    ['forearmGirth', 1.03],
    ['stature', 0.175],
  ],
  wristGirth: [
    ['forearmGirth', 0.576],
    ['elbowGirth', 0.62],
    ['stature', 0.0978],
  ],
  forearmGirth: [
    ['elbowGirth', 1.076],
    ['wristGirth', 1.737],
    ['stature', 0.17],
  ],
  forearmGirthAt: [
    ['forearmLength', 0.72],
    ['stature', 0.104],
  ],
  elbowGirth: [
    ['forearmGirth', 0.93],
    ['wristGirth', 1.615],
    ['stature', 0.158],
  ],
  forearmLength: [['stature', 0.145]],
  handGirth: [
    ['wristGirth', 1.205],
    ['stature', 0.118],
  ],
  handLength: [['stature', 0.1105]],
  insideLeg: [['stature', 0.457]],
  kneeHeight: [
    ['insideLeg', 0.62],
    ['stature', 0.283],
  ],
  thighGirth: [
    ['hipGirth', 0.605],
    ['calfGirth', 1.62],
    ['stature', 0.367],
  ],
  kneeGirth: [
    ['calfGirth', 1.0],
    ['thighGirth', 0.62],
    ['stature', 0.226],
  ],
  calfGirth: [
    ['thighGirth', 0.617],
    ['stature', 0.2262],
  ],
  calfHeight: [
    ['kneeHeight', 0.7],
    ['stature', 0.198],
  ],
  ankleGirth: [
    ['calfGirth', 0.605],
    ['stature', 0.137],
  ],
  footLength: [['stature', 0.152]],
  heelGirth: [
    ['footLength', 1.31],
    ['stature', 0.199],
  ],
};
