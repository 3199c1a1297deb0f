export { constantOf, type Constant, READING_SPREAD } from './constants';
export { quantities, quantityKeys, readingRule, type Quantity, type Reading } from './quantities';
