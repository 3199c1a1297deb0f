import type { Body } from '@fomrik/core/body';
import type { Part, Row } from '@fomrik/core/document';
import type { DrawnPoint } from '@fomrik/core/forms';
import type { Vec2, Vec3 } from '@fomrik/core/geometry';
import { formOf, type PartReport, standardKinds } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import { useBuild } from '../store/build';
import type { Handle } from './SolidGrip';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

export interface OutlineGrips {
  part: Part;
  made: PartReport;
  body: Body;
  drag: Changer;
  change: Changer;
  end: () => void;
}

/** What decides where a drawing lies on the wearer, for a part as it is now. */
export const drawnOnInput = (part: Part, made: PartReport, body: Body) => ({
  params: part.params,
  body,
  ...(made.zone && { zone: made.zone }),
  underLayerMm: useBuild.getState().doc.wearer.underLayerMm,
  liningMm: made.lining?.thicknessMm.value ?? 0,
  foam: made.foam,
});

const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** Grips on the points of an outline that is drawn on the wearer. */
export function outlineHandles({ part, made, body, drag, change, end }: OutlineGrips): Handle[] {
  const { drawnOn } = formOf(standardKinds, part.form);
  if (!drawnOn) return [];
  const put =
    ({ field, row }: DrawnPoint, to: (now: Row) => Vec2) =>
    (p: Draft<Part>): void => {
      const line = (p.params[field] as Row[])[row];
      if (!line) return;
      const { x, y } = to(line);
      Object.assign(line, { xMm: tenth(x), yMm: tenth(y) });
    };
  return made.drawnPoints.map((point): Handle => {
    const { field, row, at } = point;
    return {
      id: `${field}.${row}`,
      label: `Point ${row + 1} of the outline: drag over the wearer`,
      at,
      look: 'edge',
      onWearer: true,
      onPlace: (p: Vec3) => drag(put(point, () => drawnOn.spot(drawnOnInput(part, made, body), p))),
      onNudge: (up, right) =>
        change(put(point, ({ xMm, yMm }) => ({ x: Number(xMm) + right, y: Number(yMm) + up }))),
      onEnd: end,
    };
  });
}
