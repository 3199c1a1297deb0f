import { measureInfo, type MeasureKey } from '../body';
import { applyChanges, type Change, type Feature, type Part } from '../document';
import { hotShare } from '../fit';
import { foamSheet } from '../materials';
import { isValid, makePart, needCandidates } from '../parts';
import { fitsSheet } from '../cut';
import { calendarOf, loudHours } from '../plan';
import { counted, printMm, trimNumber, itemAt, firstOf } from '../units';
import type { Finding, Remedy } from '../document';
import { inPart, when, type RuleInput, type BuildRule } from './rule';

/** A reading that cannot be right. */
export const readingsPlausible: BuildRule = ({ doc, report }) =>
  report.doubts.map((doubt): Finding => {
    const newest = doc.wearer.measures.reduce(
      (best, m, i) =>
        m.key === doubt.key && (best < 0 || m.takenOn >= itemAt(doc.wearer.measures, best).takenOn)
          ? i
          : best,
      -1,
    );
    const changes: Change[] =
      doubt.proposedMm === undefined
        ? []
        : [{ path: ['wearer', 'measures', newest, 'valueMm'], value: doubt.proposedMm }];
    return {
      id: `doubt:${doubt.key}`,
      severity: doubt.impossible ? 'stop' : 'mind',
      station: 'body',
      title: doubt.message,
      why: 'Bodies of one stature differ by less than this; slips of unit and digit are common.',
      provenance: 'memory',
      excess: 1,
      remedies: changes.length > 0 ? [{ label: `Take it as ${doubt.proposedMm} mm`, changes }] : [],
    };
  });

/** A guess where the tape should have been: measures that decide whether some part fits. */
export const criticalMeasured: BuildRule = ({ report }) => {
  const decisive = [...new Set(report.parts.flatMap((p) => p.measures))];
  const guessed = decisive.filter((key) => report.body[key].source === 'estimate');
  const for_ = (key: MeasureKey): string =>
    report.parts
      .filter((p) => p.measures.includes(key))
      .map((p) => p.name)
      .join(', ');
  return when(guessed.length > 0, () => ({
    id: 'estimates',
    severity: guessed.length > 2 ? 'mind' : 'note',
    station: 'body',
    title: `Not measured but decisive: ${guessed.map((key) => `${measureInfo(key).label.toLowerCase()} (est. ${printMm(report.body[key].valueMm, 0)}, for ${for_(key)})`).join('; ')}.`,
    why: `Estimated from ${[...new Set(guessed.map((key) => report.body[key].from!))].join(' and ')}; people of one stature differ by 10 % and more. Take the tape before you cut.`,
    provenance: 'memory',
    excess: guessed.length,
    remedies: [],
  }));
};

/** A feature that parts the piece in its middle, across or along it. */
const partings = (part: Part, { kinds }: RuleInput['context'], pieceId: string): Remedy[] =>
  [...kinds.features.values()]
    .filter((kind) => kind.remedies === 'split')
    .flatMap((kind) =>
      [0, 90].map((turnDeg): Remedy => {
        const { place, params } = kind.start({ panel: pieceId, edge: '', at: { x: 0.5, y: 0.5 } });
        const feature: Feature = {
          id: `${part.id}.${kind.kind}-${pieceId}`.slice(0, 64),
          kind: kind.kind,
          place: place.on === 'panel' ? { ...place, turnDeg } : place,
          params,
        };
        return {
          label: `${kind.label} ${turnDeg === 0 ? 'across' : 'along'} its middle`,
          changes: [{ path: ['features'], value: [...part.features, feature] }],
        };
      }),
    );

type Made = ReturnType<typeof makePart>;

/** Pieces that no sheet of their foam holds. */
const tooBigOf = ({ pieces }: Made, { doc, context }: RuleInput): Set<string> =>
  new Set(
    pieces
      .filter((p) => {
        const foam = foamSheet(context.catalogue.foams, doc.stock, p.foamId, p.nominalMm);
        return !fitsSheet(p.outline, foam, doc.cut.spacingMm);
      })
      .map((p) => p.id),
  );

/** A remedy, and the pieces still too large after applying it. */
interface Way extends Remedy {
  left: Set<string>;
}

/** @param before the part as it is, where a way changes nothing but its details. */
function triedWays(part: Part, ways: readonly Remedy[], input: RuleInput, before?: Made): Way[] {
  return ways.flatMap((way) => {
    const changed = applyChanges(part, way.changes);
    if (!isValid(changed, input.context)) return [];
    const made = makePart(changed, input.context, { coarse: true, ...(before && { before }) });
    return [{ ...way, left: tooBigOf(made, input) }];
  });
}

