import type { Field } from '../forms/contract';
import { drapedKinds, formKinds } from '../forms/kinds';
import { hotShare } from '../fit/heat';
import { trimNumber } from '../units/length';
import type { Part } from '../build/document';
import type { Remedy } from './finding';
import { setParam, setPart, when, type BuildContext, type BuildRule, type PartRule } from './rule';

/** Flesh gives this much before a shell is felt; from memory. */
const PRESSES_MM = 3.5;
/** A free edge that gives more than this gapes; from memory. */
const SLACK_MM = 8;

/** Somewhere the shell lies inside the clothed body. */
export const presses: PartRule = (context) => {
  const { part, made } = context;
  const { leastGapMm, leastAt } = made.wear;
  const piece = made.pieces.find((p) => p.id === leastAt.pieceId);
  return when(leastGapMm < -PRESSES_MM && part.form !== 'bracer', () => {
    const more = Math.ceil(-leastGapMm);
    const remedies: Remedy[] = [];
    for (const [key, label, step] of [
      ['paddingMm', 'Padding', more],
      ['roomMm', 'Room', more],
      ['easeMm', 'Ease', Math.ceil(more * 2 * Math.PI)],
    ] as const) {
      const value = (part.params as Record<string, unknown>)[key];
      const field =
        part.form === 'bracer' ? undefined : drapedKinds[part.form].fields.find((f) => f.key === key);
      if (typeof value !== 'number' || field?.type !== 'length' || value + step > field.range[1]) continue;
      remedies.push({
        label: `${label} ${value + step} mm`,
        changes: [setParam(context, key, value + step)],
      });
      break;
    }
    return {
      id: `presses:${part.id}`,
      severity: leastGapMm < -10 ? 'stop' : 'mind',
      station: 'shape',
      title: `${part.name}: ${piece?.name ?? leastAt.pieceId} presses ${trimNumber(-leastGapMm, 0)} mm into the wearer.`,
      why: 'From the slices of the body and the inner face of the shell, under-layer counted.',
      sure: 'standard',
      partId: part.id,
      pieceId: leastAt.pieceId,
      remedies,
    };
  });
};

/** A free edge that hangs or gapes under its own weight. */
export const slackEdge: PartRule = (context) => {
  const { part, made } = context;
  const { sag } = made.wear;
  return when(sag !== undefined && sag.sagMm > SLACK_MM, () => {
    const { pieceId, edgeName, sagMm, lengthMm } = sag!;
    const piece = made.pieces.find((p) => p.id === pieceId)!;
    const known = part.details ?? [];
    // A corner is held by either of its edges, so every free edge of the piece gets one.
    const bare = piece.edges.filter(
      (e) =>
        e.joint === 'free' &&
        !known.some((d) => d.kind === 'trim' && d.pieceId === pieceId && d.edgeId === e.id),
    );
    const strips = bare.map((e) => ({
      id: `strip-${pieceId}-${e.id}`.slice(0, 64),
      kind: 'trim' as const,
      pieceId,
      edgeId: e.id,
      face: 'inner' as const,
      widthMm: 30,
      nominalMm: 6,
      look: 'square' as const,
    }));
    return {
      id: `slack:${part.id}`,
      severity: 'mind',
      station: 'shape',
      title: `${part.name}: ${piece.name}, ${edgeName} gives ${trimNumber(sagMm, 0)} mm under its own weight.`,
      why: `It stands ${trimNumber(lengthMm, 0)} mm from the nearest seam, strap or pad, reckoned as a curved cantilever (beam tables).`,
      sure: 'standard',
      partId: part.id,
      pieceId,
      remedies:
        strips.length === 0
          ? [{ label: 'A closer pad, a seam across it, or thicker foam.', changes: [] }]
          : [
              {
                label: `Stiffening strips inside, 30 × 6 mm, on ${strips.length === 1 ? 'its free edge' : `its ${strips.length} free edges`}`,
                changes: [setPart(context, ['details'], [...known, ...strips])],
              },
            ],
    };
  });
};

/** What shortens a part towards a joint, by form: field, step and words. */
const shorten: Partial<Record<Part['form'], { key: string; by: number; label: string }>> = {
  bracer: { key: 'elbowCutMm', by: 12, label: 'Cut away at the elbow' },
  cuff: { key: 'endMm', by: -20, label: 'Upper edge' },
  'upper-arm': { key: 'startMm', by: 20, label: 'Lower edge' },
  greave: { key: 'endMm', by: -25, label: 'Upper edge' },
  thigh: { key: 'startMm', by: 30, label: 'Lower edge' },
  breastplate: { key: 'belowWaistMm', by: -20, label: 'Below the waist' },
  backplate: { key: 'belowWaistMm', by: -20, label: 'Below the waist' },
  belt: { key: 'atMm', by: -15, label: 'Belt above the waist' },
  pauldron: { key: 'capMm', by: -15, label: 'Cap height' },
  gorget: { key: 'tierMm', by: -6, label: 'Tier height' },
  helmet: { key: 'skirtMm', by: -20, label: 'Skirt' },
};

function shorterPart({ doc }: BuildContext, partId: string): Remedy[] {
  const index = doc.parts.findIndex((p) => p.id === partId);
  const part = doc.parts[index];
  const how = part && shorten[part.form];
  const value = part && how && (part.params as unknown as Record<string, unknown>)[how.key];
  if (!part || !how || typeof value !== 'number') return [];
  const next = value + how.by;
  const field = (formKinds[part.form].fields as readonly Field<never>[]).find((f) => f.key === how.key);
  // A cure must leave a build that can be saved.
  if (!field || field.type === 'choice' || next < field.range[0] || next > field.range[1]) return [];
  return [
    {
      label: `${part.name}: ${how.label.toLowerCase()} ${trimNumber(next, 0)} mm`,
      changes: [{ path: ['parts', index, 'params', how.key], value: next }],
    },
  ];
}

/** A movement that ends too soon, and the two that end it. */
export const moves: BuildRule = (context) =>
  context.report.fitting.movements.flatMap((m) => {
    const [a, b] = m.stoppedBy ?? [];
    if (!a || !b || m.angleDeg >= m.wantedDeg) return [];
    const partId = a.partId ?? b.partId;
    // A bracer against the bare arm has a finding of its own.
    if (m.joint === 'elbow' && !(a.partId && b.partId)) return [];
    return [
      {
        id: `moves-${m.joint}`,
        severity: 'mind' as const,
        station: 'shape' as const,
        title: `${m.label[0]!.toUpperCase()}${m.label.slice(1)} ${trimNumber(m.angleDeg, 0)}°, then ${a.name} meets ${b.name}.`,
        why: `${m.for[0]!.toUpperCase()}${m.for.slice(1)}. Reckoned on the sections in the plane of the movement; real joints shift, so try it on paper first.`,
        sure: 'memory' as const,
        ...(partId && { partId }),
        remedies: [a, b].flatMap((x) => (x.partId ? shorterPart(context, x.partId) : [])),
      },
    ];
  });

/** Foam over much of the body keeps its heat in. */
export const heat: BuildRule = ({ report }) =>
  when(report.fitting.covered > hotShare, () => ({
    id: 'heat',
    severity: 'note',
    station: 'brief',
    title: `Foam covers about ${trimNumber(report.fitting.covered * 100, 0)} % of the body: plan drinks and a break every 30 minutes.`,
    why: 'Closed foam keeps heat and sweat in. Take it off at dizziness, cramp or headache; a helper should know how it opens.',
    sure: 'memory',
    remedies: [],
  }));
