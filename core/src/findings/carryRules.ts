import type { Change } from '../document';
import { DOOR_MM } from '../fit';
import { isRigid } from '../materials';
import { modelOf, needCandidates, type PartReport } from '../parts';
import { byId, printMm, trimNumber, itemAt } from '../units';
import type { Finding, Remedy } from '../document';
import { inPart, when, type RuleInput, type BuildRule } from './rule';
import { WHIPS } from './whips';

/** Balance within this of what is wanted is there; mm. */
const NEAR_MM = 12;
/** Turning moment on the wrist held level: tires, and hardly held; N·m, from memory. */
const TIRES_NM = 2;
const TOO_MUCH_NM = 6;
/** What tips the head tires the neck; N·m, from memory. */
const NECK_NM = 0.4;
const WHERE = { behind: 'at the back', ahead: 'in front', left: 'on the left', right: 'on the right' };

const indexOf = ({ doc }: RuleInput, partId: string): number => doc.parts.findIndex((p) => p.id === partId);

/** Puts so much mass at an end, where the form has a field that gives it. */
function ballastRemedies(input: RuleInput, partId: string, end: 'foot' | 'tip', massG: number): Remedy[] {
  const index = indexOf(input, partId);
  const [first] = needCandidates(
    itemAt(input.doc.parts, index),
    input.context,
    end === 'foot' ? 'footMass' : 'tipMass',
    massG,
  );
  return first ? [{ label: first.label, changes: inPart(index, first.changes) }] : [];
}

/** Balanced where the maker asked for it. */
export const balanced: BuildRule = (input) =>
  input.report.carried.flatMap((c) =>
    c.ballast && Math.abs(c.balanceMm - c.ballast.wantedMm) > NEAR_MM
      ? [
          {
            id: `balance:${c.rootId}`,
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `${c.name}: balances ${trimNumber(c.balanceMm, 0)} mm from the fist, ${trimNumber(c.ballast.wantedMm, 0)} mm is wanted: ${trimNumber(c.ballast.massG, 0)} g at the ${c.ballast.end} would do it.`,
            why: 'Mass and middle of every part are summed; the levers of the two sides are equal at the balance.',
            provenance: 'standard' as const,
            excess: Math.abs(c.balanceMm - c.ballast.wantedMm),
            partId: c.rootId,
            remedies: ballastRemedies(input, c.rootId, c.ballast.end, c.ballast.massG),
          },
        ]
      : [],
  );

/** Heavy in the hand. */
export const lightInHand: BuildRule = ({ report }) =>
  report.carried.flatMap((c) =>
    when(c.momentNm > TIRES_NM, () => ({
      id: `moment:${c.rootId}`,
      severity: c.momentNm > TOO_MUCH_NM ? 'stop' : 'mind',
      station: 'shape',
      title: `${c.name}: held level it pulls the wrist down with ${trimNumber(c.momentNm, 1)} N·m (${trimNumber(c.massG, 0)} g, ${trimNumber(Math.abs(c.balanceMm), 0)} mm from the fist).`,
      why: `Over ${TIRES_NM} N·m tires one hand in minutes; hold it nearer its middle, lighten that end, or carry it in two.`,
      provenance: 'memory',
      excess: c.momentNm - TIRES_NM,
      partId: c.rootId,
      remedies: [],
    })),
  );

/** More on one shoulder is felt within the hour; more pull leans the wearer forward. N and N·m, from memory. */
const SHOULDER_N = 25;
const BACK_NM = 4;

