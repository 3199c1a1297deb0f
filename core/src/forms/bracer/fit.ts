import { armGirthMm, armSection, armStations, handPassMm, upperArmGirthMm } from '../../body/arm';
import type { FormInput } from '../contract';
import { elbowFlexionDeg, openingMm, wantedFlexionDeg, type LimbFit } from '../limbFit';
import type { BracerParams } from './params';
import type { BracerSurface } from './surface';

/** Bend of the elbow with a cut-away of `cutMm`, from the section in the plane of the bend. */
function flexionWithCut(
  { params, body, foam, underLayerMm }: FormInput<BracerParams>,
  surface: BracerSurface,
  cutMm: number,
): number {
  const cornerAt = params.endMm - cutMm;
  const section = armSection(body, cornerAt);
  const outMm = section.a + surface.outMm + foam.thicknessMm.value;
  const upperArm = upperArmGirthMm(body) / (2 * Math.PI) + underLayerMm;
  return elbowFlexionDeg(body.forearmLength.valueMm - cornerAt, outMm, upperArm);
}

/** Shallowest cut-away in whole 5 mm that lets the elbow bend as wanted, if one in range does. */
function deeperCut(input: FormInput<BracerParams>, surface: BracerSurface): number | undefined {
  for (let cut = 5 * Math.ceil(input.params.elbowCutMm / 5); cut <= 120; cut += 5) {
    if (flexionWithCut(input, surface, cut) >= wantedFlexionDeg) return cut;
  }
  return undefined;
}

/** Largest shortfall of girth between the ends, at one of the tape readings the shell covers. */
function bulge(
  { params, body }: FormInput<BracerParams>,
  surface: BracerSurface,
): { misfitMm: number; atMm: number } {
  const covered = armStations(body).filter((s) => s.atMm > params.startMm && s.atMm < params.endMm);
  const candidates = covered.map(({ atMm }) => {
    const share = (atMm - params.startMm) / (params.endMm - params.startMm);
    const available = surface.insideLowMm + (surface.insideHighMm - surface.insideLowMm) * share;
    return { misfitMm: armGirthMm(body, atMm) + 2 * Math.PI * surface.outMm - available, atMm };
  });
  return candidates.reduce(
    (worst, c) => (c.misfitMm > worst.misfitMm ? c : worst),
    candidates[0] ?? { misfitMm: 0, atMm: params.startMm },
  );
}

export function bracerFit(input: FormInput<BracerParams>, surface: BracerSurface): LimbFit {
  const { params, body, foam, underLayerMm } = input;
  const { misfitMm, atMm } = bulge(input, surface);
  const flexionDeg = flexionWithCut(input, surface, params.elbowCutMm);
  const deeper = flexionDeg < wantedFlexionDeg ? deeperCut(input, surface) : undefined;
  return {
    roomMm: surface.outMm - underLayerMm,
    insideGirthMm: surface.insideLowMm,
    openingMm: openingMm({
      closed: params.closure === 'none',
      insideGirthMm: surface.insideLowMm,
      gapMm: params.gapMm,
      thicknessMm: foam.thicknessMm.value,
      neutralFraction: foam.neutralFraction.value,
    }),
    passNeedMm: handPassMm(body),
    bulgeMisfitMm: misfitMm,
    bulgeAtMm: atMm,
    flexionDeg,
    ...(deeper !== undefined && { deeperCutMm: deeper }),
  };
}
