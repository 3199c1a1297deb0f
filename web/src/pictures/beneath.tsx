import type { Beneath, Part } from '@fomrik/core/document';
import type { Draft } from 'immer';
import type { ReactNode } from 'react';
import { ChoiceField, LengthField, NumberField } from '../parts/Field';
import { useBuild } from '../store/build';
import { useSquared } from './useSquared';

const REACH: readonly [number, number] = [-5000, 5000];

/** What lies under a part's drawing: the picture to draw beneath the lines, and the fields that place it. */
export function useBeneath(
  part: Part,
  change: (recipe: (part: Draft<Part>) => void) => void,
): { image: ReactNode; fields: ReactNode } {
  const pictures = useBuild((s) => s.doc.pictures) ?? [];
  const { beneath } = part;
  const { squared, said } = useSquared(pictures.find((p) => p.id === beneath?.picture));
  const set = (at: Partial<Beneath>): void => change((p) => void Object.assign(p.beneath!, at));
  return {
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