/** Light on the shoulders, with everything that hangs on the back. */
export const lightOnBack: BuildRule = ({ report }) =>
  report.onBack.flatMap((b) =>
    when(Math.max(b.rightN, b.leftN) > SHOULDER_N || b.backNm > BACK_NM, () => ({
      id: `back:${b.rootId}`,
      severity: 'mind',
      station: 'shape',
      title: `${b.name}: ${trimNumber(b.massG, 0)} g on the back, ${trimNumber(b.rightN, 0)} N on the right shoulder and ${trimNumber(b.leftN, 0)} N on the left; it pulls back with ${trimNumber(b.backNm, 1)} N·m.`,
      why: `Over ${SHOULDER_N} N a shoulder or ${BACK_NM} N·m tires within the hour. A waist strap takes part of it; wider straps with soft foam under them spread it; bring what is heavy close to the back and to its middle.`,
      provenance: 'memory',
      excess: Math.max(b.rightN - SHOULDER_N, b.leftN - SHOULDER_N, b.backNm - BACK_NM),
      partId: b.rootId,
      remedies: [],
    })),
  );

/** Under more than this the skin of a shoulder goes pale and hurts in time, kPa (Holewijn, 1990; from memory). */
const SKIN_KPA = 14;

/** No more on the shoulders in all than they bear, and no strap that cuts in. */
export const lightOnShoulders: BuildRule = (input) => {
  const { onShoulders: all, parts, onBack } = input.report;
  if (!all) return [];
  const most = Math.max(all.rightN, all.leftN);
  const roots = new Set(parts.filter((p) => all.partIds.includes(p.id)).map((p) => p.id));
  const told = onBack.some((b) => b.partIds.length === roots.size);
  return [
    ...when(most > SHOULDER_N && !told, () => ({
      id: 'shoulders',
      severity: 'mind' as const,
      station: 'shape' as const,
      title: `In all ${trimNumber(all.massG, 0)} g hang on the shoulders: ${trimNumber(all.rightN, 0)} N on the right and ${trimNumber(all.leftN, 0)} N on the left.`,
      why: `Over ${SHOULDER_N} N a shoulder tires within the hour. Hang part of it on a belt: a strap from the plates down to the waist takes what it carries off the shoulders.`,
      provenance: 'memory' as const,
      excess: most - SHOULDER_N,
      remedies: [],
    })),
    ...all.straps
      .filter((s) => s.kPa > SKIN_KPA)
      .map((s) => {
        const wantMm = (s.wideMm * s.kPa) / SKIN_KPA;
        const index = indexOf(input, s.partId);
        const [wider] = needCandidates(
          itemAt(input.doc.parts, index),
          input.context,
          'strap',
          wantMm - s.wideMm,
        );
        return {
          id: `strap-press:${s.partId}`,
          severity: 'mind' as const,
          station: 'shape' as const,
          title: `${s.name}: its straps press with ${trimNumber(s.kPa, 0)} kPa on the shoulder that carries ${trimNumber(s.loadN, 0)} N; ${SKIN_KPA} kPa hurts in time.`,
          why: `A strap ${printMm(s.wideMm, 0)} wide over a round ridge presses with its pull over radius and width. ${printMm(Math.ceil(wantMm), 0)} would do, or a strip of soft foam under it.`,
          provenance: 'memory' as const,
          excess: s.kPa - SKIN_KPA,
          partId: s.partId,
          remedies: wider ? [{ label: wider.label, changes: inPart(index, wider.changes) }] : [],
        };
      }),
  ];
};

/** Through doorways as public buildings have them. */
export const throughDoors: BuildRule = ({ report: { about } }) =>
  about
    ? [
        ...when(about.door === 'not', () => ({
          id: 'door-wide',
          severity: 'mind' as const,
          station: 'shape' as const,
          title: `${printMm(about.widthMm, 0)} wide and ${printMm(about.deepMm, 0)} deep: it does not go through a doorway ${printMm(DOOR_MM.wide, 0)} wide, straight or sideways.`,
          why: 'Clear width of a door that must be reachable (2010 ADA Standards, 404.2.3); older doors are narrower. Plan what comes off first, or make what stands out furthest detachable.',
          provenance: 'standard' as const,
          excess: Math.min(about.widthMm, about.deepMm) - DOOR_MM.wide,
          remedies: [],
        })),
        ...when(about.stoopMm > 0, () => ({
          id: 'door-high',
          severity: 'mind' as const,
          station: 'shape' as const,
          title: `The top is ${printMm(about.topMm, 0)} above the floor: stoop by ${printMm(about.stoopMm, 0)} under a doorway ${printMm(DOOR_MM.high, 0)} high.`,
          why: 'Least headroom of a doorway that must be reachable (2010 ADA Standards, 307.4 and 404.2.3). With a helmet on it is not seen coming.',
          provenance: 'standard' as const,
          excess: about.stoopMm,
          remedies: [],
        })),
      ]
    : [];

