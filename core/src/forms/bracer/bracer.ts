import { bendStrain } from '../../foam/bend';
import { contains, distanceToEdge } from '../../geometry/polygon';
import type { Vec2 } from '../../geometry/vec';
import type { FormInput, FormKind, FormShape, Outlook, Surface } from '../contract';
import type { Piece, Placement } from '../piece';
import { bracerFit } from './fit';
import { bracerDefaults, bracerFields, type BracerParams } from './params';
import { bracerPanels, joinPanels, type FlatPanel } from './pattern';
import { bracerSolid } from './solid';
import { bracerSurface, onRuling, ruling, trimAt, type BracerSurface } from './surface';

const TURN = 2 * Math.PI;

/** Seen from the back of the arm: cuff edge below with its point, elbow edge above. */
function silhouette(params: BracerParams): Vec2[] {
  const halfLow = 32;
  const halfHigh = 46;
  const span = params.endMm - params.startMm;
  const point = params.wristEnd === 'point' ? -params.pointMm : 0;
  return [
    { x: -halfLow, y: 0 },
    { x: 0, y: point },
    { x: halfLow, y: 0 },
    { x: halfHigh, y: span },
    { x: -halfHigh, y: span },
  ];
}

function placeOn(
  input: FormInput<BracerParams>,
  surface: BracerSurface,
  panels: FlatPanel[],
  aroundDeg: number,
  alongMm: number,
): Placement | undefined {
  const { params, foam } = input;
  const around = (aroundDeg * Math.PI) / 180;
  const turn = (((around - (params.gapAtDeg * Math.PI) / 180) % TURN) + TURN) % TURN;
  const v = (alongMm - params.startMm) / (params.endMm - params.startMm);
  const panel = panels.find((p) => turn <= p.toAngle) ?? panels.at(-1);
  if (!panel) return undefined;
  const r = ruling(surface, around, foam.thicknessMm.value);
  const flat = panel.flatAt(turn, v);
  const [bottom, top] = trimAt(params, around);
  const margin = distanceToEdge(panel.piece.outline, flat);
  const on = contains(panel.piece.outline, flat) && v >= bottom && v <= top;
  return {
    at: onRuling(r, v),
    normal: r.normal,
    pieceId: panel.piece.id,
    flat,
    marginMm: on ? margin : -margin,
  };
}

const ACROSS = 24;
const ALONG = 8;

/** Where a panel lies on the forearm and on the flat, trimmed at both ends. */
function surfaceOf(surface: BracerSurface, params: BracerParams, panel: FlatPanel): Surface {
  const gapAt = (params.gapAtDeg * Math.PI) / 180;
  const mix = (a: number, b: number, t: number): number => a + (b - a) * t;
  const at = (u: number, r: number): { turn: number; v: number } => {
    const middle =
      TURN * mix((panel.left.low + panel.left.high) / 2, (panel.right.low + panel.right.high) / 2, u);
    const [bottom, top] = trimAt(params, gapAt + middle);
    const v = mix(bottom, top, r);
    const turn =
      TURN * mix(mix(panel.left.low, panel.left.high, v), mix(panel.right.low, panel.right.high, v), u);
    return { turn, v };
  };
  const gridOf = <T>(value: (turn: number, v: number) => T): T[][] =>
    Array.from({ length: ALONG + 1 }, (_, r) =>
      Array.from({ length: ACROSS + 1 }, (_, c) => {
        const { turn, v } = at(c / ACROSS, r / ALONG);
        return value(turn, v);
      }),
    );
  return {
    pieceId: panel.piece.id,
    grid: gridOf((turn, v) => onRuling(ruling(surface, gapAt + turn), v)),
    flat: gridOf((turn, v) => panel.flatAt(turn, v)),
  };
}

function shape(input: FormInput<BracerParams>): FormShape {
  const { params, foam, lining } = input;
  const surface = bracerSurface(input);
  const closed = params.closure === 'none';
  const fit = bracerFit(input, surface);
  const shell = bracerPanels(surface, params, foam, 'shell', 0);
  joinPanels(shell, closed);
  const linings = (): Piece[] => {
    if (!lining) return [];
    const panels = bracerPanels(surface, params, lining, 'lining', -lining.thicknessMm.value);
    joinPanels(panels, closed);
    return panels.map((p) => p.piece);
  };
  return {
    solid: () => bracerSolid(surface, params, foam.thicknessMm.value),
    pieces: shell.map((p) => p.piece),
    surfaces: () => shell.map((panel) => surfaceOf(surface, params, panel)),
    rings: [
      {
        name: 'the hand',
        openingMm: fit.openingMm,
        needMm: fit.passNeedMm,
        centre: { x: 0, y: 0, z: params.startMm },
      },
    ],
    sightLines: [],
    linings,
    patternGirthMm: surface.insideHighMm + TURN * foam.neutralFraction.value * foam.thicknessMm.value,
    bendStrain: bendStrain({
      thicknessMm: foam.thicknessMm.value,
      insideRadiusMm: surface.tightestRadiusMm,
      neutralFraction: foam.neutralFraction.value,
    }),
    tightestRadiusMm: surface.tightestRadiusMm,
    fit,
    figures: [],
    checks: [],
    roomMm: surface.outMm - input.underLayerMm,
    place: (aroundDeg, alongMm) => placeOn(input, surface, shell, aroundDeg, alongMm),
  };
}

/** Unrolling is exact and quick, so the outlook is the shape itself. */
function outlook(input: FormInput<BracerParams>): Outlook {
  const { pieces, patternGirthMm, bendStrain: strain, roomMm, fit } = shape(input);
  return {
    areaMm2: pieces.reduce((sum, p) => sum + p.areaMm2, 0),
    patternGirthMm,
    bendStrain: strain,
    roomMm,
    ...(fit && { openingMm: fit.openingMm, passNeedMm: fit.passNeedMm }),
  };
}

/** A shell round the forearm, open or closed, from wrist towards elbow. */
export const bracer: FormKind<BracerParams> = {
  kind: 'bracer',
  label: 'Bracer',
  zone: 'forearm',
  summary: 'A shell round the forearm, from the wrist towards the elbow.',
  fields: bracerFields,
  defaults: bracerDefaults,
  shape,
  outlook,
  silhouette,
};
