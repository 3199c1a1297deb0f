import { type Body, figure, junctions } from '../body';
import { type PartReport, placingsOf } from '../parts';
import {
  type Drawing,
  drawingOf,
  eyeAt,
  type Look,
  placed,
  shownAt,
  type Shown,
  figureToScene,
} from '../view';

/** Everything of a build on its wearer, or beside nobody where nothing is worn. */
export function wornPicture(
  body: Body,
  parts: readonly PartReport[],
  lookOf: (part: PartReport) => Look,
  width: number,
  height: number,
): Drawing {
  const worn = parts.flatMap((part) =>
    placingsOf(body, parts, part.id).flatMap((onFigure) =>
      shownAt(part, (p) => figureToScene(onFigure(p))).map((s) => ({
        ...s,
        id: part.id,
        look: lookOf(part),
      })),
    ),
  );
  const dressed = parts.some((p) => p.zone !== undefined);
  const wearer: (Shown & { look: Look })[] = dressed
    ? [...figure(body).parts, ...junctions(body)].map(({ mesh }) => ({
        id: '·wearer',
        mesh: placed(mesh, figureToScene),
        from: 0,
        to: mesh.triangles.length,
        look: 'wearer',
      }))
    : [];
  return drawingOf(
    { shown: [...wearer, ...worn], lines: [], words: [], spots: [] },
    eyeAt(18, 8),
    width,
    height,
  );
}
