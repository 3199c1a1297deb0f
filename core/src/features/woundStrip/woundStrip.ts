import * as draw from '../../thumbnail';
import type { Check, Proposal } from '../../document';
import { litFace, type LitFace } from '../../light';
import { diffusers } from '../../materials';
import { type Piece, platePiece } from '../../panel';
import { byId, counted, trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid, type LaidPart } from '../contract';
import { footingOf } from '../laying/device';
import { lampPitchMm, stripBought, stripG, stripLoad, stripOf, stripStepMm } from '../laying/stripParts';
import { fields, type WoundParams } from './fields';
import { woundShine } from './shine';
import { alongMm, flatFace, sleeveFace, windingOf, type Wound } from './wound';

const CELLS = 40;
/** A strip is not bent round less than this; from memory. */
const LEAST_CORE_MM = 12;
const BRIGHT = 0.3;

const woundOf = (params: WoundParams): Wound => ({
  ...params,
  lampMm: lampPitchMm(params.type),
});

/** The diffuser as its light falls on it. */
const faceOf = (params: WoundParams): LitFace =>
  params.way === 'along' ? flatFace({ ...woundOf(params), ...params }) : sleeveFace(woundOf(params));

/** The sleeve as it lies flat: a strip for every layer, each wrapped over the one before; none where the part is its own. */
function sleevePieces(
  on: LaidPart,
  id: string,
  { diffuser, layers, sleeveMm, lengthMm }: WoundParams,
): Piece[] {
  const of = byId(diffusers, diffuser)?.sheet;
  if (!of || on.panels.some((l) => l.foam.foamId === of.foamId)) return [];
  const sheet = on.sheet(of);
  const t = sheet.thicknessMm.value;
  return Array.from({ length: layers }, (_, i): Piece => {
    // The wrap of a round in sheet: π(D + 2kt).
    const girth = Math.PI * (sleeveMm + 2 * t * (i + sheet.neutralFraction.value));
    const name =
      layers === 1 ? 'sleeve of the wound strip' : `sleeve of the wound strip, layer ${i + 1} of ${layers}`;
    return {
      ...platePiece(
        { id: `${id}.sleeve-${i + 1}`, name },
        {
          origin: { x: 0, y: 0, z: 0 },
          across: { x: 1, y: 0, z: 0 },
          up: { x: 0, y: 1, z: 0 },
          outline: [
            { x: 0, y: 0 },
            { x: girth, y: 0 },
            { x: girth, y: lengthMm },
            { x: 0, y: lengthMm },
          ],
          cuts: [],
        },
        sheet,
      ),
      role: 'laid',
      featureId: id,
      face: 'inner',
      ownStep: true,
      note: 'Bent round the strip and butted; its seam to the back.',
    };
  });
}

/** Ways to a more even sleeve: turns closer together, a thinner core, or a layer more. */
function evener(on: LaidPart, id: string, params: WoundParams): Proposal[] {
  const wanted = params.evenPct / 100;
  const set = (label: string, changes: Partial<WoundParams>): Proposal[] =>
    litFace(faceOf({ ...params, ...changes }), CELLS).evenness >= wanted
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
  const layers =
    params.layers < 4
      ? set(`${counted(params.layers + 1, 'layer')} of diffuser`, { layers: params.layers + 1 })
      : [];
  if (params.way === 'along') {
    const most = Math.min(20, Math.floor(params.wideMm / stripOf(params.type).widthMm));
    return [
      ...(params.rows < most ? set(`${params.rows + 1} rows a face`, { rows: params.rows + 1 }) : []),
      ...layers,
    ];
  }
  return [
    ...[0.75, 0.5, 0.35]
      .map((f) => Math.max(10, Math.round(params.pitchMm * f)))
      .filter((mm) => mm < params.pitchMm)
      .flatMap((pitchMm) => set(`Turns ${pitchMm} mm apart`, { pitchMm }))
      .slice(0, 1),
    ...(params.coreMm > 16 ? set('A core of 16 mm', { coreMm: 16 }) : []),
    ...layers,
  ];
}

