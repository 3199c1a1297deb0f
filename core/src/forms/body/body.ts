import { type Check, choice, length, type ParamsOf } from '../../document';
import { boundsOf, contains } from '../../geometry';
import { rods } from '../../materials';
import type { Stick, Section } from '../../panel';
import { trimNumber } from '../../units';
import { defineForm, type Design, type FormInput } from '../contract';
import { boreRoom } from '../held/bore';
import { drawnCheck } from '../held/checks';
import { bevelledNodes, drawnOutline, sidedOutlineField, squareSides } from '../../outline';
import { ringCuts, ringsField } from '../held/rings';
import { profileField, sloping } from '../held/edges';
import { fitBevel, fourLayers, laminate, stackMm } from '../held/laminate';
import { wallCheck } from '../held/seat';
import { layerFigures } from '../held/hollow';

const hasBarrel = (params: object): boolean => (params as { barrel?: string }).barrel !== 'none';

const fields = [
  choice(
    'barrel',
    'Barrel',
    [
      ['none', 'none'],
      ...rods.filter((r) => r.shape === 'tube').map((r): [string, string] => [r.id, r.name]),
    ],
    'Pipe laid in a channel between the layers.',
    'Barrel',
    { open: true },
  ),
  length('barrelMm', 'Barrel length', [30, 1500], 'From breech to muzzle.', 'Barrel', { when: hasBarrel }),
  length(
    'barrelUpMm',
    'Barrel up',
    [-500, 1000],
    'Middle of the bore above the foot of the drawing.',
    'Barrel',
    {
      when: hasBarrel,
    },
  ),
  length('breechMm', 'Breech at', [-1000, 1000], 'Across from the middle line.', 'Barrel', {
    when: hasBarrel,
  }),
  length('bevelMm', 'Edge eased', [0, 30], 'From the edge inwards, both faces.', 'Edge'),
  profileField,
  length('handMm', 'Hand up', [-500, 1000], 'Middle of the fist above the foot of the drawing.', 'Hold', {
    only: 'carried',
  }),
  sidedOutlineField(() => true),
  ringsField(() => true),
] as const;

export type BodyParams = ParamsOf<typeof fields>;

/** Grip and frame of a pistol, muzzle to the right. */
const start = bevelledNodes([
  { xMm: -52, yMm: 0, node: 'corner' },
  { xMm: -8, yMm: 0, node: 'corner' },
  { xMm: 8, yMm: 70, node: 'smooth' },
  { xMm: 20, yMm: 88, node: 'corner' },
  { xMm: 150, yMm: 92, node: 'corner' },
  { xMm: 150, yMm: 132, node: 'corner' },
  { xMm: -40, yMm: 138, node: 'corner' },
  { xMm: -62, yMm: 112, node: 'smooth' },
  { xMm: -44, yMm: 92, node: 'smooth' },
]);

const LEAST_SKIN_MM = 3;

