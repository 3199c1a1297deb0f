export { constantOf, type Constant } from './constants';
export { quantities, quantityKeys, type Quantity, type Reading } from './quantities';
