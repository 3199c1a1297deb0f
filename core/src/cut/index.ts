export { packAll } from './packAll';
export { fitsSheet, laidOutline, packSheets, type Packed, type Sheet } from './packing';
export { sticksOf, type StickSet } from './sticks/sticks';