/** What one ear carries before it hurts, grams, and what turns it about its hook, N·mm; from memory. */
const EAR = { g: 40, nodNmm: 10 };

/** Light and level on the ear, with everything that hangs on it. */
export const levelOnEar: BuildRule = ({ report }) =>
  report.onEar.flatMap((e) =>
    when(e.massG > EAR.g || e.nodNmm > EAR.nodNmm, () => ({
      id: `ear:${e.rootId}`,
      severity: 'mind',
      station: 'shape',
      title: `${e.name}: ${trimNumber(e.massG, 0)} g on one ear, its middle ${printMm(Math.abs(e.aheadMm), 0)} ${e.aheadMm > 0 ? 'ahead of' : 'behind'} the ear and ${printMm(Math.max(0, e.outMm), 0)} out.`,
      why: `Over ${EAR.g} g an ear hurts, and what is not level nods at every step.${e.lead ? ` ${trimNumber(e.lead.massG, 0)} g ${WHERE[e.lead.side]}, ${printMm(e.lead.armMm, 0)} from the ear, would level it, in a pocket of 2 mm foam inside that wall; but it weighs as well.` : ''} A band over the head takes the weight off the ear.`,
      provenance: 'memory',
      excess: Math.max(e.massG - EAR.g, e.nodNmm - EAR.nodNmm),
      partId: e.rootId,
      remedies: [],
    })),
  );

/** What filtering masks may hold a breath back with at 95 l/min, Pa: the least and the most of EN 149; from memory. */
const BREATH_PA = { mind: 210, stop: 300 };

/** Enough air; what its own form stops for is not told twice. */
export const breathes: BuildRule = ({ report }) =>
  report.insideHead.flatMap((h) => {
    const { breathPa } = h;
    const told = report.parts.some(
      (p) => h.partIds.includes(p.id) && p.checks.some((c) => c.severity === 'stop'),
    );
    return breathPa === undefined || breathPa <= BREATH_PA.mind || (told && h.airMm2 < 1)
      ? []
      : [
          {
            id: `air:${h.rootId}`,
            severity: breathPa > BREATH_PA.stop ? ('stop' as const) : ('mind' as const),
            station: 'shape' as const,
            title:
              h.airMm2 < 1
                ? `${h.name}: no opening lets air to the mouth.`
                : `${h.name}: ${trimNumber(h.airMm2 / 100, 1)} cm² are open for air: a deep breath pulls ${trimNumber(breathPa, 0)} Pa.`,
            why: `The flow of a deep breath through a sharp-edged hole; filtering masks are admitted up to ${BREATH_PA.mind} to ${BREATH_PA.stop} Pa (EN 149, from memory). Cut holes near mouth and nose; four of 9 mm make 2.5 cm².`,
            provenance: 'standard' as const,
            excess: breathPa - BREATH_PA.mind,
            partId: h.rootId,
            remedies: [],
          },
        ];
  });

