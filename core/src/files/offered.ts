import type { BuildDoc } from '../document';
import type { Report } from '../report';

export const downloadKinds = [
  'pattern.pdf',
  'pattern.svg',
  'pattern.dxf',
  'cut-list.csv',
  'hand-cutting.csv',
  'shopping.csv',
  'wiring.pdf',
  'wiring.csv',
  'effects.csv',
  'steps.ics',
  'event-card.pdf',
] as const;
export type DownloadKind = (typeof downloadKinds)[number];

/** The files that would have something in them. */
export function downloadsOf({ circuits }: BuildDoc, report: Report): DownloadKind[] {
  return downloadKinds.filter((kind) => {
    if (kind === 'wiring.csv' || kind === 'wiring.pdf') return report.circuits.length > 0;
    if (kind === 'hand-cutting.csv') return report.parts.some((p) => p.pieces.length > 0);
    if (kind === 'event-card.pdf') return report.parts.length > 0;
    if (kind === 'effects.csv') return circuits.some((c) => c.effect);
    return true;
  });
}
