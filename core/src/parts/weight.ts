import { byId } from '../units';
import {
  dist3,
  meshWeight,
  pointWeight,
  rodWeight,
  togetherWeight,
  type Weight,
  joinMeshes,
} from '../geometry';
import { type Catalogue, rodMatters } from '../materials';
import { type Stick, eachOf, type Piece, sectionAreaMm2, skinMesh } from '../panel';
import type { MadePart } from './made';

/** Foam of one piece once it is shaped. */
export const pieceG = (p: Piece): number =>
  p.trial ? 0 : (p.volumeMm3 ?? p.areaMm2 * p.thicknessMm) * p.densityKgM3 * 1e-6;

const stickG = (stick: Stick, { rods }: Catalogue): number => {
  const rod = byId(rods, stick.rodId);
  const density = rod ? rodMatters[rod.matter].densityKgM3.value : 1000;
  return sectionAreaMm2(stick.section) * dist3(stick.from, stick.to) * density * 1e-6;
};

/** Pipes, dowels and bars of one copy. */
export const sticksG = (sticks: readonly Stick[], catalogue: Catalogue): number =>
  sticks.reduce((sum, c) => sum + stickG(c, catalogue), 0);

/**
 * Where the mass of a part lies: every panel as the solid it is, sticks along their lines, what is put in where it sits,
 * what is laid on as the solids of it; finish, glue and straps are spread as the foam is.
 */
export function weightOf(
  { laid, featured, model }: MadePart,
  pieces: readonly Piece[],
  catalogue: Catalogue,
  totalG: number,
): Weight {
  const shell = laid.map((skin) => meshWeight(skinMesh(skin).mesh, pieceG(skin.piece)));
  const sticks = model.sticks.map((c) => rodWeight(c.from, c.to, stickG(c, catalogue)));
  const laidG = pieces.filter((p) => p.role === 'laid').reduce((sum, p) => sum + pieceG(p) * eachOf(p), 0);
  const known = togetherWeight([
    ...shell,
    meshWeight(joinMeshes(featured.solids), laidG),
    ...sticks,
    ...featured.items.map((i) => pointWeight(i.massG, i.at)),
    ...model.ballast.map((b) => pointWeight(b.massG, b.at)),
  ]);
  // On the foam where there is any, else on the sticks.
  const foam = togetherWeight(shell);
  const bare = togetherWeight(sticks);
  const under = foam.massG > 0 ? foam : bare.massG > 0 ? bare : known;
  const restG = totalG - known.massG;
  if (under.massG === 0) return known;
  const by = restG / under.massG;
  const { xx, yy, zz, xy, xz, yz } = under.spread;
  const rest = {
    massG: restG,
    at: under.at,
    spread: { xx: xx * by, yy: yy * by, zz: zz * by, xy: xy * by, xz: xz * by, yz: yz * by },
  };
  return togetherWeight([known, rest]);
}