function design({ params, stack, through, rods: known }: FormInput<BodyParams>): Design {
  const total = stackMm(stack);
  const { outline, crosses } = drawnOutline(params.outline);
  const rod = known.find((r) => r.id === params.barrel && r.shape === 'tube');
  const section: Section | undefined = rod && {
    shape: 'tube',
    outsideMm: rod.acrossMm.value,
    boreMm: rod.acrossMm.value - 2 * (rod.wallMm?.value ?? 0),
  };
  // Outlines are seen from the front, where x runs to the left of the figure's.
  const at = (x: number) => ({ x: -x, y: 0, z: params.barrelUpMm });
  const barrel: Stick[] =
    rod && section
      ? [
          {
            id: 'barrel',
            name: rod.name,
            rodId: rod.id,
            from: at(params.breechMm),
            to: at(params.breechMm + params.barrelMm),
            wide: { x: 0, y: 0, z: 1 },
            section,
            cutMm: [params.barrelMm],
            ...(section.shape === 'tube' && { opens: true as const }),
          },
        ]
      : [];
  const b = boundsOf(outline);
  const rings = ringCuts(params.rings, outline);
  const checks: Check[] = [...drawnCheck(crosses), ...rings.checks];
  const bevel =
    params.bevelMm > 0
      ? fitBevel(outline, {
          widthMm: params.bevelMm,
          edgeMm: total * 0.6,
          profile: params.profile,
          ...sloping('all', squareSides(params.outline)),
        })
      : undefined;
  if (section && section.shape === 'tube') {
    checks.push(
      ...wallCheck(
        'barrel-skin',
        `${rod!.name} in ${trimNumber(total)} mm of layers`,
        (total - section.outsideMm) / 2,
        LEAST_SKIN_MM,
      ).map((c): Check => ({ ...c, remedies: [] })),
    );
    const edge = Math.min(params.barrelUpMm - b.minY, b.maxY - params.barrelUpMm) - section.outsideMm / 2;
    if (
      edge < 0 ||
      !contains(outline, {
        x: Math.min(b.maxX - 1, Math.max(b.minX + 1, params.breechMm + 2)),
        y: params.barrelUpMm,
      })
    )
      checks.push({
        id: 'barrel-in',
        severity: 'mind',
        station: 'shape',
        title: 'the barrel does not lie within the body at its breech.',
        why: 'Its channel would break through the edge; move the barrel up or down, or draw the body round it.',
        provenance: 'standard',
        excess: Math.max(1, -edge),
        remedies: [],
      });
    checks.push({
      id: 'barrel-end',
      severity: 'note',
      station: 'shape',
      title: 'an open barrel may not be admitted: plug it, paint its end bright, or make it solid.',
      why: 'Many events ask for no opening at the muzzle and for a bright end; their rules decide.',
      provenance: 'practice',
      excess: 1,
      remedies: [],
    });
  }
  return {
    panels: laminate({
      id: 'body',
      outline,
      stack,
      ...(bevel && { bevel }),
      cuts: () => rings.cuts,
      through: [...barrel, ...through],
    }),
    joins: [],
    roomMm: 0,
    sticks: barrel,
    heldTurnDeg: -90,
    heldAt: { x: -(b.minX * 0.6), y: 0, z: params.handMm },
    // There is no muzzle to hang anything on where there is no barrel.
    anchors: !hasBarrel(params)
      ? []
      : [
          {
            id: 'muzzle',
            name: 'muzzle of the barrel',
            at: at(params.breechMm + params.barrelMm),
            out: { x: -1, y: 0, z: 0 },
            up: { x: 0, y: 1, z: 0 },
            along: { x: -1, y: 0, z: 0 },
          },
          {
            id: 'breech',
            name: 'breech of the barrel',
            at: at(params.breechMm),
            out: { x: -1, y: 0, z: 0 },
            up: { x: 0, y: 1, z: 0 },
            along: { x: -1, y: 0, z: 0 },
          },
        ],
    rooms:
      section && section.shape === 'tube'
        ? [
            {
              ...boreRoom('bore', 'bore of the barrel', section.boreMm, at(params.breechMm), params.barrelMm),
              toSpace: (p, depth) => ({
                x: -(params.breechMm + p.y),
                y: Math.sqrt(Math.max(0, (section.boreMm / 2) ** 2 - p.x ** 2)) - depth,
                z: params.barrelUpMm + p.x,
              }),
            },
          ]
        : [],
    figures: layerFigures(stack),
    checks,
  };
}

export const propBody = defineForm<BodyParams>({
  kind: 'prop-body',
  label: 'Blaster or tool body',
  summary: 'A drawn side laminated to width, with a pipe for a barrel between the layers.',
  zones: ['hand'],
  fields,
  developable: true,
  sheets: 'layers',
  startStack: fourLayers,
  defaults: () => ({
    barrel: 'pvc-20mm',
    barrelMm: 190,
    barrelUpMm: 114,
    breechMm: 10,
    bevelMm: 3,
    profile: 'slope',
    handMm: 45,
    outline: start,
    rings: [],
  }),
  design,
  silhouette: (params) => drawnOutline(params.outline).outline,
});
