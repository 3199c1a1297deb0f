import { strainLimits } from './bend';

/** A formed shell with an open gap, thought of as an arc of the foam's neutral layer. */
export interface OpenShell {
  /** Girth of the closed inside, mm. */
  insideGirthMm: number;
  gapMm: number;
  thicknessMm: number;
  neutralFraction: number;
}

/**
 * Chord of the mouth when the shell is sprung open by hand: the change of curvature may strain the
 * faces by no more than the cold limit. A circular arc of length S bent to curvature κ′ has the chord
 * 2·sin(S·κ′/2)/κ′ between its ends (plane geometry); past a half turn the mouth is narrower than the arc.
 */
export function sprungMouthMm({ insideGirthMm, gapMm, thicknessMm, neutralFraction }: OpenShell): number {
  const arcMm = insideGirthMm - gapMm;
  const closed = (2 * Math.PI) / insideGirthMm;
  const release = strainLimits.cold / (Math.max(neutralFraction, 1 - neutralFraction) * thicknessMm);
  const opened = Math.max(closed - release, 0);
  if (opened * arcMm < 1e-6) return arcMm;
  return (2 * Math.sin((arcMm * opened) / 2)) / opened;
}

/** Largest girth that can pass the sprung shell: its own arc and the straight line across the mouth. */
export const sprungOpeningMm = (shell: OpenShell): number =>
  shell.insideGirthMm - shell.gapMm + Math.max(shell.gapMm, sprungMouthMm(shell));