/** Partings are tried for so many pieces of a part; once those are cut smaller the next are. */
const MOST_PARTED = 3;

/** For each piece too large for its sheet: the remedies that make it fit without making another piece too large. */
function divided(input: RuleInput, index: number, pieceIds: readonly string[]): Map<string, Remedy[]> {
  const part = itemAt(input.doc.parts, index);
  const made = makePart(part, input.context, { coarse: true });
  const before = tooBigOf(made, input);
  // The same for every piece of the part, and so tried once.
  const whole = triedWays(part, needCandidates(part, input.context, 'split', 1), input);
  const own = (pieceId: string, i: number): Way[] =>
    i < MOST_PARTED ? triedWays(part, partings(part, input.context, pieceId), input, made) : [];
  return new Map(
    pieceIds.map((pieceId, i) => [
      pieceId,
      [...whole, ...own(pieceId, i)]
        .filter(({ left }) => !left.has(pieceId) && left.size < before.size)
        .map(({ label, changes }) => ({ label, changes: inPart(index, changes) })),
    ]),
  );
}

/** Pieces no sheet can hold. */
export const piecesFitSheet: BuildRule = (input) => {
  const { doc, report } = input;
  const all = report.packed.tooBig.filter(
    (big, i, bigs) => bigs.findIndex((o) => o.partId === big.partId && o.pieceId === big.pieceId) === i,
  );
  return [...new Set(all.map((big) => big.partId))].flatMap((partId): Finding[] => {
    const index = doc.parts.findIndex((p) => p.id === partId);
    const bigs = all.filter((big) => big.partId === partId);
    const remedies = divided(
      input,
      index,
      bigs.map((big) => big.pieceId),
    );
    return bigs.map((big) => ({
      id: `sheet:${partId}:${big.pieceId}`,
      severity: 'stop',
      station: 'cut',
      title: `${itemAt(doc.parts, index).name}: ${big.name} is ${printMm(big.lengthMm, 0)} long and fits no sheet of its foam at any turn.`,
      why: 'Sheet sizes are as sold; a longer sheet or a second piece is needed.',
      provenance: 'practice',
      excess: big.lengthMm,
      partId,
      pieceId: big.pieceId,
      remedies: remedies.get(big.pieceId) ?? [],
    }));
  });
};

/** Not ready in time. */
export const readyInTime: BuildRule = ({ doc, report }) => {
  const { daysToSpare } = report.totals;
  const { hoursPerDay, eventDate, startDate } = doc.brief;
  if (eventDate <= startDate) {
    return [
      {
        id: 'date-order',
        severity: 'stop',
        station: 'brief',
        title: `The event (${eventDate}) is not after the start (${startDate}).`,
        why: 'There is no time between them.',
        provenance: 'standard',
        excess: 1,
        remedies: [],
      },
    ];
  }
  if (doc.parts.length === 0 || daysToSpare >= 1) return [];
  // Hours told weekday by weekday are not the maker's to be moved all at once.
  const enough = doc.make.calendar?.hours ? undefined : report.enoughHours;
  return [
    {
      id: 'late',
      severity: daysToSpare < 0 ? 'stop' : 'mind',
      station: 'brief',
      title:
        daysToSpare < 0
          ? `Ready ${counted(-daysToSpare, 'day')} after the event begins.`
          : 'Ready the night before, with nothing to spare.',
      why: `${trimNumber(report.totals.workMin / 60, 0)} h of work ${doc.make.calendar?.hours ? 'on the days there are' : `at ${trimNumber(hoursPerDay, 1)} h a day`}, and drying that cannot be hurried.`,
      provenance: 'memory',
      excess: 1 - daysToSpare,
      remedies:
        enough === undefined
          ? []
          : [
              {
                label: `Work ${enough} h a day`,
                changes: [{ path: ['brief', 'hoursPerDay'], value: enough }],
              },
            ],
    },
  ];
};

/** No hour of the week is left for loud tools. */
export const loudTools: BuildRule = ({ doc }) =>
  when(!loudHours(calendarOf(doc)), () => ({
    id: 'quiet',
    severity: 'mind',
    station: 'make',
    title:
      'The quiet hours leave no hour of the week for rotary tool, saw and drill; the plan does not keep to them.',
    why: 'Loud work must lie somewhere: a weekend morning, a workshop elsewhere, or a knife and a sanding block.',
    provenance: 'practice',
    excess: 1,
    remedies: [
      {
        label: 'Quiet from 21:00 to 8:00',
        changes: [{ path: ['make', 'calendar', 'quiet'], value: { fromMin: 21 * 60, toMin: 8 * 60 } }],
      },
      { label: 'No quiet hours', changes: [{ path: ['make', 'calendar', 'quiet'], value: undefined }] },
    ],
  }));

