export type {
  Anchor,
  Fastening,
  Framework,
  FormFigure,
  DrawnPoint,
  FormInput,
  FormKind,
  Model,
  OpeningClearance,
  Mould,
  Tie,
} from './contract';
export {
  nodeLine as drawnLine,
  nodeSides as drawnSides,
  offsetNodes,
  type Node as DrawnNode,
} from '../outline';
export { fittedWithin } from './held/fitted';
export { begunOutline, edgesOfOutline, type DrawnEdge } from './taped/edges';
export { takenPieces, type TakenLine } from './taped/taken';
export { forms } from './registry';
export { otherHalf, STAND_IN, type SkinParams } from './skinned/fields';
export { encloses } from './skinned/enclosure';
export { seatOnHead, type Seat } from './skinned/onHead';
export { proposedSeams, type ProposedSeams } from './skinned/seams';
