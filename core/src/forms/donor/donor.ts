import type { Vec2 } from '../../geometry';
import type { Panel, Room } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { rectangle } from '../held/outlines';
import { checksOf, spikeChecks } from './checks';
import { caseDefaults, type DonorParams, fields } from './fields';
import { drawnCheck } from '../held/checks';
import { cornerNodes, drawnOutline } from '../../outline';
import { type Cell, cellRoom, drawnRoom, roundRoom, sectionRoom, withRibs } from './hollow';
import { type Outside, outsideOf, within } from './outside';
import { boxWalls, outlineWalls, roundWalls, sectionWalls } from '../held/walls';
import { asDescribed } from './described';
import { boughtOf, workOf } from './work';

/** Rooms as they were measured, or the whole hollow of its shape. */
function roomsOf(params: DonorParams, out: Outside, drawn: readonly Vec2[]): Room[] {
  const { shape, wallMm, girths, wideMm, highMm, deepMm } = params;
  const cell = (id: string, name: string, of: Cell): Room => {
    const own = within(of, out, wallMm);
    return cellRoom(id, name, own, out.frontAt(own.upMm) - wallMm);
  };
  if (params.rooms.length > 0) return params.rooms.map((of, i) => cell(`room-${i + 1}`, `room ${i + 1}`, of));
  if (shape === 'round') return [roundRoom(girths, wallMm)];
  if (shape === 'box')
    return [cell('inside', 'inside', { acrossMm: 0, upMm: out.highMm / 2, wideMm, highMm, deepMm })];
  const whole = shape === 'outline' ? drawnRoom(drawn, deepMm, wallMm) : sectionRoom(drawn, highMm, wallMm);
  return whole ? [whole] : [];
}

function wallsOf(params: DonorParams, drawn: readonly Vec2[]): Panel[] {
  const { shape, wallMm, girths, wideMm, highMm, deepMm } = params;
  const walls =
    shape === 'round'
      ? roundWalls(girths, wallMm, { top: true, foot: true })
      : shape === 'outline'
        ? outlineWalls(drawn, deepMm, wallMm)
        : shape === 'section'
          ? sectionWalls(drawn, highMm, wallMm)
          : boxWalls(wideMm, deepMm, highMm, wallMm);
  return asDescribed(walls, params);
}

function design({ params }: FormInput<DonorParams>): Design {
  const { massG } = params;
  const out = outsideOf(params);
  const drawn = drawnOutline(params.outline);
  const rooms = roomsOf(params, out, drawn.outline).map((room) => withRibs(room, params.ribs));
  const middle = { x: 0, y: 0, z: (out.footMm + out.highMm) / 2 };
  return {
    panels: wallsOf(params, drawn.outline),
    joins: [],
    roomMm: 0,
    rooms,
    ballast: [{ what: 'the thing itself', massG, at: middle }],
    anchors: [
      {
        id: 'top',
        name: 'top',
        at: { ...middle, z: out.highMm },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
      },
      {
        id: 'foot',
        name: 'foot',
        at: { ...middle, z: out.footMm },
        out: { x: 0, y: 0, z: -1 },
        up: { x: 0, y: 1, z: 0 },
      },
    ],
    work: workOf(params),
    bought: boughtOf(params),
    figures: [
      { key: 'wide', label: 'wide outside', value: out.wideMm, unit: 'mm', decimals: 0 },
      { key: 'high', label: 'high outside', value: out.highMm - out.footMm, unit: 'mm', decimals: 0 },
    ],
    checks: [
      ...checksOf(params, out),
      ...(params.shape === 'outline' || params.shape === 'section'
        ? [...drawnCheck(drawn.crosses), ...spikeChecks(drawn.outline)]
        : []),
    ],
  };
}

export const donor = defineForm<DonorParams>({
  kind: 'donor',
  label: 'Bought thing, opened up',
  zones: [],
  developable: true,
  sheets: 'existing',
  summary: 'A toy, torch or case described by what it is outside and where it has room inside.',
  fields,
  defaults: () => ({
    shape: 'box',
    wideMm: 70,
    highMm: 90,
    deepMm: 36,
    girths: [
      { zMm: 0, girthMm: 200 },
      { zMm: 60, girthMm: 200 },
    ],
    outline: cornerNodes([
      [-35, 0],
      [35, 0],
      [35, 60],
      [15, 90],
      [-15, 90],
      [-35, 60],
    ]),
    ...caseDefaults,
    rooms: [],
    ribs: [],
  }),
  design,
  silhouette: (params) => {
    if (params.shape === 'outline') return drawnOutline(params.outline).outline;
    const out = outsideOf(params);
    return rectangle(
      { x: 0, y: (out.footMm + out.highMm) / 2 },
      out.wideMm,
      Math.max(1, out.highMm - out.footMm),
    );
  },
});
