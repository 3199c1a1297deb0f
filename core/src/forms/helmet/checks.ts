import type { Body } from '../../body/estimate';
import { trimNumber } from '../../units/length';
import type { FormCheck } from '../contract';
import type { HelmetParams } from './params';
import { sightLeast, sightWanted, type Sight } from './sight';

/** Seeing, hearing, breathing and getting in: what a maker must know before cutting. */
export function helmetChecks(
  params: HelmetParams,
  body: Body,
  sight: Sight,
  neckOpening: number,
): FormCheck[] {
  const slitted = params.visor === 'slit';
  const checks: FormCheck[] = [];
  const poor = sight.sideDeg < sightWanted.sideDeg || sight.downDeg < sightWanted.downDeg;
  if (poor) {
    const stop = sight.sideDeg < sightLeast.sideDeg || sight.downDeg < sightLeast.downDeg;
    checks.push({
      id: 'sight',
      severity: stop ? 'stop' : 'mind',
      title: `sees ${trimNumber(sight.sideDeg, 0)}° to each side and ${trimNumber(sight.downDeg, 0)}° down; walking safely wants ${sightWanted.sideDeg}° and ${sightWanted.downDeg}°.`,
      why: 'Worked out from the eye points; real eyes differ. Have a guide on stairs and in crowds whatever the figure says.',
      sure: 'memory',
      cures: slitted
        ? [
            {
              label: `Slit ${Math.min(60, params.slitMm + 14)} mm, ${params.slitDropMm + 6} mm lower`,
              set: {
                slitMm: Math.min(60, params.slitMm + 14),
                slitDropMm: Math.min(30, params.slitDropMm + 6),
              },
            },
            { label: 'Open visor', set: { visor: 'open' } },
          ]
        : [
            {
              label: `Face opening ${Math.min(85, params.faceDeg + 12)}°`,
              set: { faceDeg: Math.min(85, params.faceDeg + 12) },
            },
          ],
    });
  }
  if (params.ears === 'covered') {
    checks.push({
      id: 'ears',
      severity: 'stop',
      title: 'both ears are covered with no opening.',
      why: 'A wearer who cannot hear cannot be warned.',
      sure: 'practice',
      cures: [{ label: 'Cut ear openings', set: { ears: 'open' } }],
    });
  }
  if (slitted && params.breath === 'none') {
    checks.push({
      id: 'breath',
      severity: 'mind',
      title: 'no air opening near the mouth behind a closed visor.',
      why: 'Heat and breath gather; take it off at the first dizziness.',
      sure: 'practice',
      cures: [{ label: 'Air holes', set: { breath: 'holes' } }],
    });
  }
  if (neckOpening < body.headGirth.valueMm) {
    checks.push({
      id: 'neck',
      severity: 'stop',
      title: `the lower opening is ${trimNumber(neckOpening, 0)} mm round; the head needs ${trimNumber(body.headGirth.valueMm, 0)} mm.`,
      why: 'The helmet goes on over the widest part of the head.',
      sure: 'standard',
      cures: [{ label: 'Padding +3 mm', set: { paddingMm: params.paddingMm + 3 } }],
    });
  }
  return checks;
}
