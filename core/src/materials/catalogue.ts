import { foams, type Foam } from './foams';
import { rods, type Rod } from './rods';
import { packs, type Pack } from './packs';
import { switches, type Switch } from './switches';

/** Everything that can be bought, as derive() sees it. */
export interface Catalogue {
  foams: readonly Foam[];
  rods: readonly Rod[];
  packs: readonly Pack[];
  switches: readonly Switch[];
}

export const catalogue: Catalogue = { foams, rods, packs, switches };
