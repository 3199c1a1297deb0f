export { partsOfSet, propsOnly, type ReadySet, type SetPart } from './readySet';
export { readySets } from './registry';
