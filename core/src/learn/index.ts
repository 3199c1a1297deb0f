export { constantOf, type Constant, READING_SPREAD } from './constants';
export { quantities, quantityKeys, type Quantity, type Reading } from './quantities';
