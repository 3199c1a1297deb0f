export * from './picture';
export { centred, scaleFor } from './scale';
