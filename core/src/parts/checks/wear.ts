import type { Check, Feature, Part } from '../../document';
import type { Kinds } from '../kinds';
import type { Piece } from '../../panel';
import { byId, trimNumber, findIn } from '../../units';
import type { PartFit } from '../wear/partFit';

/** Flesh gives this much before a shell is felt; from memory. */
const PRESSES_MM = 3.5;
/** A free edge that gives more than this gapes; from memory. */
const SLACK_MM = 8;

/** Somewhere the shell lies inside the clothed body. */
export function pressChecks({ leastGapMm, leastAt }: PartFit, pieces: readonly Piece[]): Check[] {
  if (leastGapMm >= -PRESSES_MM) return [];
  const piece = byId(pieces, leastAt.pieceId);
  return [
    {
      id: 'presses',
      severity: leastGapMm < -10 ? 'stop' : 'mind',
      station: 'shape',
      title: `${piece?.name ?? leastAt.pieceId} presses ${trimNumber(-leastGapMm, 0)} mm into the wearer.`,
      why: 'From the slices of the body and the inner face of the shell, under-layer counted.',
      provenance: 'standard',
      excess: -leastGapMm - PRESSES_MM,
      pieceId: leastAt.pieceId,
      remedies: [{ need: 'room', mm: -leastGapMm }],
    },
  ];
}

/** A free edge that hangs or gapes under its own weight. */
export function slackChecks(
  { sags }: PartFit,
  pieces: readonly Piece[],
  part: Part,
  { features }: Kinds,
): Check[] {
  const slack = sags.filter((s) => s.sagMm > SLACK_MM);
  const [worst] = slack;
  if (!worst) return [];
  const { pieceId, edgeName, sagMm, lengthMm } = worst;
  const piece = findIn(pieces, (p) => p.id === pieceId);
  const kind = [...features.values()].find((k) => k.remedies === 'slack');
  const isHeld = (panel: string, edge: string): boolean =>
    part.features.some(
      (f) =>
        f.kind === kind?.kind &&
        f.place.on === 'edges' &&
        f.place.runs.some((r) => r.panel === panel && r.edge === edge),
    );
  // A corner is held by either of its edges, so every free edge of a slack piece gets a strip.
  const bare = slack.flatMap((s) =>
    findIn(pieces, (p) => p.id === s.pieceId)
      .edges.filter((e) => e.joint === 'free' && !isHeld(s.pieceId, e.id))
      .map((e) => ({ panel: s.pieceId, edge: e.id })),
  );
  const strips = bare.flatMap(({ panel, edge }): Feature[] =>
    kind
      ? [
          {
            id: `${part.id}.${kind.kind}-${panel}-${edge}`.slice(0, 64),
            kind: kind.kind,
            ...kind.start({ panel, edge, at: { x: 0.5, y: 0.5 } }),
          },
        ]
      : [],
  );
  return [
    {
      id: 'slack',
      severity: 'mind',
      station: 'shape',
      title: `${piece.name}, ${edgeName} gives ${trimNumber(sagMm, 0)} mm under its own weight.`,
      why: `It stands ${trimNumber(lengthMm, 0)} mm from the nearest seam, strap or pad, reckoned as a curved cantilever (beam tables).`,
      provenance: 'standard',
      excess: sagMm - SLACK_MM,
      pieceId,
      remedies:
        strips.length === 0
          ? []
          : [
              {
                label: `${kind!.verb} on ${strips.length === 1 ? 'the free edge' : `${strips.length} free edges`}`,
                changes: [{ path: ['features'], value: [...part.features, ...strips] }],
              },
            ],
    },
  ];
}
