import { type Body, largerBody, resolveBody } from '../body';
import type { BuildDoc, KeptMesh, Part, Side } from '../document';
import { type Constant, constantOf, type Quantity, quantityKeys } from '../learn';
import { type Catalogue, catalogueWith } from '../materials';
import { type Context, type Kinds, throughOf, timesOf } from '../parts';

/** What every part of a build is worked out from, and the body of each side. */
export interface Surroundings {
  context: Context;
  bodies: Record<Side, Body>;
  constants: Record<Quantity, Constant>;
}

const noMeshes: readonly KeptMesh[] = [];

export function surroundingsOf(doc: BuildDoc, catalogue: Catalogue, kinds: Kinds): Surroundings {
  const { measures, underLayerMm } = doc.wearer;
  const [left, right] = [resolveBody(measures, 'left'), resolveBody(measures, 'right')];
  const body = largerBody(left, right);
  const { habits, readings = [] } = doc.make;
  const constants = Object.fromEntries(quantityKeys.map((key) => [key, constantOf(readings, key)])) as Record<
    Quantity,
    Constant
  >;
  return {
    context: {
      body,
      underLayerMm,
      catalogue: catalogueWith(catalogue, doc.foams),
      stock: doc.stock,
      habits,
      finish: constants.finishMass.factor,
      meshes: doc.meshes ?? noMeshes,
      through: [],
      times: 1,
      kinds,
    },
    bodies: { left, right, pair: body, middle: body },
    constants,
  };
}

/** Whose body a part is made to. */
export const sideOf = ({ mount }: Pick<Part, 'mount'>): Side =>
  mount.to === 'wearer' ? mount.side : 'middle';

/** What one part is worked out from: the body of its side, and the sticks of what it is mounted on. */
export const contextOfPart = (doc: BuildDoc, part: Part, { context, bodies }: Surroundings): Context => ({
  ...context,
  body: bodies[sideOf(part)],
  through: throughOf(part, doc.parts, context),
  times: timesOf(part, doc.parts),
});
