import type { KeptMesh } from '../../document';
import { type Proposal, proposing, spanned } from '../../skin';
import { type SkinParams, STAND_IN } from './fields';
import { drawnOn, faceOf, namedMesh, rowsOf } from './surface';

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
  const { mesh } = spanned(faceOf(named, params, thicknessMm).mesh);
  const drawn = drawnOn(mesh, params);
  for (const { cuts, pieces, stretch } of proposing(
    mesh,
    params.stretchPct / 100,
    params.most,
    drawn?.charted,
  ))
    yield { cuts: rowsOf(cuts, params.scalePct), pieces, stretch };
}
