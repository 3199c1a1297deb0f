import { firstOf } from '../../units';
import Joi from 'joi';
import { type Body, canPair, limbSection, resolveBody, type Wearer, type Zone } from '../../body';
import type { Circuit, Feature, Params, Part, PieceDarts, Place, Ply, Row, Side } from '../../document';
import { ellipseAtNormal } from '../../geometry';
import { catalogue, startHabits } from '../../materials';
import { modelOf, standardKinds } from '../../parts';
import { nearestOn } from '../../panel';

/** A place on a forearm shell as version 1 had it. */
interface Spot {
  aroundDeg: number;
  alongMm: number;
}

/** What the first schema said of a part, as far as it is read here. */
interface OldPart {
  id: string;
  name: string;
  form: string;
  sides: 'left' | 'right' | 'pair';
  params: Record<string, number | string>;
  foam: Ply;
  lining: Ply | null;
  lights: {
    rows: (Spot & { id: string; colour: string; body: string; count: number; pitchMm: number })[];
    currentMa: number;
    packId: string;
    packAt: Spot;
    pocket: boolean;
    switchId: string;
    switchAt: Spot;
  } | null;
  details?: OldDetail[];
  dartsByHand?: PieceDarts[];
}

interface OldDetail {
  id: string;
  kind: string;
  pieceId: string;
  edgeId?: string;
  face?: string;
  widthMm?: number;
  nominalMm?: number;
  look?: string;
  insetMm?: number;
  spacingMm?: number;
  diameterMm?: number;
  points?: { x: number; y: number }[];
}

const spot = Joi.object({
  aroundDeg: Joi.number().required(),
  alongMm: Joi.number().required(),
}).unknown();

/** As much of the first schema as must hold for lifting it; the rest is checked afterwards, by the present one. */
const liftable = Joi.object({
  wearer: Joi.object({
    underLayerMm: Joi.number().required(),
    measures: Joi.array()
      .items(Joi.object({ key: Joi.string().required(), valueMm: Joi.number().required() }).unknown())
      .required(),
  })
    .unknown()
    .required(),
  stock: Joi.array().items(Joi.object().unknown()).required(),
  parts: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().required(),
        name: Joi.string().required(),
        form: Joi.string().required(),
        sides: Joi.valid('left', 'right', 'pair').required(),
        params: Joi.object().pattern(Joi.string(), Joi.alternatives(Joi.number(), Joi.string())).required(),
        foam: Joi.object().unknown().required(),
        lights: Joi.object({
          rows: Joi.array()
            .items(spot.concat(Joi.object({ id: Joi.string().required(), count: Joi.number().required() })))
            .required(),
          packAt: spot.required(),
          switchAt: spot.required(),
        })
          .unknown()
          .allow(null)
          .required(),
        details: Joi.array().items(
          Joi.object({
            id: Joi.string().required(),
            pieceId: Joi.string().required(),
            points: Joi.array().items(Joi.object({ x: Joi.number().required(), y: Joi.number().required() })),
          }).unknown(),
        ),
        dartsByHand: Joi.array(),
      }).unknown(),
    )
    .required(),
}).unknown();

const homes: Record<string, Zone> = {
  bracer: 'forearm',
  helmet: 'head',
  'half-mask': 'head',
  'ear-pod': 'ear',
  gorget: 'neck',
  pauldron: 'shoulder',
  breastplate: 'torso',
  backplate: 'torso',
  'back-frame': 'back',
  belt: 'hips',
  'upper-arm': 'upperArm',
  'elbow-cop': 'elbow',
  cuff: 'forearm',
  thigh: 'thigh',
  'knee-cop': 'knee',
  greave: 'lowerLeg',
};

type Old = OldPart['params'];
const n = (value: unknown, absent = 0): number => (typeof value === 'number' ? value : absent);
const clamp = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));
const rows = (count: number, of: (i: number) => Row): Row[] =>
  Array.from({ length: clamp(Math.round(count), 0, 12) }, (_, i) => of(i));

const shellOf = ({ gapMm, seamDeg, ...rest }: Old): Params => ({
  ...rest,
  seamDeg: n(seamDeg),
  closure: n(gapMm) === 0 ? 'none' : 'hook-and-loop',
  gapMm: n(gapMm) === 0 ? 25 : n(gapMm),
});

