import { ellipsePerimeter, type Vec3 } from '../../geometry';
import { defineForm, type Design, type FormInput } from '../contract';
import { strapOver } from '../straps';
import type { Panel } from '../../panel';
import { helmetChecks } from './checks';
import { dome } from './dome';
import { BROW_DEG, helmetFrame, rad, type HelmetFrame } from './frame';
import { crestPanel, lowerWall, VISOR_AIR_MM, visorPanel, VISOR_PAST_DEG } from './lower';
import { helmetDefaults, helmetFields, type HelmetParams } from './params';
import { sightThrough, type Sight } from './sight';

/** Field of view through the slit, or through the face opening when there is none. */
function sightOf(
  params: HelmetParams,
  { eye, axes, centre, browZ, bottomZ }: HelmetFrame,
  faceMm: number,
): Sight {
  const front = centre.y + axes.y + (params.visor === 'none' ? 0 : faceMm);
  const slitted = params.visor === 'slit';
  const side = rad(slitted ? (params.faceDeg + VISOR_PAST_DEG) * 0.76 : params.faceDeg);
  return sightThrough(eye, {
    halfWidthMm: axes.x * Math.sin(side),
    sideY: centre.y + axes.y * Math.cos(side),
    topZ: slitted ? eye.z - params.slitDropMm + params.slitMm / 2 : browZ,
    bottomZ: slitted ? eye.z - params.slitDropMm - params.slitMm / 2 : bottomZ,
    frontY: front,
  });
}

/** How far the drawn lines of sight run from the eye. */
const SIGHT_MM = 320;

/** The cone of what is seen, from the eye: its four limits and its rim. */
function sightLines(eye: Vec3, { sideDeg, upDeg, downDeg }: Sight): Vec3[][] {
  const to = (side: number, up: number): Vec3 => ({
    x: eye.x + SIGHT_MM * Math.sin(rad(side)) * Math.cos(rad(up)),
    y: eye.y + SIGHT_MM * Math.cos(rad(side)) * Math.cos(rad(up)),
    z: eye.z + SIGHT_MM * Math.sin(rad(up)),
  });
  const rim = Array.from({ length: 49 }, (_, i) => {
    const t = (i / 48) * 2 * Math.PI;
    return to(sideDeg * Math.cos(t), Math.sin(t) > 0 ? upDeg * Math.sin(t) : downDeg * Math.sin(t));
  });
  return [[eye, to(sideDeg, 0)], [eye, to(-sideDeg, 0)], [eye, to(0, upDeg)], [eye, to(0, -downDeg)], rim];
}

function design(input: FormInput<HelmetParams>): Design {
  const { params, body, foam, own, liningMm } = input;
  const frame = helmetFrame(input);
  const { axes, centre, bottomZ, eye } = frame;
  // Out to the face of the visor, whose edges limit what is seen.
  const faceMm = foam.thicknessMm.value + VISOR_AIR_MM + own(params.visorFoam).foam.thicknessMm.value;
  const upper = dome(input, frame, foam.thicknessMm.value);
  const plates = upper.panels.filter((p) => !p.attached);
  const lower = lowerWall(params, frame, plates);
  const panels: Panel[] = [
    ...upper.panels,
    ...lower.panels,
    ...visorPanel(input, frame, lower.panels),
    ...crestPanel(params, frame, foam.thicknessMm.value, plates),
  ];
  const sight = sightOf(params, frame, faceMm);
  const brow = Math.cos(rad(BROW_DEG));
  const opening = ellipsePerimeter({ a: axes.x * brow - liningMm, b: axes.y * brow - liningMm });
  return {
    panels,
    joins: [...upper.joins, ...lower.joins],
    checks: helmetChecks(params, body, sight, opening),
    roomMm: params.paddingMm,
    padded: true,
    measures: ['headGirth', 'headBreadth', 'headLength', 'headHeight', 'eyeDepth'],
    fastenings: [strapOver(body.headHeight.valueMm * 1.35, 'under the chin, from cheek to cheek')],
    anchors: [
      {
        id: 'crown',
        name: 'crown',
        at: { x: 0, y: centre.y, z: centre.z + axes.z + foam.thicknessMm.value },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
      },
    ],
    clearances: [
      {
        what: 'the head through the lower opening',
        openingMm: opening,
        needMm: body.headGirth.valueMm,
        at: { x: 0, y: centre.y, z: bottomZ },
      },
    ],
    sight: sightLines(eye, sight),
    figures: [
      { key: 'side', label: 'sees to each side', value: sight.sideDeg, unit: 'deg', decimals: 0 },
      { key: 'down', label: 'sees down', value: sight.downDeg, unit: 'deg', decimals: 0 },
      { key: 'up', label: 'sees up', value: sight.upDeg, unit: 'deg', decimals: 0 },
    ],
  };
}

export const helmet = defineForm<HelmetParams>({
  kind: 'helmet',
  label: 'Helmet',
  zones: ['head'],
  summary: 'From the head form and padding: dome, skirt or cheeks, visor with a slit, crest.',
  fields: helmetFields,
  defaults: helmetDefaults,
  design,
  silhouette: ({ skirtMm, crestMm }) => [
    { x: -90, y: -skirtMm },
    { x: 90, y: -skirtMm },
    { x: 92, y: 0 },
    { x: 70, y: 75 },
    { x: 14, y: 105 + crestMm },
    { x: -14, y: 105 + crestMm },
    { x: -70, y: 75 },
    { x: -92, y: 0 },
  ],
});
