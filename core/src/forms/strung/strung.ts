import type { Check } from '../../document';
import type { Bought, Work } from '../../features';
import type { Vec2 } from '../../geometry';
import type { Panel } from '../../panel';
import { rodMatters } from '../../materials';
import { plugMm } from '../../pipe';
import { trimNumber, findIn, itemAt, firstOf } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { tubeWall } from '../held/lightWalls';
import { disc } from '../held/disc';
import { bandWall } from '../held/walls';
import { fields, type StrungParams, things as kinds, type Thing } from './fields';
import { boreAbove, boreBelow, mayJam, type Meeting, meetingOf, setsOf } from './sets';

/** A plug across a butt joint reaches this far into either side, mm; bores under the least are glued alone. Common practice, no source. */
const PLUG_MM = 15;
const LEAST_BORE_MM = 8;
/** A ring thinner than this is wound of tape. */
const LEAST_RING_MM = 1;

/** A thing where it stands on the axis. */
interface Stood {
  thing: Thing;
  id: string;
  name: string;
  footMm: number;
  topMm: number;
}

const wordFor = (what: Thing['what']): string => findIn(kinds, ([k]) => k === what)[1];

/** Things one above the other; one that goes into the next, or over it, overlaps it. */
export function stoodUp(things: readonly Thing[]): Stood[] {
  let foot = 0;
  return things.map((thing, i) => {
    if (i > 0) foot -= meetingOf(itemAt(things, i - 1), thing).byMm;
    const stood = {
      thing,
      id: `thing-${i + 1}`,
      name: `${wordFor(thing.what)} ${i + 1}`,
      footMm: foot,
      topMm: foot + thing.longMm,
    };
    foot = stood.topMm;
    return stood;
  });
}

/** Foam between two things: rings in a bore that is too wide, discs across a butt joint. */
function between(
  low: Stood,
  high: Stood,
  meeting: Meeting,
  { foam, ply }: Pick<FormInput<unknown>, 'foam' | 'ply'>,
): Panel[] {
  const t = foam.thicknessMm.value;
  const layers = (longMm: number): number => Math.max(1, Math.floor(longMm / t));
  if (meeting.how === 'ring' && meeting.playMm! / 2 >= LEAST_RING_MM && meeting.byMm > 0) {
    const count = layers(meeting.byMm);
    return Array.from({ length: count }, (_, i) =>
      disc(
        `ring-${low.id}-${i + 1}`,
        `adapter ring, ${low.name} to ${high.name}, ${i + 1} of ${count}`,
        high.footMm + i * t,
        meeting.boreMm!,
        meeting.withinMm!,
        ply,
      ),
    );
  }
  const bore = Math.min(boreAbove(low.thing), boreBelow(high.thing));
  if (meeting.how !== 'butt' || bore < LEAST_BORE_MM) return [];
  const reach = Math.min(PLUG_MM, low.thing.longMm / 2, high.thing.longMm / 2);
  const count = layers(2 * reach);
  return Array.from({ length: count }, (_, i) =>
    disc(
      `plug-${low.id}-${i + 1}`,
      `plug, ${low.name} to ${high.name}, ${i + 1} of ${count}`,
      high.footMm - (count * t) / 2 + i * t,
      plugMm(bore),
      0,
      ply,
    ),
  );
}

/** A wall of a thing, and its closed end where it is a cap. */
function wallsOf({ thing, id, name, footMm, topMm }: Stood): Panel[] {
  const { wallMm } = thing;
  const inner = boreAbove(thing);
  return [
    {
      ...bandWall(
        id,
        name,
        { zMm: footMm, acrossMm: thing.lowMm },
        { zMm: topMm, acrossMm: thing.highMm },
        wallMm,
      ),
    },
    ...(thing.what === 'cap' && inner > LEAST_BORE_MM
      ? [
          {
            ...disc(`${id}-end`, `end of ${name}`, topMm - wallMm, inner, 0, undefined),
            existing: { wallMm, behindMm: Math.max(1, thing.longMm - wallMm) },
          },
        ]
      : []),
  ];
}

