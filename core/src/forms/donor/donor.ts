import { defineForm, type Design, type FormInput } from '../contract';
import { rectangle } from '../held/outlines';
import { checksOf, spikeChecks } from './checks';
import { type DonorParams, fields } from './fields';
import { drawnCheck } from '../held/checks';
import { cornerNodes, drawnOutline } from '../held/drawn';
import { cellRoom, drawnRoom, roundRoom } from './hollow';
import { outsideOf, within } from './outside';
import { boxWalls, keptWhole, outlineWalls, roundWalls } from '../held/walls';
import { workOf } from './work';

function design({ params }: FormInput<DonorParams>): Design {
  const { shape, wallMm, massG, girths } = params;
  const out = outsideOf(params);
  const drawn = drawnOutline(params.outline);
  const rooms =
    params.rooms.length > 0
      ? params.rooms.map((cell, i) => {
          const own = within(cell, out, wallMm);
          return cellRoom(`room-${i + 1}`, `room ${i + 1}`, own, out.deepAt(own.upMm) / 2 - wallMm);
        })
      : shape === 'round'
        ? [roundRoom(girths, wallMm)]
        : shape === 'outline'
          ? [drawnRoom(drawn.outline, params.deepMm, wallMm)].filter((room) => room !== undefined)
          : [
              cellRoom(
                'inside',
                'inside',
                within(
                  {
                    acrossMm: 0,
                    upMm: out.highMm / 2,
                    wideMm: params.wideMm,
                    highMm: params.highMm,
                    deepMm: params.deepMm,
                  },
                  out,
                  wallMm,
                ),
                params.deepMm / 2 - wallMm,
              ),
            ];
  const middle = { x: 0, y: 0, z: (out.footMm + out.highMm) / 2 };
  return {
    panels: keptWhole(
      shape === 'round'
        ? roundWalls(girths, wallMm, { top: true, foot: true })
        : shape === 'outline'
          ? outlineWalls(drawn.outline, params.deepMm, wallMm)
          : boxWalls(params.wideMm, params.deepMm, params.highMm, wallMm),
      params.uncut,
    ),
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
    figures: [
      { key: 'wide', label: 'wide outside', value: out.wideMm, unit: 'mm', decimals: 0 },
      { key: 'high', label: 'high outside', value: out.highMm - out.footMm, unit: 'mm', decimals: 0 },
    ],
    checks: [
      ...checksOf(params, out),
      ...(shape === 'outline' ? [...drawnCheck(drawn.crosses), ...spikeChecks(drawn.outline)] : []),
    ],
  };
}

export const donor = defineForm<DonorParams>({
  kind: 'donor',
  label: 'Bought thing, opened up',
  zones: [],
  developable: true,
  sheets: 'given',
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
    wallMm: 2,
    material: 'hard',
    massG: 80,
    opens: 'screws',
    screws: 4,
    uncut: 'none',
    power: 'cells',
    guards: 'no',
    rooms: [],
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
