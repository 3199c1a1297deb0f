import type { Body } from '../../body';
import { trimNumber } from '../../units';
import { type Check, type Proposal, setting } from '../../document';
import type { HelmetParams } from './params';
import { sightLeast, sightWanted, type Sight } from './sight';

/** Seeing, hearing, breathing and getting in: what a maker must know before cutting. */
export function helmetChecks(params: HelmetParams, body: Body, sight: Sight, neckOpening: number): Check[] {
  const slitted = params.visor === 'slit';
  const checks: Check[] = [];
  const poor = sight.sideDeg < sightWanted.sideDeg || sight.downDeg < sightWanted.downDeg;
  if (poor) {
    const stop = sight.sideDeg < sightLeast.sideDeg || sight.downDeg < sightLeast.downDeg;
    checks.push({
      id: 'sight',
      severity: stop ? 'stop' : 'mind',
      station: 'shape',
      title: `sees ${trimNumber(sight.sideDeg, 0)}° to each side and ${trimNumber(sight.downDeg, 0)}° down; walking safely wants ${sightWanted.sideDeg}° and ${sightWanted.downDeg}°.`,
      why: 'Worked out from the eye points; real eyes differ. Have a guide on stairs and in crowds whatever the figure says.',
      provenance: 'memory',
      excess:
        Math.max(0, sightWanted.sideDeg - sight.sideDeg) + Math.max(0, sightWanted.downDeg - sight.downDeg),
      remedies: slitted ? slitCures(params) : faceCures(params),
    });
  }
  if (params.ears === 'covered') {
    checks.push({
      id: 'ears',
      severity: 'stop',
      station: 'shape',
      title: 'both ears are covered with no opening.',
      why: 'A wearer who cannot hear cannot be warned.',
      provenance: 'practice',
      excess: 1,
      remedies: [setting('Cut ear openings', { ears: 'open' })],
    });
  }
  if (slitted && params.breath === 'none') {
    checks.push({
      id: 'breath',
      severity: 'mind',
      station: 'shape',
      title: 'no air opening near the mouth behind a closed visor.',
      why: 'Heat and breath gather; take it off at the first dizziness.',
      provenance: 'practice',
      excess: 1,
      remedies: [setting('Air holes', { breath: 'holes' })],
    });
  }
  if (neckOpening < body.headGirth.valueMm) {
    checks.push({
      id: 'neck',
      severity: 'stop',
      station: 'shape',
      title: `the lower opening is ${trimNumber(neckOpening, 0)} mm round; the head needs ${trimNumber(body.headGirth.valueMm, 0)} mm.`,
      why: 'The helmet goes on over the widest part of the head.',
      provenance: 'standard',
      excess: body.headGirth.valueMm - neckOpening,
      remedies: [{ need: 'girth', mm: body.headGirth.valueMm - neckOpening }],
    });
  }
  return checks;
}

/** A taller and lower slit, then no visor at all. */
function slitCures(params: HelmetParams): Proposal[] {
  const slits = [1, 2].map((n) => ({
    slitMm: Math.min(60, params.slitMm + 14 * n),
    slitDropMm: Math.min(30, params.slitDropMm + 6 * n),
  }));
  return [
    ...slits.map((s) => setting(`Slit ${s.slitMm} mm, ${s.slitDropMm} mm below the eyes`, s)),
    setting('Open visor', { visor: 'open' }),
  ];
}

const faceCures = (params: HelmetParams): Proposal[] =>
  [12, 24, 36]
    .map((by) => Math.min(90, params.faceDeg + by))
    .map((faceDeg) => setting(`Face opening ${faceDeg}°`, { faceDeg }));
