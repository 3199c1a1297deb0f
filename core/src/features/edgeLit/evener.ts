import type { Proposal } from '../../document';
import { edgeGlow, mostEngraved } from '../../light';
import { featurePath, type LaidPart } from '../contract';
import { type EdgeParams, sheetOf } from './fields';

/** Ways to a more even sheet: foil or lamps at the far edge, less engraved, or thicker sheet. */
export function evener(on: LaidPart, id: string, params: EdgeParams, hiddenMm?: number): Proposal[] {
  const wanted = params.evenPct / 100;
  const set = (label: string, changes: Partial<EdgeParams>): Proposal[] =>
    edgeGlow(sheetOf({ ...params, ...changes }, hiddenMm)).evenness >= wanted
      ? [
          {
            label,
            changes: Object.entries(changes).map(([key, value]) => ({
              path: featurePath(on, { id }, 'params', key),
              value,
            })),
          },
        ]
      : [];
  const most = Math.round(mostEngraved(sheetOf(params, hiddenMm), wanted) * 100);
  return [
    ...(params.edges === 'plain' ? set('Foil tape on the far edge', { edges: 'foil' }) : []),
    ...(params.edges === 'lit' || params.stands === 'free'
      ? []
      : set('Lamps at the far edge as well', { edges: 'lit' })),
    ...(params.sheetMm < 5 ? set('5 mm sheet', { sheetMm: 5 }) : []),
    ...(most > 0 && most < params.engravedPct ? set(`Engrave ${most} %`, { engravedPct: most }) : []),
  ];
}
