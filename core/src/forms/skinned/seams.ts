import type { KeptMesh } from '../../document';
import { type Proposal, proposing, spanned } from '../../skin';
import { type SkinParams, STAND_IN } from './fields';
import { faceOf, namedMesh, rowsOf } from './surface';

/** Seams that are proposed: so many pieces, the stretch that is left, and what to keep. */
export interface ProposedSeams extends Pick<Proposal, 'pieces' | 'stretch'> {
  cuts: SkinParams['cuts'];
}

/** Seams for the surface of a part, better and better, within its stretch and its most pieces. */
export function* proposedSeams(
  params: SkinParams & { stretchPct: number },
  meshes: readonly KeptMesh[],
  thicknessMm: number,
): Generator<ProposedSeams, void> {
  const named = namedMesh(params.mesh, meshes) ?? namedMesh(STAND_IN, [])!;
  for (const { cuts, pieces, stretch } of proposing(
    spanned(faceOf(named, params, thicknessMm).mesh).mesh,
    params.stretchPct / 100,
    params.most,
  ))
    yield { cuts: rowsOf(cuts), pieces, stretch };
}
