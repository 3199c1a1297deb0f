import { choice, length, number, type ParamsOf } from '../../document';
import type { Switch } from '../../materials';

const own = (params: object): boolean => (params as { switchId?: string }).switchId === OWN;

/** The switch that is described by its own fields rather than out of the catalogue. */
export const OWN = 'own';

export const ownSwitchFields = [
  choice(
    'ownWay',
    'It is',
    [
      ['latching', 'latching'],
      ['momentary', 'momentary'],
      ['remote', 'remote'],
    ],
    'Stays on, shines while pressed, or is switched remotely.',
    'Own switch',
    { when: own },
  ),
  length('ownLengthMm', 'Length', [3, 100], 'Measured.', 'Own switch', { when: own }),
  length('ownWidthMm', 'Width', [3, 100], 'Measured.', 'Own switch', { when: own }),
  length('ownDeepMm', 'Depth', [2, 80], 'Behind the face, with its legs.', 'Own switch', { when: own }),
  length('ownThrowMm', 'Throw', [0, 30], 'Room round it so that it can move.', 'Own switch', { when: own }),
  number('ownMostA', 'Rated current', [0.01, 20], 'A', 'Printed on it.', 'Own switch', { when: own }),
] as const;

export type OwnSwitchParams = ParamsOf<typeof ownSwitchFields>;

export const ownSwitchStart: OwnSwitchParams = {
  ownWay: 'latching',
  ownLengthMm: 15,
  ownWidthMm: 10,
  ownDeepMm: 12,
  ownThrowMm: 4,
  ownMostA: 1,
};

/** Contacts and mass of a small switch, from memory. */
const CONTACT_OHM = 0.05;
const MASS_G = 4;

/** A salvaged switch as its maker measured it; it is not bought. */
export const ownSwitch = (params: OwnSwitchParams): Switch => ({
  id: OWN,
  name: `own ${params.ownWay} switch`,
  kind: params.ownWay,
  maxA: params.ownMostA,
  contactOhm: CONTACT_OHM,
  throwMm: params.ownThrowMm,
  lengthMm: params.ownLengthMm,
  widthMm: params.ownWidthMm,
  deepMm: params.ownDeepMm,
  face: { widthMm: params.ownWidthMm, lengthMm: params.ownLengthMm },
  massG: MASS_G,
  price: 0,
  provenance: 'measured',
});