function checksOf(
  params: StrungParams,
  stood: readonly Stood[],
  meetings: readonly Meeting[],
  price: number,
): Check[] {
  const unsure = meetings.flatMap((m, i) =>
    mayJam(m) ? [{ m, low: itemAt(stood, i), high: itemAt(stood, i + 1) }] : [],
  );
  const dearest = stood.reduce((a, b) => (b.thing.price > a.thing.price ? b : a));
  return [
    ...meetings.flatMap((m, i): Check[] =>
      m.how === 'jams'
        ? [
            {
              id: `jams-${i + 1}`,
              severity: 'stop',
              station: 'shape',
              title: `${trimNumber(m.withinMm!)} mm do not go into a bore of ${trimNumber(m.boreMm!)} mm: ${itemAt(stood, i).name} to ${itemAt(stood, i + 1).name}.`,
              why: 'Sand or warm it, take another of the same place, or let them meet end to end.',
              provenance: 'measured',
              excess: -m.playMm! + 1,
              remedies: [
                {
                  label: 'End to end',
                  changes: [
                    {
                      path: ['params', 'things', params.things.indexOf(itemAt(stood, i).thing), 'meets'],
                      value: 'butt',
                    },
                  ],
                },
              ],
            },
          ]
        : [],
    ),
    ...unsure.map(({ m, low, high }): Check => ({
      id: `may-jam-${low.id}`,
      severity: 'mind',
      station: 'shape',
      title: `${low.name} to ${high.name}: ${trimNumber(m.playMm!, 1)} mm of play, and their sizes may be off by ${trimNumber(m.offMm, 1)} mm: they may jam.`,
      why: 'Things come larger and smaller than they are sold as. Take a caliper to the shop, and say so here.',
      provenance: 'memory',
      excess: m.offMm - m.playMm! + 1,
      remedies: [],
    })),
    ...(params.budget > 0 && price > params.budget
      ? [
          {
            id: 'over-budget',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `these things cost ${trimNumber(price, 2)}, ${trimNumber(price - params.budget, 2)} over their budget; the dearest is ${dearest.name} at ${trimNumber(dearest.thing.price, 2)}.`,
            why: 'Name an alternative for its place: the cheapest set that goes together comes first.',
            provenance: 'measured' as const,
            excess: price - params.budget,
            remedies:
              params.set > 1
                ? [{ label: 'The cheapest set', changes: [{ path: ['params', 'set'], value: 1 }] }]
                : [],
          },
        ]
      : []),
  ];
}

const boughtOf = (stood: readonly Stood[]): Bought[] =>
  stood
    .filter((s) => s.thing.price > 0)
    .map(({ name, thing }) => ({
      what: `${name}, ${trimNumber(thing.lowMm)} mm across, ${trimNumber(thing.longMm)} mm long`,
      unit: 'pieces',
      count: 1,
      each: thing.price,
      massG: 0,
      provenance: 'measured',
    }));

function workOf(stood: readonly Stood[], meetings: readonly Meeting[]): Work[] {
  const said: Record<Meeting['how'], string> = {
    butt: 'end to end over a plug',
    jams: 'do not go together',
    snug: 'slides in: scuff, a turn of tape if it rattles',
    ring: 'foam ring or tape between',
  };
  const joints = meetings.map(
    (m, i) => `${itemAt(stood, i).name} to ${itemAt(stood, i + 1).name}: ${said[m.how]}`,
  );
  return [
    {
      step: 'clean',
      when: 'flat',
      verb: 'clean',
      what: 'found things',
      count: stood.length,
      eachMin: 6,
      detail:
        'Labels off, washed and dry, shine scuffed with 220 grit. Bottles that held anything harmful are not used.',
      cautions: ['boardDust'],
      waitMin: 0,
    },
    ...(joints.length > 0
      ? [
          {
            step: 'string',
            when: 'formed' as const,
            verb: 'join',
            what: 'found things',
            count: joints.length,
            eachMin: 12,
            detail: `Dry first, sighted along the axis; wires drawn through before glue. ${joints.join('; ')}. Polyethylene and polypropylene hold no glue: a screw, a pin or a collar of foam.`,
            cautions: ['solvent' as const],
            waitMin: 30,
            waitFor: 'glue holding',
          },
        ]
      : []),
  ];
}