/** A strip wound round a core, in the middle of a sleeve or a lantern: how much of it, and how evenly it glows. */
export const woundStrip = defineFeature<WoundParams>({
  kind: 'wound-strip',
  label: 'Wound strip',
  verb: 'Wound strip',
  picture: [
    draw.foam(draw.box(20, 2, 32, 44)),
    draw.light('M20 12L52 6V10L20 16ZM20 26L52 20V24L20 30ZM20 40L52 34V38L20 44Z'),
  ],
  summary: 'A light strip wound round a core within a sleeve: length, pitch, turns, and how evenly it glows.',
  station: 'inside',
  electric: 'load',
  steady: true,
  fields,
  places: ['room'],
  start: () => ({
    place: { on: 'room', room: 'light', alongMm: 0, acrossMm: 0, turnDeg: 0 },
    params: {
      type: '12v',
      colour: 'amber',
      way: 'wound',
      coreMm: 20,
      wideMm: 30,
      thickMm: 3,
      faces: 2,
      rows: 1,
      lengthMm: 100,
      pitchMm: 25,
      sleeveMm: 80,
      diffuser: 'pe-3',
      layers: 1,
      evenPct: 60,
    },
  }),
  shine: woundShine,
  lay: (on, feature) => {
    const { id, params } = feature;
    const along = params.way === 'along';
    const of = stripOf(params.type);
    const step = stripStepMm(params.type);
    const { turns, stripMm } = along ? { turns: 0, stripMm: alongMm(params, step) } : windingOf(params);
    const parts = Math.floor(stripMm / step + 1e-6);
    const across = along ? params.thickMm + params.faces * of.thickMm : params.coreMm + 2 * of.thickMm;
    const footing = footingOf(
      on,
      feature,
      along
        ? { widthMm: params.wideMm, lengthMm: params.lengthMm }
        : { widthMm: across, lengthMm: params.lengthMm, shape: 'bar' },
    );
    if (!footing) return notLaid(feature, 'inside', 'the room that held a wound strip is no longer there.');
    if (parts < 1)
      return notLaid(
        feature,
        'inside',
        `a wound strip of ${trimNumber(stripMm, 0)} mm is shorter than one segment.`,
      );
    const name = `${along ? 'strip on a flat core' : 'wound strip'} of ${parts} ${params.type === '5v' ? 'lamps' : 'segments'}`;
    const steady = stripLoad(params.type, name, parts, params.colour, BRIGHT);
    const { evenness } = litFace(faceOf(params), CELLS);
    const wanted = params.evenPct / 100;
    const checks: Check[] = [];
    if (evenness < wanted)
      checks.push({
        id: `wound-even-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the sleeve round the ${name} glows unevenly: its darkest spot has ${trimNumber(evenness * 100, 0)} % of the mean, ${params.evenPct} % is wanted.`,
        why: 'Lamps a pitch apart show as rings until the sleeve stands about as far off them.',
        provenance: 'memory',
        excess: wanted - evenness,
        remedies: evener(on, id, params),
      });
    if (along && params.rows * of.widthMm > params.wideMm + 0.05)
      checks.push({
        id: `wound-wide-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `${counted(params.rows, 'row')} of strip are ${trimNumber(params.rows * of.widthMm)} mm wide, the core is ${trimNumber(params.wideMm)}.`,
        why: 'What stands over the edge bends and breaks.',
        provenance: 'memory',
        excess: params.rows * of.widthMm - params.wideMm,
        // A core narrower than one strip is not helped by fewer rows.
        remedies:
          params.wideMm < of.widthMm
            ? []
            : [
                {
                  label: `Rows a face: ${Math.floor(params.wideMm / of.widthMm)}`,
                  changes: [
                    {
                      path: featurePath(on, feature, 'params', 'rows'),
                      value: Math.floor(params.wideMm / of.widthMm),
                    },
                  ],
                },
              ],
      });
    if (!along && (params.coreMm < LEAST_CORE_MM || params.pitchMm < of.widthMm))
      checks.push({
        id: `wound-bend-${id}`,
        severity: 'mind',
        station: 'inside',
        title:
          params.coreMm < LEAST_CORE_MM
            ? `a strip is wound round no less than ${LEAST_CORE_MM} mm; this core is ${trimNumber(params.coreMm)}.`
            : `turns ${trimNumber(params.pitchMm)} mm apart lie over each other: the strip is ${of.widthMm} mm wide.`,
        why: 'Its joints crack, and what is covered gives no light.',
        provenance: 'memory',
        excess: 1,
        remedies: [
          {
            label:
              params.coreMm < LEAST_CORE_MM
                ? `A core of ${LEAST_CORE_MM} mm`
                : `Turns ${of.widthMm + 2} mm apart`,
            changes: [
              {
                path: featurePath(
                  on,
                  feature,
                  'params',
                  params.coreMm < LEAST_CORE_MM ? 'coreMm' : 'pitchMm',
                ),
                value: params.coreMm < LEAST_CORE_MM ? LEAST_CORE_MM : of.widthMm + 2,
              },
            ],
          },
        ],
      });
    if (across > footing.depthMm + 0.05)
      checks.push({
        id: `wound-deep-${id}`,
        severity: 'mind',
        station: 'inside',
        title: `the ${name} is ${trimNumber(across)} mm thick with its core, ${trimNumber(Math.max(0, footing.depthMm))} mm is there.`,
        why: 'It does not go in.',
        provenance: 'standard',
        excess: across - footing.depthMm,
        remedies: [{ need: 'room', mm: across - footing.depthMm }],
      });
    return {
      ...nothing(),
      items: [
        {
          id,
          featureId: id,
          name,
          at: footing.at,
          normal: footing.normal,
          marginMm: footing.marginMm,
          massG: stripG(params.type, stripMm),
          steady,
          fit: {
            needMm: across,
            haveMm: footing.depthMm,
            widthMm: along ? params.wideMm : across,
            lengthMm: params.lengthMm,
            pocketMm: 0,
            foamMm: 0,
            roomId: footing.room.id,
            fromMm: footing.fromMm,
            prints: [footing.print],
            outline: footing.outline,
            profile: footing.profile,
          },
        },
      ],
      bought: stripBought(params.type, stripMm),
      pieces: sleevePieces(on, id, params),
      work: [
        {
          step: 'wound-strips',
          when: 'lit',
          verb: 'wind',
          what: 'light strips',
          count: 1,
          eachMin: 20,
          detail: along
            ? `${params.rows} ${params.rows === 1 ? 'row' : 'rows'} on ${params.faces === 1 ? 'one face' : 'both faces'}, each of ${trimNumber(Math.floor(params.lengthMm / step + 1e-6) * step, 0)} mm and cut on a mark; join rows with wire at the ends. Solder and test before it is stuck down. The sleeve goes round it last.`
            : `${trimNumber(turns, 1)} turns ${trimNumber(params.pitchMm)} mm apart on ${trimNumber(params.coreMm)} mm, ${trimNumber(stripMm, 0)} mm of strip. Mark the turns on the core first; solder and test before it is stuck down. The sleeve goes round it last.`,
          cautions: ['solder'],
          waitMin: 0,
        },
      ],
      checks,
    };
  },
});