/** Fields that changed their meaning or became lists; all others stay as they are. */
const lifted: Record<string, (old: Old) => Params> = {
  'upper-arm': shellOf,
  cuff: shellOf,
  thigh: shellOf,
  greave: shellOf,
  gorget: (old) => {
    const { tiers, tierMm, tierGrowMm, leanMm, leanGrowMm, back, lowerFoam, upperFoam, ...rest } = old;
    const count = n(tiers, 1);
    const high = (i: number): number => clamp(n(tierMm) + i * n(tierGrowMm), 8, 90);
    return {
      ...rest,
      closure: back === 'closed' ? 'none' : 'hook-and-loop',
      tiers: rows(count, (i) => ({
        heightMm: high(i),
        leanMm: clamp(n(leanMm) + i * n(leanGrowMm), -30, 50),
        overlapMm: i === 0 ? 0 : Math.round(high(i - 1) * 2) / 10,
        foamMm: i === count - 1 ? n(upperFoam) : n(lowerFoam),
      })),
    };
  },
  pauldron: (old) => {
    const { lames, lameMm, lameGrowMm, lowestFoam, overlapMm, stepMm, lameFoam, ...rest } = old;
    const count = n(lames);
    return {
      ...rest,
      lames: rows(count, (i) => ({
        heightMm: clamp(n(lameMm) + i * n(lameGrowMm), 20, 160),
        overlapMm: n(overlapMm),
        flareMm: n(stepMm),
        foamMm: (i === count - 1 && n(lowestFoam)) || n(lameFoam),
      })),
    };
  },
  belt: (old) => ({ ...old, closure: 'hook-and-loop' }),
  breastplate: plateOf,
  backplate: plateOf,
  helmet: (old) => ({ ...old, bandMm: n(old['bandMm'], 36), bandFoam: n(old['bandFoam']) }),
  'back-frame': (old) => {
    const { widthMm, heightMm, boxes, boxMm, deepMm, tubes, tubeMm, tubeLongMm, strapOverlapMm } = old;
    const high = n(heightMm) / Math.max(1, n(boxes)) - 12;
    const across = n(tubeMm, 60);
    return {
      plates: [{ widthMm: n(widthMm), heightMm: n(heightMm), spacerMm: 0 }],
      boxes: rows(n(boxes), (i) => ({
        widthMm: n(boxMm),
        heightMm: clamp(Math.round(high), 40, 400),
        deepMm: n(deepMm),
        acrossMm: 0,
        upMm: clamp(Math.round(6 + i * (high + 12)), -100, 600),
      })),
      tubes: rows(n(tubes), (i) => {
        const side = i % 2 === 0 ? 1 : -1;
        const beside = n(boxes) > 0 ? n(boxMm) / 2 + across : 0;
        return {
          insideMm: across,
          longMm: n(tubeLongMm, 260),
          acrossMm: clamp(Math.round(side * (beside + Math.ceil(i / 2) * (across + 12))), -250, 250),
          upMm: 0,
        };
      }),
      paddingMm: 6,
      strapOverlapMm: n(strapOverlapMm),
      stretchPct: n(old['stretchPct'], 8),
      darts: n(old['darts'], 2),
    };
  },
};

function plateOf({ sides, seamDeg, ...rest }: Old): Params {
  return { ...rest, seamDeg: n(seamDeg, 42), closure: sides === 'laced' ? 'lacing' : 'hook-and-loop' };
}

const bracerPanels: Record<string, string> = { 'shell-1': 'a', 'shell-2': 'b' };
const bracerEdges: Record<string, string> = { cuff: 'bottom', elbow: 'top' };

/** A detail as a feature; names of the bracer's pieces and edges are those of its siblings now. */
function featureOf(form: string, id: string, d: OldDetail): Feature {
  const panel = form === 'bracer' ? (bracerPanels[d.pieceId] ?? d.pieceId) : d.pieceId;
  const edge = form === 'bracer' ? (bracerEdges[d.edgeId ?? ''] ?? d.edgeId!) : d.edgeId!;
  const onEdge: Place = { on: 'edges', runs: [{ panel, edge }] };
  switch (d.kind) {
    case 'trim':
      return d.face === 'inner'
        ? { id, kind: 'strip', place: onEdge, params: { widthMm: d.widthMm!, foamMm: d.nominalMm! } }
        : {
            id,
            kind: 'trim',
            place: onEdge,
            params: { widthMm: d.widthMm!, foamMm: d.nominalMm!, look: d.look! },
          };
    case 'layer':
      return {
        id,
        kind: 'overlay',
        place: { on: 'panel', panel, u: 0.5, v: 0.5, turnDeg: 0 },
        params: { insetMm: d.insetMm!, foamMm: d.nominalMm! },
      };
    case 'rivets':
      return {
        id,
        kind: 'rivets',
        place: onEdge,
        params: { insetMm: d.insetMm!, spacingMm: d.spacingMm!, diameterMm: d.diameterMm! },
      };
    default:
      return {
        id,
        kind: d.kind,
        place: { on: 'path', panel, points: (d.points ?? []).map(({ x, y }) => [x, y]) },
        params: { look: d.look! },
      };
  }
}

