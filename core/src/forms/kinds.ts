import { backFrame } from './backFrame/backFrame';
import { belt } from './belt/belt';
import { bracer } from './bracer/bracer';
import { backplate, breastplate } from './breastplate/breastplate';
import type { FormKind, FormParams } from './contract';
import { elbowCop, kneeCop } from './cop/cop';
import { gorget } from './gorget/gorget';
import { helmet } from './helmet/helmet';
import { cuff, greave, thigh, upperArm } from './limbShell/limbShell';
import { halfMask } from './mask/mask';
import { pauldron } from './pauldron/pauldron';
import { earPod } from './pod/pod';

/** Forms flattened from panels, by kind. */
export const drapedKinds = {
  helmet,
  'half-mask': halfMask,
  'ear-pod': earPod,
  gorget,
  pauldron,
  breastplate,
  backplate,
  'back-frame': backFrame,
  belt,
  'upper-arm': upperArm,
  'elbow-cop': elbowCop,
  cuff,
  thigh,
  'knee-cop': kneeCop,
  greave,
} satisfies Record<string, FormKind<FormParams>>;

export type DrapedKindName = keyof typeof drapedKinds;

/** Every form on the rack, by kind. */
export const formKinds = { bracer, ...drapedKinds };

export type FormKindName = keyof typeof formKinds;
