export { roomBehind } from './behind';
export { wallsOf, type Walls } from './walls';
