import * as draw from '../../thumbnail';
import { type Check, choice, type Proposal, type Feature, type ParamsOf } from '../../document';
import { contains, dist3 } from '../../geometry';
import { type Pack, packPicture, packs } from '../../materials';
import { footprintOutline } from '../../panel';
import { byId, trimNumber } from '../../units';
import { defineFeature, featurePath, nothing, notLaid, type LaidPart } from '../contract';
import { footingOf, type Footing } from '../laying/device';
import { deviceCut, pocketChecks } from '../laying/devicePocket';
import { addLid, closedIn, lidSeat, sizedOf } from './lid';
import { OWN, ownPack, ownPackFields, ownPackStart } from './ownPack';
import { pocketDepthMm, snugPocketMm } from '../pocket/recess';

const fields = [
  choice(
    'packId',
    'Pack',
    [...packs.map((p) => [p.id, p.name, packPicture(p)] as const), [OWN, 'another, measured'] as const],
    'Cells and holder.',
    'Size',
    { open: true },
  ),
  choice(
    'pocket',
    'Pocket in the foam',
    [
      ['cut', 'cut, 2 mm skin left'],
      ['none', 'none'],
    ],
    'Gives the pack more room behind a shell.',
    'Size',
    { only: 'shell' },
  ),
  choice(
    'hatch',
    'Lid over it',
    [
      ['lid', 'flush lid on magnets'],
      ['none', 'none'],
    ],
    'Of a pocket in layers: cells come out without a knife.',
    'Size',
    { only: 'layers' },
  ),
  choice(
    'access',
    'When empty',
    [
      ['out', 'it comes out'],
      ['stays', 'it stays in for good'],
    ],
    'Said of one that is glued in: no way out is asked for, and nothing in it is ever changed.',
  ),
  ...ownPackFields,
] as const;

type PackParams = ParamsOf<typeof fields>;

/** A little of the footprint may stand over the edge of the room. */
const INSIDE = 0.97;

/** Cells in a holder, behind a panel or in a room. */
export const pack = defineFeature<PackParams>({
  kind: 'pack',
  label: 'Pack',
  verb: 'Pack',
  picture: [draw.casing(draw.box(5, 0.5, 62, 47)), draw.line('M5 16H67M5 32H67M12 8h12M48 24h12M12 40h12')],
  summary: 'Cells and holder, behind the shell or in a box.',
  station: 'inside',
  electric: 'source',
  fields,
  places: ['panel', 'room'],
  start: ({ panel, at }) => ({
    place: { on: 'panel', panel, u: at.x, v: at.y, turnDeg: 0 },
    params: { packId: '3xaaa', pocket: 'cut', hatch: 'lid', access: 'out', ...ownPackStart },
  }),
  divide: (panels, { id, place, params }, foamOf) => {
    const source = params.packId === OWN ? ownPack(params) : byId(packs, params.packId);
    if (!source) return panels;
    const cut = deviceCut(panels, { id, place }, sizedOf(source, params), foamOf);
    return cut === panels || params.hatch === 'none'
      ? cut
      : deviceCut(cut, { id, place }, { id: `${id}.lid`, ...lidSeat(source) }, foamOf);
  },
  lay: (on, feature) => {
    const { id, params } = feature;
    const source = params.packId === OWN ? ownPack(params) : byId(on.packs, params.packId);
    if (!source)
      return {
        ...nothing(),
        checks: [
          {
            id: `pack-unknown-${id}`,
            severity: 'stop',
            station: 'inside',
            title: `the pack “${params.packId}” is not in the catalogue.`,
            why: 'Its voltage and size are not known, so nothing can be worked out with it.',
            provenance: 'standard',
            excess: 1,
            remedies: on.packs.slice(0, 2).map((p) => usePack(on, id, p)),
          },
        ],
      };
    const footing = footingOf(on, feature, source);
    if (!footing) return notLaid(feature, 'inside', 'the place that held the pack is no longer there.');
    const pocketMm =
      footing.laid && !footing.room.solid && params.pocket === 'cut'
        ? pocketDepthMm(footing.laid.foam.thicknessMm.value)
        : 0;
    const haveMm = footing.depthMm + pocketMm;
    const sized = sizedOf(source, params);
    const made = nothing();
    made.items.push({
      id,
      featureId: id,
      name: source.name,
      at: footing.at,
      normal: footing.normal,
      ...(footing.laid && { pieceId: footing.laid.panel.id, flat: footing.flat }),
      marginMm: footing.marginMm,
      massG: source.massG,
      source,
      ...(params.access === 'stays' && { stays: true as const }),
      choose: featurePath(on, feature, 'params', 'packId'),
      fit: {
        needMm: source.thickMm,
        haveMm,
        widthMm: source.widthMm,
        lengthMm: source.lengthMm,
        pocketMm,
        foamMm: footing.room.solid ? 0 : (footing.laid?.foam.thicknessMm.value ?? 0),
        roomId: footing.room.id,
        fromMm: footing.fromMm,
        prints: [footing.print],
        outline: footing.outline,
        profile: footing.profile,
      },
    });
    made.bought.push({
      what: `${source.name} with cells`,
      unit: 'packs',
      count: 1,
      each: source.price,
      massG: 0,
      provenance: source.holderSure,
    });
    if (pocketMm > 0 && footing.laid) {
      const points = footprintOutline({
        at: footing.flat,
        widthMm: snugPocketMm(source.widthMm),
        lengthMm: snugPocketMm(source.lengthMm),
        turnDeg: feature.place.on === 'panel' ? feature.place.turnDeg : 0,
      });
      if (points.some((p) => contains(footing.laid!.piece.outline, p)))
        made.marks.push({
          pieceId: footing.laid.panel.id,
          mark: {
            kind: 'pocket',
            points,
            takesMm: pocketMm,
            text: `pocket ${trimNumber(pocketMm)} mm, back`,
          },
        });
    }
    if (footing.room.solid) {
      made.checks = [
        ...pocketChecks(on, feature, footing, sized, thinner(on, id, source)),
        ...closedIn(on, feature, footing, source, params),
      ];
      if (params.hatch === 'lid') addLid(made, on, feature, footing, source);
    } else made.checks = checksOf(on, feature, source, footing, haveMm);
    return made;
  },
});

