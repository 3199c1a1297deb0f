export { type PrintedKind, printedKinds } from './kinds';
export {
  type Printing,
  printingOf,
  printingOfAll,
  printerSettings,
  puttyCoats,
  puttyDryMin,
} from './printing';
