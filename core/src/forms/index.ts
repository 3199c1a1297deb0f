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
export { forms } from './registry';
