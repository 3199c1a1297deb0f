import { backFrame } from './backFrame/backFrame';
import { belt } from './belt/belt';
import { backplate, breastplate } from './breastplate/breastplate';
import type { FormKind } from './contract';
import { elbowCop, kneeCop } from './cop/cop';
import { gorget } from './gorget/gorget';
import { helmet } from './helmet/helmet';
import { bracer } from './limbShell/bracer';
import { cuff, greave, thigh, upperArm } from './limbShell/swelling';
import { halfMask } from './mask/mask';
import { pauldron } from './pauldron/pauldron';
import { earPod } from './pod/pod';

/** Every form, in the order they are shown. */
export const forms: readonly FormKind[] = [
  bracer,
  helmet,
  halfMask,
  earPod,
  gorget,
  pauldron,
  breastplate,
  backplate,
  backFrame,
  belt,
  upperArm,
  elbowCop,
  cuff,
  thigh,
  kneeCop,
  greave,
];
