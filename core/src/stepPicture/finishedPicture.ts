import { type Body, figure, junctions } from '../body';
import type { Part } from '../document';
import { type PartReport, placingsOf } from '../parts';
import { byId } from '../units';
import {
  eyeAt,
  figureToScene,
  frameOf,
  type PixelPicture,
  placed,
  shadedPicture,
  shownAt,
  type Shown,
  type Tone,
  toneIn,
} from '../view';

/** The wearer is drawn pale and matt. */
const WEARER: Tone = { rgb: [214, 204, 193], gloss: 0, metal: 0 };

/** A whole build in its finish, as large as it goes in, on its wearer where anything is worn; from the front or turned. */
export function finishedPicture(
  body: Body,
  made: readonly PartReport[],
  parts: readonly Part[],
  width: number,
  height: number,
  turnDeg = 20,
): PixelPicture {
  const own: (Shown & { tone: Tone })[] = made.flatMap((part) => {
    const tone = toneIn(part, byId(parts, part.id)?.scheme);
    return placingsOf(body, made, part.id).flatMap((onFigure) =>
      shownAt(part, (p) => figureToScene(onFigure(p))).map((s) => ({ ...s, tone: tone(s) })),
    );
  });
  const wearer = made.some((p) => p.zone !== undefined)
    ? [...figure(body).parts, ...junctions(body)].map(({ mesh }) => ({
        id: '·wearer',
        mesh: placed(mesh, figureToScene),
        from: 0,
        to: mesh.triangles.length,
        tone: WEARER,
      }))
    : [];
  const shown = [...wearer, ...own];
  const tones = new Map<Shown, Tone>(shown.map((s) => [s, s.tone]));
  const eye = eyeAt(turnDeg, 8);
  const wear = parts.find((p) => p.scheme)?.scheme?.wear;
  return shadedPicture(
    shown,
    (s) => tones.get(s)!,
    eye,
    frameOf(own.length > 0 ? own : shown, eye, width, height),
    wear,
  );
}
