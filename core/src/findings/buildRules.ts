import { measureInfo, type MeasureKey } from '../body/measures';
import type { BuildDoc } from '../build/document';
import { schedule } from '../plan/schedule';
import { printMm, trimNumber } from '../units/length';
import type { Change, Finding } from './finding';
import { when, type BuildContext, type BuildRule } from './rule';

/** A reading that cannot be right. */
export const readingsPlausible: BuildRule = ({ doc, report }) =>
  report.doubts.map((doubt): Finding => {
    const newest = doc.wearer.measures.reduce(
      (best, m, i) =>
        m.key === doubt.key && (best < 0 || m.takenOn >= doc.wearer.measures[best]!.takenOn) ? i : best,
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
      sure: 'memory',
      remedies: changes.length > 0 ? [{ label: `Take it as ${doubt.proposedMm} mm`, changes }] : [],
    };
  });

const critical: MeasureKey[] = ['wristGirth', 'forearmGirth', 'forearmLength', 'handGirth'];

/** A guess where the tape should have been. */
export const criticalMeasured: BuildRule = ({ doc, report }) => {
  const guessed = critical.filter((key) => report.body[key].source === 'estimate');
  return when(doc.parts.some((p) => p.form === 'bracer') && guessed.length > 0, () => ({
    id: 'estimates',
    severity: 'mind',
    station: 'body',
    title: `Not measured but decisive: ${guessed.map((key) => measureInfo(key).label.toLowerCase()).join(', ')} (est. ${guessed.map((key) => printMm(report.body[key].valueMm, 0)).join(', ')}).`,
    why: `Estimated from ${[...new Set(guessed.map((key) => report.body[key].from!))].join(' and ')}; people of one stature differ by 10 % and more. Take the tape before you cut.`,
    sure: 'memory',
    remedies: [],
  }));
};

/** Pieces no sheet can hold. */
export const piecesFitSheet: BuildRule = ({ doc, report }) =>
  report.packed.tooBig.map((big): Finding => {
    const index = doc.parts.findIndex((p) => p.id === big.partId);
    const part = doc.parts[index]!;
    const split = part.params['panels' as keyof typeof part.params] === 1;
    return {
      id: `sheet:${big.partId}:${big.pieceId}`,
      severity: 'stop',
      station: 'cut',
      title: `${part.name}: ${big.name} is ${printMm(big.lengthMm, 0)} long and fits no sheet of its foam at any turn.`,
      why: 'Sheet sizes are as sold; a longer sheet or a second piece is needed.',
      sure: 'practice',
      partId: big.partId,
      pieceId: big.pieceId,
      remedies: split
        ? [
            {
              label: 'Make it of two pieces',
              changes: [{ path: ['parts', index, 'params', 'panels'], value: 2 }],
            },
          ]
        : [],
    };
  });

/** Fewest hours a day, in halves up to twelve, that leave a day to spare. */
function hoursThatSuffice(
  { brief, make }: BuildDoc,
  { steps, schedule: plan }: BuildContext['report'],
): number | undefined {
  const done = new Set(Object.keys(make.done));
  for (let hours = Math.ceil(brief.hoursPerDay * 2 + 0.1) / 2; hours <= 12; hours += 0.5) {
    if (schedule(steps, done, plan.firstDay, brief.eventDate, hours).daysToSpare >= 1) return hours;
  }
  return undefined;
}

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
        sure: 'standard',
        remedies: [],
      },
    ];
  }
  const enough = hoursThatSuffice(doc, report);
  return when(doc.parts.length > 0 && daysToSpare < 1, () => ({
    id: 'late',
    severity: daysToSpare < 0 ? 'stop' : 'mind',
    station: 'brief',
    title:
      daysToSpare < 0
        ? `Ready ${-daysToSpare} days after the event begins.`
        : 'Ready the night before, with nothing to spare.',
    why: `${trimNumber(report.totals.workMin / 60, 0)} h of work at ${trimNumber(hoursPerDay, 1)} h a day, and drying that cannot be hurried.`,
    sure: 'memory',
    remedies:
      enough === undefined
        ? []
        : [{ label: `Work ${enough} h a day`, changes: [{ path: ['brief', 'hoursPerDay'], value: enough }] }],
  }));
};

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
    sure: 'memory',
    remedies: [],
  }));
};

/** Too long for the luggage or the event. */
export const travels: BuildRule = ({ doc, report }) =>
  report.parts.flatMap((made) => {
    const limit = Math.min(doc.brief.luggageMm, doc.brief.eventMaxMm);
    return when(made.longestMm > limit, () => ({
      id: `travel:${made.id}`,
      severity: 'mind' as const,
      station: 'brief' as const,
      title: `${made.name}: ${printMm(made.longestMm, 0)} long, the limit is ${printMm(limit, 0)}.`,
      why:
        doc.brief.luggageMm <= doc.brief.eventMaxMm
          ? 'It does not go into the luggage.'
          : 'The event does not admit it.',
      sure: 'measured' as const,
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
    sure: 'measured',
    remedies: [{ label: 'Back to 100 mm', changes: [{ path: ['cut', 'barMeasuredMm'], value: 100 }] }],
  }));
