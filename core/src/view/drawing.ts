import type { Vec2, Vec3 } from '../geometry';
import type { Eye } from './eye';
import { frameOf, type Frame, inFrame } from './frame';
import { seen } from './eye';
import { rasterOf } from './raster';
import { regionsOf } from './regions';
import type { Shown } from './shown';
import { isSeen, visibleRuns } from './visibleLines';

/** How something is drawn: as what is there, as what the work is about, as the wearer, or as what is bought and put in. */
export type Look = 'there' | 'work' | 'wearer' | 'case' | 'light';

/** A line drawing: regions to fill, lines over them, and words; in units of its size, y downwards. */
export interface Drawing {
  width: number;
  height: number;
  regions: { look: Look; rings: Vec2[][] }[];
  lines: { look: Look; dashed?: true; runs: Vec2[][] }[];
  words: { at: Vec2; text: string; look: Look }[];
}

/** What is drawn of a scene. */
export interface ToDraw {
  shown: readonly (Shown & { look: Look })[];
  lines: readonly { points: readonly Vec3[]; look: Look; hidden?: 'dashed' }[];
  words: readonly { at: Vec3; text: string; look: Look }[];
  /** Rounds, drawn whatever lies before them unless they may be behind, with what they are called. */
  spots: readonly { at: Vec3; acrossMm: number; look: Look; text?: string; behind?: true }[];
}

/** Looked at with so many pixels for a unit of the drawing. */
const FINE = 1.5;

const scaled = (rings: readonly Vec2[][]): Vec2[][] =>
  rings.map((ring) => ring.map(({ x, y }) => ({ x: x / FINE, y: y / FINE })));

/** A round is no smaller than this across, and its words stand so far below its middle. */
const LEAST = 7;
const BELOW = 16;

const roundAt = ({ x, y }: Vec2, across: number): Vec2[] =>
  Array.from({ length: 24 }, (_, i) => ({
    x: x + (Math.cos((i / 12) * Math.PI) * across) / 2,
    y: y + (Math.sin((i / 12) * Math.PI) * across) / 2,
  }));

/** A scene as a line drawing: what hides what is worked out, so that only what is seen is drawn. */
export function drawingOf(
  { shown, lines, words, spots }: ToDraw,
  eye: Eye,
  width: number,
  height: number,
  framed: readonly Shown[] = shown,
): Drawing {
  const frame: Frame = frameOf(framed, eye, Math.round(width * FINE), Math.round(height * FINE));
  const raster = rasterOf(shown, eye, frame);
  const at = (p: Vec3): Vec2 => {
    const { x, y } = inFrame(frame, seen(eye, p));
    return { x: x / FINE, y: y / FINE };
  };
  const keys = shown.map((s) => `${s.look} ${s.id}`);
  const looks = new Map(shown.map((s, i) => [keys[i]!, s.look]));
  return {
    width,
    height,
    regions: [
      ...[...regionsOf(raster, keys)].flatMap(([key, rings]) =>
        rings.length === 0 ? [] : [{ look: looks.get(key)!, rings: scaled(rings) }],
      ),
      ...spots.flatMap(({ at: p, acrossMm, look, behind }) =>
        behind && !isSeen(p, eye, frame, raster)
          ? []
          : [
              {
                look,
                rings: [roundAt(at(p), Math.max(behind ? 2 : LEAST, (acrossMm * frame.pxPerMm) / FINE))],
              },
            ],
      ),
    ],
    lines: lines.flatMap(({ points, look, hidden }): Drawing['lines'] => {
      const runs = visibleRuns(points, eye, frame, raster);
      const whole = hidden ? [points.map((p) => inFrame(frame, seen(eye, p)))] : [];
      return [
        ...(whole.length > 0 ? [{ look, dashed: true as const, runs: scaled(whole) }] : []),
        ...(runs.length > 0 ? [{ look, runs: scaled(runs) }] : []),
      ];
    }),
    words: [
      ...words.map((w) => ({ ...w, at: at(w.at) })),
      ...spots.flatMap(({ at: p, text, look }) => {
        const { x, y } = at(p);
        return text === undefined ? [] : [{ at: { x, y: y + BELOW }, text, look }];
      }),
    ],
  };
}