const usePack = (on: LaidPart, id: string, p: Pack): Proposal => ({
  label: p.name,
  changes: [{ path: featurePath(on, { id }, 'params', 'packId'), value: p.id }],
});

/** Packs that are thinner and give as many volts or more, the least change first. */
const thinner = (on: LaidPart, id: string, { thickMm, cell, series }: Pack): Proposal[] =>
  on.packs
    .filter((p) => p.thickMm < thickMm && p.cell.nominalV * p.series >= cell.nominalV * series)
    .sort((a, b) => b.thickMm - a.thickMm)
    .map((p) => usePack(on, id, p));

/** Packs of as many volts that go into the same room at the same spot, the least change first. */
const goingIn = (
  on: LaidPart,
  feature: Pick<Feature, 'id' | 'place'>,
  { cell, series, lengthMm }: Pack,
): Proposal[] =>
  on.packs
    .filter((p) => p.cell.nominalV * p.series >= cell.nominalV * series)
    .filter((p) => {
      const there = footingOf(on, feature, p);
      return there !== undefined && there.inside >= INSIDE && there.depthMm >= p.thickMm;
    })
    .sort((a, b) => Math.abs(a.lengthMm - lengthMm) - Math.abs(b.lengthMm - lengthMm))
    .slice(0, 3)
    .map((p) => usePack(on, feature.id, p));

