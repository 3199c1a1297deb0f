export { type PrintedKind, printedKinds } from './kinds';
export {
  type Printing,
  printingOf,
  printingOfAll,
  printingOnBestSide,
  printerSettings,
  puttyCoats,
  puttyDryMin,
} from './printing';
