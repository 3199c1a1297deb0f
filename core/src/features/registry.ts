import type { FeatureKind } from './contract';
import { channel } from './channel/channel';
import { drawnShape } from './drawnShape/drawnShape';
import { edgeLit } from './edgeLit/edgeLit';
import { gadget } from './gadget/gadget';
import { gasket } from './gasket/gasket';
import { hangPlate } from './hangPlate/hangPlate';
import { hatch } from './hatch/hatch';
import { hole } from './hole/hole';
import { hose } from './hose/hose';
import { hump } from './hump/hump';
import { insertBlock } from './insertBlock/insertBlock';
import { lamps } from './lamps/lamps';
import { lens } from './lens/lens';
import { lightBox } from './lightBox/lightBox';
import { lightRing } from './lightRing/lightRing';
import { lightStrip } from './lightStrip/lightStrip';
import { line } from './line/line';
import { loosePiece } from './loosePiece/loosePiece';
import { opening } from './opening/opening';
import { overlay } from './overlay/overlay';
import { ornament } from './ornament/ornament';
import { pack } from './pack/pack';
import { padStrip } from './padStrip/padStrip';
import { parting } from './parting/parting';
import { pipeBracket } from './pipeBracket/pipeBracket';
import { pocket } from './pocket/pocket';
import { probe } from './probe/probe';
import { rivets } from './rivets/rivets';
import { skin } from './skin/skin';
import { spacer } from './spacer/spacer';
import { strip } from './strip/strip';
import { toggle } from './toggle/toggle';
import { trim } from './trim/trim';
import { woundBand } from './woundBand/woundBand';
import { woundStrip } from './woundStrip/woundStrip';

/** Every feature, in the order they are offered. */
export const features: readonly FeatureKind[] = [
  trim,
  strip,
  padStrip,
  spacer,
  overlay,
  skin,
  rivets,
  ornament,
  hump,
  drawnShape,
  line,
  hose,
  woundBand,
  hole,
  gasket,
  lens,
  opening,
  parting,
  lamps,
  lightBox,
  edgeLit,
  lightStrip,
  woundStrip,
  lightRing,
  gadget,
  pack,
  toggle,
  probe,
  hangPlate,
  pipeBracket,
  hatch,
  loosePiece,
  pocket,
  insertBlock,
  channel,
];