/** Level on the neck, with everything that hangs on it. */
export const levelOnHead: BuildRule = ({ report }) =>
  report.onHead.flatMap((h) =>
    when(h.momentNm > NECK_NM, () => ({
      id: `neck:${h.rootId}`,
      severity: 'mind',
      station: 'shape',
      title: `${h.name}: ${trimNumber(h.massG, 0)} g on the head, its middle ${printMm(Math.hypot(h.aheadMm, h.asideMm), 0)} off the neck: ${trimNumber(h.momentNm, 2)} N·m tip it.`,
      why: `Over ${NECK_NM} N·m tires the neck.${h.lead ? ` ${trimNumber(h.lead.massG, 0)} g ${WHERE[h.lead.side]}, ${printMm(h.lead.armMm, 0)} from the neck, would level it; the battery pack may serve.` : ''} Lighten what stands out first.`,
      provenance: 'memory',
      excess: h.momentNm - NECK_NM,
      partId: h.rootId,
      remedies: [],
    })),
  );

/** Whips or hangs. */
export const stiff: BuildRule = ({ report }) =>
  report.carried.flatMap((c) => {
    const { stick } = c;
    if (!stick) return [];
    const slow = stick.hz < WHIPS.hz;
    return when(stick.sagMm > WHIPS.share * stick.lengthMm || slow, () => {
      const better = stick.choices.find((o) => !o.chosen && o.sagMm < stick.sagMm / 2 && o.hz > WHIPS.hz);
      return {
        id: `whip:${c.rootId}`,
        severity: 'mind',
        station: 'shape',
        title: `${c.name}: held level its tip hangs ${printMm(stick.sagMm, 0)} and it swings ${trimNumber(stick.hz, 1)} times a second: it will whip.`,
        why: `A cantilever from the fist under all it carries (beam tables).${better ? ` ${better.name} would hang ${trimNumber(better.sagMm, 0)} mm.` : ''}`,
        provenance: 'standard',
        excess: stick.sagMm,
        partId: c.rootId,
        remedies: [],
      };
    });
  });

/** What parts a stick at given places, where its form can be parted. */
function partedRemedies(input: RuleInput, partId: string, atMm: readonly number[]): Remedy[] {
  const index = indexOf(input, partId);
  const part = itemAt(input.doc.parts, index);
  const set = modelOf(part, input.context).splitAt?.(atMm);
  if (!set) return [];
  const changes: Change[] = Object.entries(set).map(([key, value]) => ({ path: ['params', key], value }));
  return [
    {
      label: `Part it at ${atMm.map((mm) => trimNumber(mm, 0)).join(', ')} mm`,
      changes: inPart(index, changes),
    },
  ];
}

/** Goes into the luggage, taken apart. */
export const comesApart: BuildRule = (input) =>
  input.report.carried.flatMap((c): Finding[] => {
    const limit = input.doc.brief.luggageMm;
    if (c.apartMm <= limit) return [];
    const split = c.split && c.split.longestMm <= limit ? c.split : undefined;
    return [
      {
        id: `apart:${c.rootId}`,
        severity: 'mind',
        station: 'brief',
        title: `${c.name}: ${printMm(c.apartMm, 0)} long as it travels, the luggage takes ${printMm(limit, 0)}.`,
        why: split
          ? `Parted in ${split.atMm.length + 1}, its longest length is ${trimNumber(split.longestMm, 0)} mm. Joints are kept out of what goes over the stick.`
          : 'No joint clear of what goes over the stick would do; a part of its own is longer than the luggage.',
        provenance: 'standard',
        excess: c.apartMm - limit,
        partId: c.rootId,
        remedies: split ? partedRemedies(input, c.rootId, split.atMm) : [],
      },
    ];
  });

