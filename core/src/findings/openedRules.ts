import type { BuildRule } from './rule';

/** Values of an older file that no longer could be as they were. */
export const broughtIn: BuildRule = ({ doc }) => {
  const said = doc.broughtIn ?? [];
  if (said.length === 0) return [];
  return [
    {
      id: 'brought-in',
      severity: 'note',
      station: 'brief',
      title: `${said.length} ${said.length === 1 ? 'value' : 'values'} of this file lay outside today's ranges and ${said.length === 1 ? 'was' : 'were'} moved to the nearest.`,
      why: `${said.join('; ')}.`,
      provenance: 'standard',
      excess: said.length,
      remedies: [{ label: 'Seen, dismiss', changes: [{ path: ['broughtIn'], value: [] }], certain: true }],
    },
  ];
};