/** Where a spot round the arm is on the shell as it is now; in the middle of it where nothing is nearer. */
function placeOf(part: Part, body: Body, wearer: Wearer, at: Spot): Place {
  const middle: Place = { on: 'panel', panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 };
  if (part.form !== 'bracer') return middle;
  const { panels } = modelOf(part, {
    body,
    underLayerMm: wearer.underLayerMm,
    catalogue,
    stock: [],
    habits: startHabits,
    finish: 1,
    meshes: [],
    through: [],
    times: 1,
    kinds: standardKinds,
  });
  const out = wearer.underLayerMm + 10;
  const p = ellipseAtNormal(limbSection(body, 'forearm', at.alongMm), (at.aroundDeg * Math.PI) / 180, out);
  const found = nearestOn(
    panels.map(({ id, grid }) => ({ pieceId: id, grid, flat: [] })),
    { ...p, z: at.alongMm },
  );
  const round = (t: number): number => Math.round(t * 1e4) / 1e4;
  return found
    ? { on: 'panel', panel: found.pieceId, u: round(found.at.x), v: round(found.at.y), turnDeg: 0 }
    : middle;
}

/** Names of features are unique in the build now, not only in their part. */
function namer(): (part: string, id: string) => string {
  const taken = new Set<string>();
  return (part, id) => {
    const base = `${part}.${id}`.slice(0, 58);
    let name = base;
    for (let i = 2; taken.has(name); i++) name = `${base}.${i}`;
    taken.add(name);
    return name;
  };
}

function liftPart(
  old: OldPart,
  body: Body,
  wearer: Wearer,
  name: (part: string, id: string) => string,
): { part: Part; circuits: Circuit[] } {
  const zone = homes[old.form] ?? 'torso';
  const side: Side = canPair(zone) ? old.sides : 'middle';
  const part: Part = {
    id: old.id,
    name: old.name,
    form: old.form,
    params: (lifted[old.form] ?? ((params: Old): Params => ({ ...params })))(old.params),
    stack: [old.foam],
    lining: old.lining ?? null,
    mount: { to: 'wearer', zone, side },
    features: (old.details ?? []).map((d) => featureOf(old.form, name(old.id, d.id), d)),
    darts: old.dartsByHand ?? [],
  };
  const { lights } = old;
  if (!lights) return { part, circuits: [] };
  const at = (spotOf: Spot): Place => placeOf(part, body, wearer, spotOf);
  const lamps = lights.rows.map((row): Feature => ({
    id: name(old.id, row.id),
    kind: 'lamps',
    place: at(row),
    params: { count: row.count, colour: row.colour, body: row.body, pitchMm: row.pitchMm },
  }));
  const pack: Feature = {
    id: name(old.id, 'pack'),
    kind: 'pack',
    place: at(lights.packAt),
    params: { packId: lights.packId, pocket: lights.pocket ? 'cut' : 'none' },
  };
  const toggle: Feature = {
    id: name(old.id, 'switch'),
    kind: 'switch',
    place: at(lights.switchAt),
    params: { switchId: lights.switchId },
  };
  part.features.push(...lamps, pack, toggle);
  return {
    part,
    circuits: [
      {
        id: name(old.id, 'light'),
        name: `${old.name} light`.slice(0, 120),
        source: pack.id,
        switch: toggle.id,
        loads: lamps.map(({ id }) => ({ feature: id, currentMa: lights.currentMa })),
      },
    ],
  };
}

/**
 * A document of version 1 as one of version 2, or the first thing that is wrong with it.
 * The bracer's lamps are put where they were on the arm; growths from row to row become rows.
 */
export function fromVersion1(
  value: unknown,
): { ok: true; value: unknown } | { ok: false; message: string; field: string } {
  const { error } = liftable.validate(value, { convert: false, errors: { wrap: { label: '“' } } });
  if (error) return { ok: false, message: `${error.message}.`, field: firstOf(error.details).path.join('.') };
  const { parts, ...rest } = value as { parts: OldPart[]; wearer: Wearer };
  const body = resolveBody(rest.wearer.measures);
  const name = namer();
  const made = parts.map((old) => liftPart(old, body, rest.wearer, name));
  return {
    ok: true,
    value: {
      ...rest,
      schema: 2,
      parts: made.map((m) => m.part),
      circuits: made.flatMap((m) => m.circuits),
    },
  };
}
