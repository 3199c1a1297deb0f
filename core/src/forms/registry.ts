import { backFrame } from './backFrame/backFrame';
import { belt } from './belt/belt';
import { blade } from './blade/blade';
import { propBody } from './body/body';
import { box } from './box/box';
import { backplate, breastplate } from './breastplate/breastplate';
import type { FormKind } from './contract';
import { elbowCop, kneeCop } from './cop/cop';
import { faceted } from './faceted/faceted';
import { fitting } from './fitting/fitting';
import { gorget } from './gorget/gorget';
import { grip } from './grip/grip';
import { guard } from './guard/guard';
import { haft } from './haft/haft';
import { head } from './head/head';
import { helmet } from './helmet/helmet';
import { lantern } from './lantern/lantern';
import { bracer } from './limbShell/bracer';
import { cuff, greave, thigh, upperArm } from './limbShell/swelling';
import { halfMask } from './mask/mask';
import { pauldron } from './pauldron/pauldron';
import { drawnPlate } from './drawnPlate/drawnPlate';
import { donor } from './donor/donor';
import { donorHelmet } from './donor/helmet';
import { donorLimb } from './donor/limb';
import { donorScan } from './donor/scan';
import { earPod } from './pod/pod';
import { pipeFrame } from './pipeFrame/pipeFrame';
import { rimmed } from './rimmed/rimmed';
import { rounds } from './rounds/rounds';
import { shield } from './shield/shield';
import { skinnedHead, skinnedThing } from './skinned/skinned';
import { strung } from './strung/strung';
import { taped } from './taped/taped';
import { turned } from './turned/turned';
import { wand } from './wand/wand';

/** Every form, in the order they are shown. */
export const forms: readonly FormKind[] = [
  bracer,
  helmet,
  halfMask,
  skinnedHead,
  donorHelmet,
  donorLimb,
  earPod,
  gorget,
  pauldron,
  breastplate,
  backplate,
  drawnPlate,
  backFrame,
  belt,
  upperArm,
  elbowCop,
  cuff,
  thigh,
  kneeCop,
  greave,
  haft,
  wand,
  grip,
  blade,
  guard,
  turned,
  head,
  faceted,
  lantern,
  propBody,
  shield,
  box,
  rimmed,
  rounds,
  fitting,
  pipeFrame,
  donor,
  donorScan,
  strung,
  skinnedThing,
  taped,
];
