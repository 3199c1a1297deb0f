import { trimNumber } from '../units';
import { type BuildRule, when } from './rule';

/** A tool wider than the room between pieces cuts into the next one, and at the edge off the sheet. */
export const kerfBetween: BuildRule = ({ doc }) => {
  const { kerfMm = 0, spacingMm } = doc.cut;
  return when(doc.parts.length > 0 && kerfMm > spacingMm, () => ({
    id: 'kerf',
    severity: 'stop',
    station: 'cut',
    title: `The kerf is ${trimNumber(kerfMm)} mm, the room between pieces ${trimNumber(spacingMm)} mm.`,
    why: 'The tool runs half its kerf outside every outline: it cuts into the next piece, and at the edge off the sheet.',
    provenance: 'standard',
    excess: kerfMm - spacingMm,
    remedies: [
      {
        label: `Room of ${trimNumber(Math.ceil(kerfMm) + 1)} mm`,
        changes: [{ path: ['cut', 'spacingMm'], value: Math.ceil(kerfMm) + 1 }],
      },
    ],
  }));
};

/** Pieces are kept no further apart than this, mm. */
const MOST_SPACING_MM = 50;

/** Cut with a tilted blade, an edge that is lost from the front reaches further under its line: into its neighbour on the sheet. */
export const undercutBetween: BuildRule = ({ doc, report }) => {
  const reachMm = Math.max(
    0,
    ...report.parts.flatMap((p) =>
      p.pieces.flatMap((q) => q.edges.map((e) => (e.tilted && e.bevelDeg < 0 ? (e.bevelMm ?? 0) : 0))),
    ),
  );
  const needMm = Math.ceil(2 * reachMm);
  return when(needMm > doc.cut.spacingMm, () => ({
    id: 'undercut',
    severity: 'mind',
    station: 'cut',
    title: `Edges cut with a tilted blade reach ${trimNumber(reachMm)} mm beyond their line on the back; pieces lie ${trimNumber(doc.cut.spacingMm)} mm apart.`,
    why: 'Two such edges side by side cut into each other beneath the sheet.',
    provenance: 'standard',
    excess: needMm - doc.cut.spacingMm,
    remedies: [
      ...(needMm <= MOST_SPACING_MM
        ? [{ label: `Pieces ${needMm} mm apart`, changes: [{ path: ['cut', 'spacingMm'], value: needMm }] }]
        : []),
      {
        label: 'Cut square, then bevel',
        changes: [{ path: ['make', 'habits', 'bevel'], value: 'two-lines' }],
      },
    ],
  }));
};
