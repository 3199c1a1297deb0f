import { type Panel, platePanel } from '../../panel';
import { trimNumber } from '../../units';
import { ellipse } from './outlines';

/** A level disc or ring about the axis; a hole as wide as it leaves none. */
export const disc = (
  id: string,
  name: string,
  z: number,
  acrossMm: number,
  holeMm: number,
  ply: Panel['ply'],
): Panel =>
  platePanel({
    id,
    name,
    origin: { x: 0, y: 0, z },
    across: { x: 1, y: 0, z: 0 },
    up: { x: 0, y: 1, z: 0 },
    outline: ellipse({ x: 0, y: 0 }, acrossMm / 2),
    cuts:
      holeMm > 0 && holeMm < acrossMm - 1
        ? [
            {
              id: 'hole',
              name: `hole ${trimNumber(holeMm)} mm`,
              outline: ellipse({ x: 0, y: 0 }, holeMm / 2, holeMm / 2, 36),
            },
          ]
        : [],
    ...(ply && { ply }),
  });
