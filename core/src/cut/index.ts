export { packAll } from './packAll';
export { fitsSheet, laidOutline, type Packed, type Sheet } from './packing';
