export { type PrintedKind, printedKinds } from './kinds';
