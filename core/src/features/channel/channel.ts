import * as draw from '../../thumbnail';
import { length, type ParamsOf } from '../../document';
import { alongRun, contains, largestRing, polylineLength, type Vec2 } from '../../geometry';
import { onGrid, type Panel, type PlateCut } from '../../panel';
import { byId, trimNumber } from '../../units';
import { defineFeature, type FoamOf, nothing, notLaid, panelOf } from '../contract';

const fields = [
  length('widthMm', 'Width', [2, 20], 'Two thin wires side by side want about 4 mm.'),
  length('deepMm', 'Depth', [1, 20], 'From the face it is cut into; foam is left under it.'),
] as const;

type ChannelParams = ParamsOf<typeof fields>;

/** Foam left under a channel, mm; from memory. */
const FLOOR_MM = 2;

interface Asked {
  id: string;
  panel: string;
  points: readonly (readonly [number, number])[];
  params: ChannelParams;
}

/** The channel in a flat piece: its way as wide as it is, to a depth from the outer face, where the layer above lies. */
function cutInto(
  panels: readonly Panel[],
  { id, panel, points, params }: Asked,
  foamOf: FoamOf,
): readonly Panel[] {
  const own = byId(panels, panel);
  if (!own?.plate || own.plate.layers === undefined || own.plate.layers < 2) return panels;
  const { plate } = own;
  const run = points.map(([u, v]): Vec2 => {
    const at = onGrid(own.grid, { x: u, y: v });
    const d = { x: at.x - plate.origin.x, y: at.y - plate.origin.y, z: at.z - plate.origin.z };
    return {
      x: d.x * plate.across.x + d.y * plate.across.y + d.z * plate.across.z,
      y: d.x * plate.up.x + d.y * plate.up.y + d.z * plate.up.z,
    };
  });
  const outline = largestRing(alongRun(run, params.widthMm / 2));
  if (outline.length < 3 || !outline.every((p) => contains(plate.outline, p))) return panels;
  const cut: PlateCut = {
    id,
    of: id,
    name: 'wire channel',
    outline,
    recess: {
      depthMm: Math.min(params.deepMm, Math.max(0.5, foamOf(own).thicknessMm.value - FLOOR_MM)),
      face: 'outer',
    },
  };
  return panels.map((p) => (p === own ? { ...p, plate: { ...plate, cuts: [...plate.cuts, cut] } } : p));
}

/** A way for wires cut into the foam: between two layers of a lamination, or into the back of a shell. */
export const channel = defineFeature<ChannelParams>({
  kind: 'channel',
  label: 'Wire channel',
  verb: 'Wire channel',
  picture: [draw.plate, draw.line('M6 12H44V44M10 18H38V44'), draw.light('M8 15H41V44')],
  summary: 'A way for wires cut into the foam, between layers or into the back of a shell.',
  station: 'inside',
  fields,
  places: ['path'],
  start: ({ panel }) => ({
    place: {
      on: 'path',
      panel,
      points: [
        [0.3, 0.5],
        [0.7, 0.5],
      ],
    },
    params: { widthMm: 4, deepMm: 3 },
  }),
  // Both wires side by side, a little loose, and covered.
  forWires: ({ acrossMm }) => ({
    widthMm: Math.min(20, Math.max(2, Math.ceil(2 * acrossMm + 1))),
    deepMm: Math.min(20, Math.ceil(2 * acrossMm) / 2 + 0.5),
  }),
  divide: (panels, { id, place, params }, foamOf) =>
    place.on === 'path'
      ? cutInto(panels, { id, panel: place.panel, points: place.points, params }, foamOf)
      : panels,
  lay: (on, feature) => {
    const { id, place, params } = feature;
    const laid = place.on === 'path' ? panelOf(on, place.panel) : undefined;
    if (!laid || place.on !== 'path')
      return notLaid(feature, 'inside', 'the piece that carried a wire channel is no longer there.');
    const run = place.points.map(([x, y]) => laid.flatAt({ x, y }));
    const layered = (laid.panel.plate?.layers ?? 1) > 1;
    const cut = laid.panel.plate?.cuts.some((c) => c.id === id) === true;
    const outline = largestRing(alongRun(run, params.widthMm / 2));
    const off = layered ? !cut : !outline.every((p) => contains(laid.piece.outline, p));
    if (off) return notLaid(feature, 'inside', `a wire channel runs over the edge of ${laid.panel.name}.`);
    const most = laid.foam.thicknessMm.value - FLOOR_MM;
    return {
      ...nothing(),
      // In a layer it is cut already; in a shell it is drawn on the back.
      marks: layered
        ? []
        : [
            {
              pieceId: laid.panel.id,
              mark: {
                kind: 'pocket',
                points: outline,
                wires: true,
                takesMm: Math.min(params.deepMm, Math.max(0, most)),
                text: `wire channel ${trimNumber(Math.min(params.deepMm, most))} mm, back`,
              },
            },
          ],
      work: [
        {
          step: 'channels',
          when: 'flat',
          verb: 'cut',
          what: 'wire channels',
          count: 1,
          eachMin: 2 + polylineLength(run) / 60,
          detail:
            'Two cuts and a lift, or a hot wire drawn along a rule. Lay a cord in it before layers are glued over it, so that a wire can be pulled through afterwards.',
          cautions: ['blade'],
          waitMin: 0,
        },
      ],
      checks:
        params.deepMm > most
          ? [
              {
                id: `channel-${id}`,
                severity: 'mind',
                station: 'inside',
                title: `a wire channel ${trimNumber(params.deepMm)} mm deep in ${trimNumber(laid.foam.thicknessMm.value)} mm foam; ${trimNumber(Math.max(0, most))} mm is the most.`,
                why: 'Less than 2 mm of foam shows it on the face.',
                provenance: 'memory',
                excess: params.deepMm - most,
                pieceId: laid.panel.id,
                remedies: [],
              },
            ]
          : [],
    };
  },
});
