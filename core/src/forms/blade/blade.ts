import { type Check, choice, length, type ParamsOf, setting } from '../../document';
import { common, grown, largestRing, type Vec2 } from '../../geometry';
import { type PlateCut, sizeOf } from '../../panel';
import { trimNumber } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { bladeEdges, edgesOfBlade, profileField } from '../held/edges';
import { fitBevel, fourLayers, laminate, stackMm, type Layer } from '../held/laminate';
import { rectangle } from '../held/outlines';
import { lyingIn, wallCheck } from '../held/seat';
import { bladeOutline, halfWidthAt } from './outline';
import { hollowRoom, innerLayers, layerFigures } from '../held/hollow';

const given =
  (key: string) =>
  (params: object): boolean =>
    (params as Record<string, unknown>)[key] !== 0;

const fields = [
  length('lengthMm', 'Length', [60, 2500], 'From shoulder to point.', 'Size', {
    gives: [{ need: 'reach', by: -1 }],
  }),
  length('widthMm', 'Width', [12, 400], 'At the shoulder.', 'Size', { gives: [{ need: 'room', by: 2 }] }),
  length('tipWidthMm', 'Width at the point', [6, 400], 'Where the point begins.', 'Size', {
    gives: [{ need: 'room', by: 2 }],
  }),
  choice(
    'point',
    'Point',
    [
      ['spear', 'spear'],
      ['clip', 'clipped'],
      ['leaf', 'leaf'],
      ['round', 'round'],
      ['square', 'square'],
    ],
    'How it ends.',
    'Size',
    // A blunt end pokes nobody.
    { stunt: ({ point }) => (point === 'square' ? undefined : 'round') },
  ),
  length('pointMm', 'Point length', [5, 600], 'From where it begins to its end.', 'Size'),
  length('bevelMm', 'Bevel', [0, 150], 'From the edge inwards, on both faces; 0 leaves it square.', 'Edge'),
  length('edgeMm', 'Edge left', [1, 40], 'Square at the very edge.', 'Edge', { when: given('bevelMm') }),
  edgesOfBlade,
  profileField,
  length(
    'fullerMm',
    'Fuller',
    [0, 100],
    'Width of the groove down the middle of each face; 0 for none.',
    'Edge',
  ),
  length('tangMm', 'Tang', [0, 500], 'Below the shoulder, into the handle.', 'Tang'),
  length('tangWidthMm', 'Tang width', [6, 200], 'Across.', 'Tang', { when: given('tangMm') }),
  length(
    'windowMm',
    'Light channel',
    [0, 200],
    'Width of a hollow down the middle for lamps; 0 for none.',
    'Light',
    { gives: [{ need: 'standOff', by: 0.5 }] },
  ),
] as const;

export type BladeParams = ParamsOf<typeof fields>;

/** Foam beside a core, over it, and between it and the point; common practice, no source. */
const WALL_MM = 8;
const SKIN_MM = 2;
const TIP_MM = 30;
/** Foam at a point narrower than this wants a soft block instead; from memory. */
const SHARP_MM = 12;

/** Foam left between a fuller and the slope of the edge, mm; common practice, no source. */
const FULLER_MARGIN_MM = 2;

/** Warns when a strip is narrower than asked because the blade has no room for it. */
function narrowed(name: string, askedMm: number, strip: readonly Vec2[], key: string): Check[] {
  const xs = strip.map((p) => p.x);
  const across = (y: number): number => {
    const near = strip.filter((p) => Math.abs(p.y - y) < 1e-3).map((p) => p.x);
    return near.length < 2 ? askedMm : Math.max(...near) - Math.min(...near);
  };
  const ys = strip.map((p) => p.y);
  const leastMm =
    strip.length < 3
      ? 0
      : Math.min(Math.max(...xs) - Math.min(...xs), across(Math.min(...ys)), across(Math.max(...ys)));
  const over = askedMm - leastMm;
  if (askedMm <= 0 || over < 0.5) return [];
  return [
    {
      id: `narrow-${key}`,
      severity: 'mind',
      station: 'shape',
      title: `the ${name} is asked ${trimNumber(askedMm)} mm wide; the blade leaves ${trimNumber(leastMm)} mm at its narrowest.`,
      why: 'It is cut no wider than the foam beside it allows.',
      provenance: 'practice',
      excess: over,
      remedies:
        leastMm >= 1 ? [setting(`${Math.floor(leastMm)} mm wide`, { [key]: Math.floor(leastMm) })] : [],
    },
  ];
}

