export { keepNest, keptSheets, lockedSheets, nestKey } from './nest/kept';
export { type Nested, nesting } from './nest/nest';
export { movedByHand, type HandMove } from './nest/byHand';
export { packTogether, sharedId, type SheetSaving, type Together, type ToShare } from './together';
export { packAll, type SheetGroup, sheetGroups } from './packAll';
export { shelfAfter } from './shelfAfter';
export { fitsSheet, lyingTurn, packSheets, type Packed } from './packing';
export { laidOutline, type Laid, type Sheet, type SheetSize, type ToLay } from './sheets';
export { sticksOf, type StickSet } from './sticks/sticks';
