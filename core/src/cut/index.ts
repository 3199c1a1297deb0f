export { keepNest, keptSheets, nestKey } from './nest/kept';
export { type Nested, nesting, type SheetSize } from './nest/nest';
export { movedByHand, type HandMove } from './nest/byHand';
export { packAll, type SheetGroup, sheetGroups } from './packAll';
export { fitsSheet, laidOutline, packSheets, type Packed, type Sheet, type ToLay } from './packing';
export { sticksOf, type StickSet } from './sticks/sticks';