function design({ params, foam, ply }: FormInput<StrungParams>): Design {
  const sets = setsOf(params.things);
  const good = sets.filter((s) => s.jams === 0);
  const chosen = itemAt(good.length > 0 ? good : sets, Math.min(params.set, Math.max(1, good.length)) - 1);
  const stood = stoodUp(chosen.things);
  const meetings = chosen.things.slice(1).map((t, i) => meetingOf(itemAt(chosen.things, i), t));
  const topMm = Math.max(...stood.map((s) => s.topMm));
  return {
    panels: [
      ...stood.flatMap(wallsOf),
      ...meetings.flatMap((m, i) => between(itemAt(stood, i), itemAt(stood, i + 1), m, { foam, ply })),
    ],
    joins: [],
    roomMm: 0,
    rooms: stood.flatMap(({ thing, id, name, footMm, topMm: end }) => {
      const bore = Math.min(boreBelow(thing), boreAbove(thing));
      return bore < 2
        ? []
        : [
            {
              ...boreRoom(`${id}-bore`, `inside ${name}`, bore, { x: 0, y: 0, z: footMm }, end - footMm),
              ...(thing.light !== 'unknown' && {
                walls: [
                  tubeWall({
                    name,
                    lowMm: thing.lowMm,
                    highMm: thing.highMm,
                    boreMm: bore,
                    lengthMm: end - footMm,
                    footMm,
                    ...(thing.light !== 'none' && { lets: rodMatters[thing.light].lets! }),
                  }),
                ],
              }),
            },
          ];
    }),
    ballast: stood.map(({ name, thing, footMm, topMm: end }) => ({
      what: name,
      massG: thing.massG,
      at: { x: 0, y: 0, z: (footMm + end) / 2 },
    })),
    heldAt: { x: 0, y: 0, z: Math.min(params.gripMm, topMm) },
    anchors: [
      {
        id: 'top',
        name: 'top',
        at: { x: 0, y: 0, z: topMm },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
      },
      {
        id: 'foot',
        name: 'foot',
        at: { x: 0, y: 0, z: 0 },
        out: { x: 0, y: 0, z: -1 },
        up: { x: 0, y: 1, z: 0 },
      },
    ],
    bought: boughtOf(stood),
    work: workOf(stood, meetings),
    figures: [
      { key: 'long', label: 'long', value: topMm, unit: 'mm', decimals: 0 },
      { key: 'price', label: 'found things cost', value: chosen.price, unit: '', decimals: 2 },
      { key: 'sets', label: 'sets that go together', value: good.length, unit: '', decimals: 0 },
    ],
    checks: checksOf(params, stood, meetings, chosen.price),
  };
}

const thing = (over: Partial<Thing>): Thing => ({
  place: 1,
  what: 'tube',
  longMm: 120,
  lowMm: 40,
  highMm: 40,
  wallMm: 2,
  meets: 'inside',
  intoMm: 20,
  known: 'sold',
  light: 'unknown',
  massG: 60,
  price: 0,
  ...over,
});

/** Tubes, couplers, bottles, cups and torches strung along an axis. */
export const strung = defineForm<StrungParams>({
  kind: 'strung',
  label: 'Device of found things',
  summary:
    'Tubes, couplers, bottles, cups and torches strung along an axis, with foam rings and plugs between.',
  zones: ['hand'],
  fields,
  developable: true,
  sheets: 'existing',
  startStack: [{ foamId: 'dense-eva', nominalMm: 5 }],
  defaults: () => ({
    things: [
      thing({}),
      thing({ place: 2, what: 'coupler', longMm: 50, lowMm: 46, highMm: 46, meets: 'over', intoMm: 20 }),
      thing({
        place: 3,
        what: 'torch',
        longMm: 95,
        lowMm: 32,
        highMm: 38,
        wallMm: 2,
        meets: 'butt',
        massG: 80,
        intoMm: 0,
      }),
    ],
    set: 1,
    budget: 0,
    gripMm: 60,
  }),
  design,
  silhouette: ({ things }) => {
    const stood = stoodUp(firstOf(setsOf(things)).things);
    const right = stood.flatMap((s): Vec2[] => [
      { x: s.thing.lowMm / 2, y: s.footMm },
      { x: s.thing.highMm / 2, y: s.topMm },
    ]);
    return [...right, ...right.map((p) => ({ x: -p.x, y: p.y })).reverse()];
  },
});
