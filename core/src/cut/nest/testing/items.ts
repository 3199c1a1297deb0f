import type { Vec2 } from '../../../geometry';
import type { Piece } from '../../../panel';
import type { ToLay } from '../../sheets';

export const size = { foamId: 'dense-eva', nominalMm: 6, widthMm: 1000, heightMm: 500 };

export const item = (id: string, outline: Vec2[], flipped = false): ToLay => ({
  partId: 'p',
  flipped,
  piece: { id, name: id, outline, holes: [] } as unknown as Piece,
});

export const box = (w: number, h: number): Vec2[] => [
  { x: 0, y: 0 },
  { x: w, y: 0 },
  { x: w, y: h },
  { x: 0, y: h },
];