/** Costs more than was meant. */
export const withinBudget: BuildRule = ({ doc, report }) => {
  const over = report.totals.cost - doc.brief.budget;
  const dearest = report.cost.reduce<(typeof report.cost)[number] | undefined>(
    (a, b) => (!a || b.total > a.total ? b : a),
    undefined,
  );
  return when(over > 0, () => ({
    id: 'budget',
    severity: 'mind',
    station: 'brief',
    title: `${trimNumber(report.totals.cost, 0)} ${doc.brief.currency} to buy, ${trimNumber(over, 0)} over the budget of ${trimNumber(doc.brief.budget, 0)}.`,
    why: dearest
      ? `The dearest line is ${dearest.what} at ${trimNumber(dearest.total, 0)}. Prices are typical; yours go in under Cut.`
      : '',
    provenance: 'memory',
    excess: over,
    remedies: [],
  }));
};

const boxWords = (sidesMm: readonly number[]): string =>
  `${sidesMm.map((mm) => trimNumber(mm, 0)).join(' × ')} mm`;

/** Too long for the luggage or the event. */
export const travels: BuildRule = ({ doc, report }) =>
  report.parts.flatMap((made) => {
    // What is carried is judged as a whole, taken apart at its joints.
    if (made.heldAt && made.sticks.length > 0) return [];
    const limit = Math.min(doc.brief.luggageMm, doc.brief.eventMaxMm);
    const { sidesMm, how } = made.packed;
    const [long] = sidesMm;
    // What lies flat can be rolled.
    return when(how !== 'flat' && long > limit, () => ({
      id: `travel:${made.id}`,
      severity: 'mind' as const,
      station: 'brief' as const,
      title: `${made.name}: ${printMm(long, 0)} long, the limit is ${printMm(limit, 0)}.`,
      why:
        doc.brief.luggageMm <= doc.brief.eventMaxMm
          ? `Its smallest box is ${boxWords(sidesMm)}; it packs ${how === 'nested' ? 'one in the other' : 'only as it is'}.`
          : 'The event does not admit it.',
      provenance: 'measured' as const,
      excess: long - limit,
      partId: made.id,
      remedies: [],
    }));
  });

/** The printer was checked and is out. */
export const printerCorrected: BuildRule = ({ doc }) =>
  when(Math.abs(doc.cut.barMeasuredMm - 100) > 0.25, () => ({
    id: 'printer',
    severity: 'note',
    station: 'cut',
    title: `The 100 mm bar measured ${printMm(doc.cut.barMeasuredMm)}; pages are now scaled by ${trimNumber(10000 / doc.cut.barMeasuredMm, 2)} %.`,
    why: 'Print again and measure again; a bar within a quarter millimetre is good.',
    provenance: 'measured',
    excess: Math.abs(doc.cut.barMeasuredMm - 100),
    remedies: [{ label: 'Back to 100 mm', changes: [{ path: ['cut', 'barMeasuredMm'], value: 100 }] }],
  }));

/** A movement that ends too soon, and the two that end it. */
export const moves: BuildRule = ({ doc, report }) =>
  report.fitting.movements.flatMap((m): Finding[] => {
    const [a, b] = m.stoppedBy ?? [];
    if (!a || !b || m.angleDeg >= m.wantedDeg) return [];
    const partId = a.partId ?? b.partId;
    return [
      {
        id: `moves-${m.joint}`,
        severity: m.angleDeg < m.wantedDeg * 0.6 ? 'stop' : 'mind',
        station: 'shape',
        title: `${firstOf(m.label).toUpperCase()}${m.label.slice(1)} ${trimNumber(m.angleDeg, 0)}°, then ${a.name} meets ${b.name}; ${m.wantedDeg}° is wanted.`,
        why: `${firstOf(m.for).toUpperCase()}${m.for.slice(1)}. Reckoned on the sections in the plane of the movement; real joints shift, so try it on paper first.`,
        provenance: 'memory',
        excess: m.wantedDeg - m.angleDeg,
        ...(partId && { partId }),
        remedies: m.remedies.map((c) => ({
          label: c.label,
          changes: inPart(
            doc.parts.findIndex((p) => p.id === c.partId),
            c.changes,
          ),
        })),
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
    provenance: 'memory',
    excess: report.fitting.covered - hotShare,
    remedies: [],
  }));