function design({ params, stack, through }: FormInput<BladeParams>): Design {
  const total = stackMm(stack);
  const outline = bladeOutline(params);
  const tang =
    params.tangMm > 0
      ? rectangle(
          { x: 0, y: -params.tangMm / 2 + 0.5 },
          Math.min(params.tangWidthMm, params.widthMm),
          params.tangMm + 1,
        )
      : undefined;
  const bevel =
    params.bevelMm > 0
      ? fitBevel(outline, {
          widthMm: params.bevelMm,
          edgeMm: Math.min(params.edgeMm, total - 0.5),
          fromY: 0,
          profile: params.profile,
          ...bladeEdges(params.edges, params.lengthMm - Math.min(params.pointMm, params.lengthMm * 0.9)),
        })
      : undefined;
  const [top, bottom] = [params.lengthMm - params.pointMm, 25];
  /** A strip along the middle, no wider than what is left between margins of the edge. */
  const strip = (widthMm: number, marginMm: number): Vec2[] => {
    const asked = rectangle({ x: 0, y: (top + bottom) / 2 }, widthMm, Math.max(1, top - bottom));
    return largestRing(common([asked], grown([outline], -marginMm)));
  };
  // A fuller lies on what the bevel leaves of the outermost layer; a channel within walls of foam.
  const fullerStrip = strip(params.fullerMm, (bevel?.widthMm ?? 0) + FULLER_MARGIN_MM);
  const lightStrip = strip(params.windowMm, WALL_MM / 2);
  const fuller = (layer: Layer): PlateCut[] => {
    const outermost = layer.index === 0 || layer.index === layer.count - 1;
    if (params.fullerMm <= 0 || !outermost || top - bottom < 40 || fullerStrip.length < 3) return [];
    const alone = layer.count === 1;
    const depthMm = Math.min(2, layer.foam.thicknessMm.value / 3);
    const cut = (face: 'inner' | 'outer'): PlateCut => ({
      id: `fuller-${face}`,
      name: `fuller ${trimNumber(params.fullerMm)} mm`,
      outline: fullerStrip,
      recess: { depthMm, face },
    });
    return alone ? [cut('inner'), cut('outer')] : [cut(layer.index === 0 ? 'inner' : 'outer')];
  };
  const hollowed = innerLayers(stack);
  const window = (layer: Layer): PlateCut[] =>
    params.windowMm > 0 &&
    lightStrip.length >= 3 &&
    hollowed.some((l) => l.index === layer.index) &&
    top - bottom > 40
      ? [
          {
            id: 'light',
            name: `light channel ${trimNumber(params.windowMm)} mm`,
            outline: lightStrip,
          },
        ]
      : [];
  // A pipe that ends at the shoulder takes the tang in its bore; every other stick lies in a channel.
  const handle = through.find((c) => c.section.shape === 'tube' && c.to.z < 20);
  const channelled = through.filter((c) => c !== handle);
  const panels = laminate({
    id: 'blade',
    outline,
    ...(tang && { square: tang }),
    stack,
    ...(bevel && { bevel }),
    through: channelled,
    cuts: (layer) => [...fuller(layer), ...window(layer)],
  });
  const checks: Check[] = [
    ...narrowed('fuller', params.fullerMm, fullerStrip, 'fullerMm'),
    ...narrowed('light channel', params.windowMm, lightStrip, 'windowMm'),
  ];
  for (const stick of channelled) {
    const lying = lyingIn(stick);
    if (!lying || lying.to < 0) continue;
    const [wide, thick] = sizeOf(stick.section);
    const end = Math.min(lying.to, params.lengthMm);
    checks.push(
      ...wallCheck(
        `wall-${stick.id}`,
        stick.name,
        halfWidthAt(outline, Math.max(1, end - 1)) - wide / 2,
        WALL_MM,
      ),
      ...wallCheck(
        `skin-${stick.id}`,
        `${stick.name} in ${trimNumber(total)} mm of layers`,
        (total - thick) / 2,
        SKIN_MM,
      ).map((c): Check => ({ ...c, remedies: [] })),
    );
    if (lying.to > params.lengthMm - TIP_MM)
      checks.push({
        id: `core-tip-${stick.id}`,
        severity: 'stop',
        station: 'shape',
        title: `${stick.name} reaches to ${trimNumber(params.lengthMm - lying.to, 0)} mm from the point; keep ${TIP_MM} mm of foam over a hard end.`,
        why: 'A hard core comes through the point at the first knock; most events refuse it.',
        provenance: 'practice',
        excess: lying.to - params.lengthMm + TIP_MM,
        remedies: [
          setting(`Blade ${Math.ceil(lying.to + TIP_MM)} mm long`, {
            lengthMm: Math.min(2500, Math.ceil(lying.to + TIP_MM)),
          }),
        ],
      });
  }
  if (handle && handle.section.shape === 'tube' && tang) {
    const { boreMm } = handle.section;
    const diagonal = Math.hypot(Math.min(params.tangWidthMm, params.widthMm), total);
    const fits = boreMm > total ? Math.floor(Math.sqrt(boreMm ** 2 - total ** 2)) : 0;
    if (diagonal > boreMm)
      checks.push({
        id: 'tang-bore',
        severity: 'stop',
        station: 'shape',
        title: `the tang is ${trimNumber(diagonal)} mm corner to corner, the bore of ${handle.name} ${trimNumber(boreMm)} mm.`,
        why:
          fits > 0
            ? `At ${trimNumber(total)} mm thick it may be ${fits} mm wide.`
            : 'The layers alone are thicker than the bore.',
        provenance: 'standard',
        excess: diagonal - boreMm,
        remedies: fits >= 6 ? [setting(`Tang ${fits} mm wide`, { tangWidthMm: fits })] : [],
      });
    const bore = handle.to.z - handle.from.z;
    if (params.tangMm > bore)
      checks.push({
        id: 'tang-long',
        severity: 'mind',
        station: 'shape',
        title: `the tang is ${trimNumber(params.tangMm - bore, 0)} mm longer than the hollow handle.`,
        why: 'What lies in the handle besides (pack, switch) needs its length too.',
        provenance: 'standard',
        excess: params.tangMm - bore,
        remedies: [setting(`Tang ${Math.floor(bore)} mm long`, { tangMm: Math.floor(bore) })],
      });
  }
  if (
    params.point !== 'square' &&
    params.point !== 'round' &&
    through.length > 0 &&
    params.pointMm > 3 * SHARP_MM
  )
    checks.push({
      id: 'soft-tip',
      severity: 'note',
      station: 'shape',
      title: `the last ${SHARP_MM} mm of the point are thin foam: round them over, or make them of soft block.`,
      why: 'Points tear first and poke others; event rules decide what may be pointed.',
      provenance: 'practice',
      excess: 1,
      remedies: [],
    });
  return {
    panels,
    joins: [],
    roomMm: 0,
    rooms:
      params.windowMm > 0 && lightStrip.length >= 3
        ? hollowRoom('light', 'light channel', lightStrip, {
            stack,
            within: outline,
            ...(bevel && { bevel }),
          })
        : [],
    figures: layerFigures(stack, bevel),
    checks,
  };
}

export const blade = defineForm<BladeParams>({
  kind: 'blade',
  label: 'Blade',
  summary: 'Layers with bevelled edges, a channel for what carries it, fuller and tang.',
  zones: [],
  rides: { anchor: 'hand', alongMm: 90 },
  fields,
  developable: true,
  sheets: 'layers',
  startStack: fourLayers,
  defaults: () => ({
    lengthMm: 780,
    widthMm: 70,
    tipWidthMm: 52,
    point: 'spear',
    pointMm: 90,
    bevelMm: 18,
    edgeMm: 4,
    edges: 'both',
    profile: 'slope',
    fullerMm: 0,
    tangMm: 0,
    tangWidthMm: 24,
    windowMm: 0,
  }),
  design,
  silhouette: (params) => [...bladeOutline(params)],
});
