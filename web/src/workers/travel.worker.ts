import { stow, type Stowing, type TravelBox, type TravelItem } from '@fomrik/core/travel';
import { expose } from 'comlink';

const api = {
  stow: (items: readonly TravelItem[], boxes: readonly TravelBox[]): Stowing => stow(items, boxes),
};

export type TravelWorker = typeof api;
expose(api);