/** Within what the event says of things that are carried. */
export const admitted: BuildRule = ({ doc: { brief }, report }) =>
  report.carried.flatMap((c) => {
    const found = (id: string, title: string, excess: number): Finding => ({
      id: `event-${id}:${c.rootId}`,
      severity: 'mind',
      station: 'brief',
      title: `${c.name}: ${title}`,
      why: 'The limit is the one typed in the brief; the event’s own rules and its checks at the door decide.',
      provenance: 'standard',
      excess,
      partId: c.rootId,
      remedies: [],
    });
    return [
      ...when(c.lengthMm > brief.eventMaxMm, () =>
        found(
          'long',
          `${printMm(c.lengthMm, 0)} long, the event admits ${printMm(brief.eventMaxMm, 0)}.`,
          c.lengthMm - brief.eventMaxMm,
        ),
      ),
      ...when(brief.maxCarriedG !== undefined && c.massG > brief.maxCarriedG, () =>
        found(
          'heavy',
          `${trimNumber(c.massG, 0)} g, the event admits ${trimNumber(brief.maxCarriedG!, 0)} g.`,
          c.massG - brief.maxCarriedG!,
        ),
      ),
      ...when(brief.maxRigidMm !== undefined && c.rigidMm > brief.maxRigidMm, () =>
        found(
          'rigid',
          `a hard stick of ${printMm(c.rigidMm, 0)} in one piece, the event admits ${printMm(brief.maxRigidMm!, 0)}.`,
          c.rigidMm - brief.maxRigidMm!,
        ),
      ),
      ...report.parts
        .filter((p) => c.partIds.includes(p.id))
        .flatMap((p) => [
          ...when(brief.softEdges === true && (p.printing !== undefined || p.sheetKinds.some(isRigid)), () =>
            found(
              `hard-${p.id}`,
              `${p.name} is ${p.printing ? 'printed in hard plastic' : 'cut from hard sheet'}; the event asks for soft edges. Foam round it, or a soft layer over its edge.`,
              1,
            ),
          ),
          ...when(brief.noBarrel === true && p.sticks.some((stick) => stick.opens), () =>
            found(
              `barrel-${p.id}`,
              `${p.name} has an open barrel; the event admits none. Glue a plug into it.`,
              1,
            ),
          ),
        ]),
    ];
  });

/** Lengths no stick is sold in. */
export const sticksLongEnough: BuildRule = (input) =>
  input.report.sticks.flatMap(({ rod, tooLong }) =>
    tooLong.map((cut): Finding => {
      const joints = Math.ceil(cut.lengthMm / rod.stickMm) - 1;
      const atMm = Array.from({ length: joints }, (_, i) =>
        Math.round((cut.lengthMm * (i + 1)) / (joints + 1)),
      );
      return {
        id: `stick:${cut.partId}:${cut.letter}`,
        severity: 'stop',
        station: 'cut',
        title: `${cut.name}: ${printMm(cut.lengthMm, 0)} of ${rod.name}, which is sold in sticks of ${printMm(rod.stickMm, 0)}.`,
        why: 'A longer stick, or a joint.',
        provenance: 'practice',
        excess: cut.lengthMm - rod.stickMm,
        partId: cut.partId,
        remedies: partedRemedies(input, cut.partId, atMm),
      };
    }),
  );

const cutFrom = (
  parts: readonly PartReport[],
  foams: RuleInput['context']['catalogue']['foams'],
): PartReport[] => parts.filter((p) => p.pieces.some((q) => byId(foams, q.foamId)?.neverLaser));

/** PVC is never cut by laser. */
export const noLaserOnPvc: BuildRule = ({ doc, report, context }) =>
  doc.make.habits.cutter !== 'laser'
    ? []
    : cutFrom(report.parts, context.catalogue.foams).map((part): Finding => ({
        id: `laser:${part.id}`,
        severity: 'stop',
        station: 'make',
        title: `${part.name}: PVC must not be cut by laser.`,
        why: 'It gives off hydrogen chloride, which harms lungs and eats the machine. Saw it, or score and snap thin board.',
        provenance: 'standard',
        excess: 1,
        partId: part.id,
        remedies: [
          {
            label: 'Cut by knife and saw',
            changes: [{ path: ['make', 'habits', 'cutter'], value: 'knife' }],
          },
          { label: 'Cut by band saw', changes: [{ path: ['make', 'habits', 'cutter'], value: 'band-saw' }] },
        ],
      }));