function checksOf(
  on: LaidPart,
  feature: Pick<Feature, 'id' | 'place'> & { params: PackParams },
  source: Pack,
  footing: Footing,
  haveMm: number,
): Check[] {
  const { id, place, params } = feature;
  const checks: Check[] = [];
  const short = source.thickMm - haveMm;
  const volts = source.cell.nominalV * source.series;
  if (short > 0.05)
    checks.push({
      id: `pack-room-${id}`,
      severity: 'stop',
      station: 'inside',
      title: `${source.name} is ${trimNumber(source.thickMm)} mm thick, the room ${footing.room.name} is ${trimNumber(haveMm)} mm under the whole of it.`,
      why: footing.laid
        ? 'Room is the gap to the clothed body under the whole pack, and the pocket if one is cut; a pack that presses is felt within minutes.'
        : 'What does not go in keeps the box from closing.',
      provenance: 'standard',
      excess: short,
      ...(footing.laid && { pieceId: footing.laid.panel.id }),
      remedies: [
        ...(footing.laid && params.pocket === 'none'
          ? [
              {
                label: 'Cut a pocket in the foam',
                changes: [{ path: featurePath(on, feature, 'params', 'pocket'), value: 'cut' }],
              },
            ]
          : []),
        { need: 'room', mm: short },
        ...on.packs
          .filter((p) => p.thickMm <= haveMm && p.cell.nominalV * p.series >= volts)
          .slice(0, 1)
          .map((p) => usePack(on, id, p)),
      ],
    });
  const { open } = footing;
  // Beside a body, or in the open, it catches; between walls it does not go in.
  const beside = footing.room.body === true || open;
  if (footing.inside < INSIDE)
    checks.push({
      id: `pack-edge-${id}`,
      severity: beside ? 'mind' : 'stop',
      station: 'inside',
      title: beside
        ? `${source.name} stands ${trimNumber((1 - footing.inside) * 100, 0)} % over the edge of the room ${footing.room.name}.`
        : `${source.name} does not go in: ${trimNumber((1 - footing.inside) * 100, 0)} % of it lies beyond the room ${footing.room.name}.`,
      why: beside
        ? 'What stands over an edge catches and is seen.'
        : 'What lies beyond it is in a wall, or outside.',
      provenance: 'practice',
      excess: 1 - footing.inside,
      remedies: [
        ...moved(on, feature, [
          [0.5, 0.5],
          [0.5, 0.35],
          [0.5, 0.65],
        ]),
        ...(beside ? [] : goingIn(on, feature, source)),
      ],
    });
  if (open)
    checks.push({
      id: `pack-open-${id}`,
      severity: 'note',
      station: 'inside',
      title: `${source.name} stands free ${footing.room.name}: nothing closes it in there.`,
      why: 'What lies in the open is seen, knocked and rained on. A cover over it, or a room of its own, keeps it.',
      provenance: 'practice',
      excess: 1,
      ...(footing.laid && { pieceId: footing.laid.panel.id }),
      remedies: [],
    });
  const sore = on.tender
    .map((spot) => ({
      spot,
      mm: Math.min(...[...footing.corners, footing.at].map((p) => dist3(p, spot.at))),
    }))
    .filter(({ spot, mm }) => mm < spot.keepOffMm)
    .sort((a, b) => a.mm - b.mm)[0];
  if (sore)
    checks.push({
      id: `pack-bone-${id}`,
      severity: 'mind',
      station: 'inside',
      title: `the pack lies ${trimNumber(sore.mm, 0)} mm from ${sore.spot.words}; keep ${sore.spot.keepOffMm} mm off.`,
      why: 'There is no flesh over it; anything hard there hurts.',
      provenance: 'memory',
      excess: sore.spot.keepOffMm - sore.mm,
      remedies:
        place.on === 'panel'
          ? moved(on, feature, [
              [place.u, Math.min(0.9, place.v + 0.2)],
              [place.u, Math.min(0.9, place.v + 0.4)],
              [0.5, Math.max(0.5, place.v)],
            ])
          : [],
    });
  return checks;
}

const moved = (
  on: LaidPart,
  { id, place }: Pick<Feature, 'id' | 'place'>,
  spots: readonly (readonly [number, number])[],
): Proposal[] =>
  place.on === 'panel'
    ? spots.map(([u, v]) => ({
        label: `Move it to ${Math.round(u * 100)} % across, ${Math.round(v * 100)} % up`,
        changes: [{ path: featurePath(on, { id }, 'place'), value: { ...place, u, v } }],
      }))
    : [
        {
          label: 'Middle of the room',
          changes: [
            {
              path: featurePath(on, { id }, 'place'),
              value: { ...place, alongMm: 0, acrossMm: 0 },
            },
          ],
        },
      ];
