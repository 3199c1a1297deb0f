import { itemAt } from '../../units';
import { type Check, choice, length, ownFoam, type ParamsOf, rows } from '../../document';
import type { Join, Panel, PlateCut } from '../../panel';
import { defineForm, ownPly, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { discStack, frusta, type Made } from '../held/revolved';
import { jointOf, type Side } from './joints';

const fields = [
  rows(
    'sections',
    'Sections',
    [
      choice(
        'kind',
        'Kind',
        [
          ['band', 'band'],
          ['stack', 'solid stack'],
          ['ring', 'ring stack'],
          ['dome', 'dome'],
        ],
        'A wall, a solid, a wall of stacked rings, or a dome of bands.',
      ),
      length('heightMm', 'Height', [3, 800], 'Of this section.'),
      length('lowMm', 'Across below', [6, 1200], 'Outside.', 'Size', { gives: [{ need: 'room', by: 1 }] }),
      length('highMm', 'Across above', [6, 1200], 'Outside.', 'Size', { gives: [{ need: 'room', by: 1 }] }),
      choice(
        'joint',
        'Joint above',
        [
          ['butt', 'butt, edges level'],
          ['overhang', 'overhang half, rounded over'],
          ['groove', 'set in a groove'],
          ['lip', 'lip inside'],
          ['loose', 'loose, magnets and a lip'],
        ],
        'How the next section stands on it.',
      ),
      ownFoam('foamMm', 'Foam'),
    ],
    [1, 26],
    (before) => ({
      kind: 'band',
      heightMm: 40,
      lowMm: Number(before.at(-1)?.highMm) || 120,
      highMm: Number(before.at(-1)?.highMm) || 120,
      joint: 'butt',
      foamMm: 0,
    }),
    'section',
    'Lettered from the foot up, each with its own height and diameters.',
  ),
  length('ringMm', 'Ring wall', [4, 200], 'Of sections stacked from rings.', 'Size'),
] as const;

export type RoundsParams = ParamsOf<typeof fields>;

const letter = (i: number): string => String.fromCharCode(65 + i);
const DOME_BANDS = 4;
function design(input: FormInput<RoundsParams>): Design {
  const { params } = input;
  const panels: Panel[] = [];
  const joins: Join[] = [];
  const rooms: Design['rooms'] & object = [];
  let z = 0;
  let magnets = 0;
  const joints: string[] = [];
  const tooMany: Check[] = [];
  const into: { cut: PlateCut; section: number; end: 'top' | 'foot' }[] = [];
  params.sections.forEach((section, i) => {
    const id = `section-${letter(i)}`;
    const own = input.own(section.foamMm);
    const of = { ...input, foam: own.foam, ply: own.ply };
    const t = own.foam.thicknessMm.value;
    const ends = [
      { zMm: z, acrossMm: section.lowMm },
      { zMm: z + section.heightMm, acrossMm: section.highMm },
    ];
    const least = Math.min(section.lowMm, section.highMm);
    const made: Made =
      section.kind === 'stack'
        ? discStack(of, ends, { id })
        : section.kind === 'ring'
          ? discStack({ ...of, through: [] }, ends, { id, boreMm: Math.max(0, least - 2 * params.ringMm) })
          : section.kind === 'band'
            ? frusta(of, ends, id)
            : frusta(of, dome(z, section.heightMm, section.lowMm, section.highMm), id);
    tooMany.push(...(made.checks ?? []).map((c) => ({ ...c, id: `${c.id}-${letter(i)}` })));
    panels.push(...made.panels.map((p) => ({ ...p, ...(p.ply ? ownPly(input, section.foamMm) : {}) })));
    joins.push(...made.joins);
    if (section.kind !== 'stack' && least > 2 * t + 8)
      rooms.push(
        boreRoom(
          `inside-${letter(i)}`,
          `inside ${letter(i)}`,
          least - 2 * (section.kind === 'ring' ? params.ringMm : t),
          { x: 0, y: 0, z },
          section.heightMm,
        ),
      );
    z += section.heightMm;
    const next = params.sections[i + 1];
    if (!next) return;
    const side = (k: number, acrossMm: number): Side => {
      const { kind, heightMm, foamMm } = itemAt(params.sections, k);
      return {
        name: letter(k),
        wall: kind === 'band' || kind === 'dome',
        acrossMm,
        heightMm,
        input: input.own(foamMm),
      };
    };
    const joint = jointOf(section.joint, z, side(i, section.highMm), side(i + 1, next.lowMm));
    joints.push(`${letter(i)} to ${letter(i + 1)}: ${joint.words}`);
    magnets += joint.magnetPairs;
    panels.push(...joint.made.panels);
    joins.push(...joint.made.joins);
    into.push(
      ...joint.intoLower.map((cut) => ({ cut, section: i, end: 'top' as const })),
      ...joint.intoUpper.map((cut) => ({ cut, section: i + 1, end: 'foot' as const })),
    );
  });
  // What is let into a disc goes into the one that lies at the joint.
  const layers = (k: number): Panel[] =>
    panels.filter((p) => p.plate && p.id.startsWith(`section-${letter(k)}`));
  for (const { cut, section, end } of into) {
    const found = layers(section).at(end === 'top' ? -1 : 0);
    const at = found ? panels.indexOf(found) : -1;
    if (found?.plate) panels[at] = { ...found, plate: { ...found.plate, cuts: [...found.plate.cuts, cut] } };
  }
  return {
    panels,
    joins,
    roomMm: 0,
    rooms: rooms.filter((r) => itemAt(r.outline, 1).x > 1),
    figures: [{ key: 'high', label: 'high', value: z, unit: 'mm', decimals: 0 }],
    checks: [
      ...tooMany,
      ...params.sections.slice(1).flatMap((s, i) => {
        const below = itemAt(params.sections, i);
        const step = Math.abs(s.lowMm - below.highMm);
        return step > 2 * input.foam.thicknessMm.value + 2 && below.kind !== 'stack' && s.kind !== 'stack'
          ? [
              {
                id: `step-${letter(i + 1)}`,
                severity: 'mind' as const,
                station: 'shape' as const,
                title: `section ${letter(i + 1)} is ${Math.round(step)} mm off the one below it; their walls do not meet.`,
                why: 'Walls stand on each other, or on a disc between them.',
                provenance: 'standard' as const,
                excess: step,
                remedies: [
                  {
                    label: `${letter(i + 1)} begins at ${below.highMm} mm`,
                    changes: [{ path: ['params', 'sections', i + 1, 'lowMm'], value: below.highMm }],
                  },
                ],
              },
            ]
          : [];
      }),
    ],
    bought:
      magnets > 0
        ? [
            {
              what: 'magnet pair',
              unit: 'pieces',
              count: magnets,
              each: 0.8,
              massG: magnets * 2,
              provenance: 'memory',
            },
          ]
        : [],
    work:
      joints.length > 0
        ? [
            {
              step: 'stand',
              when: 'formed',
              verb: 'join',
              what: 'sections in the order of their letters',
              count: params.sections.length,
              eachMin: 10,
              detail: `${joints.join('; ')}.`,
              cautions: ['solvent'],
              waitMin: 0,
            },
          ]
        : [],
  };
}

/** A quarter of an ellipse from one width to another, in bands. */
function dome(z: number, high: number, low: number, top: number): { zMm: number; acrossMm: number }[] {
  return Array.from({ length: DOME_BANDS + 1 }, (_, i) => {
    const a = ((i / DOME_BANDS) * Math.PI) / 2;
    return { zMm: z + high * Math.sin(a), acrossMm: top + (low - top) * Math.cos(a) };
  });
}

export const rounds = defineForm<RoundsParams>({
  kind: 'rounds',
  label: 'Assembled rounds',
  summary: 'Bands, rings, domes and stacks one on the other: head, reactor, neck.',
  zones: [],
  fields,
  developable: true,
  startStack: [{ foamId: 'dense-eva', nominalMm: 6 }],
  defaults: () => ({
    ringMm: 20,
    sections: [
      { kind: 'stack', heightMm: 12, lowMm: 150, highMm: 150, joint: 'butt', foamMm: 0 },
      { kind: 'band', heightMm: 90, lowMm: 150, highMm: 150, joint: 'loose', foamMm: 0 },
      { kind: 'dome', heightMm: 60, lowMm: 150, highMm: 40, joint: 'butt', foamMm: 0 },
    ],
  }),
  design,
  silhouette: ({ sections }) => {
    let z = 0;
    const right = sections.flatMap((s) => {
      const points = [
        { x: s.lowMm / 2, y: z },
        { x: s.highMm / 2, y: z + s.heightMm },
      ];
      z += s.heightMm;
      return points;
    });
    return [...right, ...[...right].reverse().map((p) => ({ x: -p.x, y: p.y }))];
  },
});
