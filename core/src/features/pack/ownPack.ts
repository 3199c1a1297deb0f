import { findIn, firstOf } from '../../units';
import { choice, count, length, number, type ParamsOf } from '../../document';
import { cells, type Pack } from '../../materials';

const own = (params: object): boolean => (params as { packId?: string }).packId === OWN;

/** The pack that is described by its own fields rather than out of the catalogue. */
export const OWN = 'own';

export const ownPackFields = [
  choice(
    'ownCell',
    'Its cells',
    cells.map((c) => [c.id, c.name] as const),
    'What kind they are of.',
    'Own pack',
    { when: own },
  ),
  count('ownCells', 'How many', [1, 12], 'One after the other: their voltages add.', 'Own pack', {
    when: own,
  }),
  length('ownLengthMm', 'Length', [5, 250], 'Measured, with room for its leads.', 'Own pack', { when: own }),
  length('ownWidthMm', 'Width', [5, 200], 'Measured.', 'Own pack', { when: own }),
  length('ownThickMm', 'Thickness', [2, 100], 'Measured.', 'Own pack', { when: own }),
  number('ownG', 'Mass', [1, 2000], 'g', 'With its cells.', 'Own pack', { when: own }),
  number(
    'ownAh',
    'Capacity',
    [0, 50],
    'Ah',
    'Measured or printed on it; 0 takes what is typical.',
    'Own pack',
    {
      when: own,
    },
  ),
  number('ownPrice', 'Price', [0, 1000], '', 'Each, in the currency of the build.', 'Own pack', {
    when: own,
  }),
] as const;

export type OwnPackParams = ParamsOf<typeof ownPackFields>;

export const ownPackStart: OwnPackParams = {
  ownCell: 'aa',
  ownCells: 3,
  ownLengthMm: 60,
  ownWidthMm: 48,
  ownThickMm: 18,
  ownG: 85,
  ownAh: 0,
  ownPrice: 5,
};

/** A pack as its maker measured it; a stated capacity scales the table of its cells, which is at light loads. */
export function ownPack(params: OwnPackParams): Pack {
  const kind = findIn(cells, (c) => c.id === params.ownCell);
  const scale = params.ownAh > 0 ? params.ownAh / firstOf(kind.capacity).capacityAh : 1;
  const cell = {
    ...kind,
    capacity: kind.capacity.map((at) => ({ ...at, capacityAh: at.capacityAh * scale })),
  };
  return {
    id: OWN,
    name: `own pack of ${params.ownCells > 1 ? `${params.ownCells} × ` : ''}${kind.name}`,
    cell,
    series: params.ownCells,
    lengthMm: params.ownLengthMm,
    widthMm: params.ownWidthMm,
    thickMm: params.ownThickMm,
    massG: params.ownG,
    price: params.ownPrice,
    holderSure: 'measured',
  };
}
