import { bendStrain } from '../../foam/bend';
import { contains, distanceToEdge } from '../../geometry/polygon';
import type { Vec2 } from '../../geometry/vec';
import type { FormInput, FormKind, FormShape, Outlook } from '../contract';
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

function shape(input: FormInput<BracerParams>): FormShape {
  const { params, foam, lining } = input;
  const surface = bracerSurface(input);
  const closed = params.closure === 'none';
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
    linings,
    patternGirthMm: surface.insideHighMm + TURN * foam.neutralFraction.value * foam.thicknessMm.value,
    bendStrain: bendStrain({
      thicknessMm: foam.thicknessMm.value,
      insideRadiusMm: surface.tightestRadiusMm,
      neutralFraction: foam.neutralFraction.value,
    }),
    tightestRadiusMm: surface.tightestRadiusMm,
    fit: bracerFit(input, surface),
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
