export type {
  Anchor,
  Fastening,
  FormFigure,
  FormInput,
  FormKind,
  Grip,
  Model,
  Passage,
  Tie,
} from './contract';
export { nodeLine as drawnLine, offsetNodes, type Node as DrawnNode } from './held/drawn';
export { forms } from './registry';
