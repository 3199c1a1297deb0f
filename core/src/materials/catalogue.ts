import { foams, type Foam } from './foams';
import { packs, type Pack } from './packs';
import { switches, type Switch } from './switches';

/** Everything that can be bought, as derive() sees it. */
export interface Catalogue {
  foams: readonly Foam[];
  packs: readonly Pack[];
  switches: readonly Switch[];
}

export const catalogue: Catalogue = { foams, packs, switches };
