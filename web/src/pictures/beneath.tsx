import { byId } from '@fomrik/core/units';
import type { Beneath, Part } from '@fomrik/core/document';
import { knownLength } from '@fomrik/core/document';
import { rotate2, type Vec2 } from '@fomrik/core/geometry';
import { laidPicture, tiltDeg, type Traced } from '@fomrik/core/picture';
import type { Draft } from 'immer';
import type { ReactNode } from 'react';
import { ChoiceField } from '../parts/ChoiceField';
import { LengthField, NumberField } from '../parts/Field';
import { api } from '../store/api';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { pictureWorker } from '../workers/pictureClient';
import { useSquared } from './useSquared';

const REACH: readonly [number, number] = [-5000, 5000];

/** An outline found on the picture, where it lies beneath the drawing, and how far its width may be off. */
export type TracedHere = Traced & { likelyMm: number };

/** What was found on a picture, and how it was taken: its tilt off square, and how far the sheet's edges bow. */
export interface Found {
  outlines: TracedHere[];
  tiltDeg?: number;
  sheetBowMm?: number;
}

/** A picture is traced in so many pixels either way at most. */
const TRACE_PX = 2200;

/** What lies under a part's drawing: the picture to draw beneath the lines, and the fields that place it. */
export function useBeneath(
  part: Part,
  change: (recipe: (part: Draft<Part>) => void) => void,
): { image: ReactNode; fields: ReactNode; trace?: () => Promise<Found> } {
  const pictures = useBuild((s) => s.doc.pictures) ?? [];
  const { beneath } = part;
  const picture = byId(pictures, beneath?.picture);
  const body = useReport((s) => s.report?.body);
  const { squared, said } = useSquared(picture);
  const trace = async (): Promise<Found> => {
    const known = knownLength(picture!, body!);
    const laid = laidPicture(picture!, known)!;
    const url = api.pictureUrl(picture!.content);
    const { outlines, sheetBowMm } = await pictureWorker.traced(url, picture!, known, laid, TRACE_PX);
    // As the picture lies beneath the drawing.
    const { xMm, yMm, turnDeg } = beneath!;
    const here = (p: Vec2): Vec2 => {
      const q = rotate2(p, (turnDeg * Math.PI) / 180);
      return { x: q.x + xMm, y: q.y + yMm };
    };
    const tilt = tiltDeg(picture!);
    return {
      outlines: outlines.map((one) => ({
        ...one,
        outline: one.outline.map(here),
        marks: one.marks.map((line) => line.map(here)),
      })),
      ...(sheetBowMm !== undefined && { sheetBowMm }),
      ...(tilt !== undefined && { tiltDeg: tilt }),
    };
  };
  const set = (at: Partial<Beneath>): void => change((p) => void Object.assign(p.beneath!, at));
  return {
    ...(picture && squared && { trace }),
    image: beneath && squared && (
      <g transform={`translate(${beneath.xMm} ${-beneath.yMm}) rotate(${-beneath.turnDeg})`}>
        <image
          href={squared.url}
          x={squared.leftMm}
          y={-squared.topMm}
          width={squared.widthMm}
          height={squared.heightMm}
          preserveAspectRatio="none"
          opacity={0.6}
        />
      </g>
    ),
    fields: (
      <div className="grid gap-1">
        <ChoiceField
          label="Picture beneath"
          value={beneath?.picture ?? ''}
          choices={[
            { value: '', label: pictures.length > 0 ? 'none' : 'none: add one under Brief' },
            ...pictures.map((p) => ({ value: p.id, label: p.name })),
          ]}
          onChange={(picture) =>
            change((p) => {
              if (picture === '') delete p.beneath;
              else p.beneath = { xMm: 0, yMm: 0, turnDeg: 0, ...p.beneath, picture };
            })
          }
        />
        {beneath && (
          <div className="grid grid-cols-3 gap-1">
            <LengthField label="Right" valueMm={beneath.xMm} range={REACH} onChange={(xMm) => set({ xMm })} />
            <LengthField label="Up" valueMm={beneath.yMm} range={REACH} onChange={(yMm) => set({ yMm })} />
            <NumberField
              label="Turned"
              value={beneath.turnDeg}
              range={[-360, 360]}
              suffix="°"
              onChange={(turnDeg) => set({ turnDeg })}
            />
          </div>
        )}
        {said && (
          <p role="status" className="text-[12px] text-soft">
            {said}
          </p>
        )}
      </div>
    ),
  };
}
