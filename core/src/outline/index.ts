export {
  cornerNodes,
  type Drawing,
  drawnOutline,
  type Node,
  nodeLine,
  offsetNodes,
  outlineField,
  pointFields,
} from './drawn';
