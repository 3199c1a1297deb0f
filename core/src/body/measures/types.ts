/** Where on the body a measure belongs; groups the fields and the figure's tapes. */
export type BodyRegion = 'whole' | 'head' | 'torso' | 'arm' | 'hand' | 'leg';

export type MeasureKey =
  | 'stature'
  | 'headGirth'
  | 'headLength'
  | 'headBreadth'
  | 'headHeight'
  | 'eyeDepth'
  | 'noseOut'
  | 'earDepth'
  | 'earLength'
  | 'neckGirth'
  | 'shoulderBreadth'
  | 'shoulderDrop'
  | 'acrossChest'
  | 'acrossBack'
  | 'chestGirth'
  | 'underBustGirth'
  | 'waistGirth'
  | 'hipGirth'
  | 'frontWaistLength'
  | 'backWaistLength'
  | 'waistToShoulder'
  | 'armLength'
  | 'upperArmGirth'
  | 'elbowBentGirth'
  | 'wristGirth'
  | 'forearmGirth'
  | 'forearmGirthAt'
  | 'elbowGirth'
  | 'forearmLength'
  | 'handGirth'
  | 'handLength'
  | 'insideLeg'
  | 'kneeHeight'
  | 'thighGirth'
  | 'kneeGirth'
  | 'calfGirth'
  | 'calfHeight'
  | 'ankleGirth'
  | 'footLength'
  | 'heelGirth';

export interface MeasureInfo {
  key: MeasureKey;
  label: string;
  region: BodyRegion;
  /** Name in ISO 8559-1 / ISO 7250-1 where the standard has one. */
  standardName?: string;
  /** How to hold the tape. */
  how: string;
  /** Lowest and highest value seen on people from a small child to a very large adult, mm. */
  rangeMm: [number, number];
}
