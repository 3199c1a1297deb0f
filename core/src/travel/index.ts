export { goesIn, stow, type Stowed, type Stowing, type TravelBox, type TravelItem } from './boxes';
export { travelItems } from './items';
