import type { Feature } from '@fomrik/core/document';
import { boxFace, diffuserOf, lampRgb, type LightBox, type LightRgb, tinted } from '@fomrik/core/features';
import { type Brightness, hotSpotsSeen, type Surroundings } from '@fomrik/core/light';
import type { LampColour } from '@fomrik/core/materials';
import { trimNumber, itemAt } from '@fomrik/core/units';
import { useEffect, useRef, useState } from 'react';
import { useWorked } from '../../parts/useWorked';
import { WorkedNote } from '../../parts/WorkedNote';
import { insideWorker } from '../../workers/insideClient';

const ACROSS = 192;
/** Arm's length, and across a room; mm. */
const ARM_MM = 600;
const ROOM_MM = 3000;

/** How many lamps the eye tells apart, near, far and by day. */
function spots(lit: Brightness): string {
  const seen = (distanceMm: number, where: Surroundings): string => {
    const count = hotSpotsSeen(lit, distanceMm, where);
    return count === 0 ? 'none' : String(count);
  };
  const from = (distanceMm: number): string =>
    `${seen(distanceMm, 'dark')} in the dark, ${seen(distanceMm, 'room')} in a lit room, ${seen(distanceMm, 'daylight')} in daylight`;
  return `Hot spots seen at arm’s length: ${from(ARM_MM)}. From 3 m: ${from(ROOM_MM)}.`;
}

/** The window of a light box as it glows, with what is even about it. */
export function Glow({
  feature,
  onTake,
}: {
  feature: Feature;
  onTake: (params: { diffuser: string; layers: number }) => void;
}) {
  const box = feature.params as unknown as LightBox & { colour: LampColour; evenPct: number };
  const worked = useWorked(() => insideWorker.face(boxFace(box), ACROSS), [JSON.stringify(feature.params)]);
  const lit = worked.value;
  if (!lit) return <WorkedNote of={worked} what="The glow" />;
  const { off } = diffuserOf(box.diffuser);
  return (
    <figure className="mb-2">
      <div className="flex flex-wrap items-end gap-2">
        <Face lit={lit} tint={tinted(lampRgb[box.colour], box)} />
        <div className="text-[12px] text-soft">
          <div
            className="h-14 w-28 border border-ink"
            style={{ backgroundColor: off.colour }}
            role="img"
            aria-label={`While it is off: ${off.words}`}
          />
          Off: {off.words}
        </div>
      </div>
      <figcaption className="mt-1 text-[13px]">
        <strong>{trimNumber(lit.evenness * 100, 0)} % even</strong> ({box.evenPct} % wanted): darkest spot
        against the mean. Brightest {trimNumber(lit.hotSpot, 2)} times the mean;{' '}
        {trimNumber(lit.passed * 100, 0)} % of the light comes out.
        <span className="block text-[12.5px] text-soft">{spots(lit)}</span>
      </figcaption>
      <WorkedNote of={worked} what="The glow" />
      <Diffusers box={box} onTake={onTake} />
    </figure>
  );
}

/** Every diffuser before the same lamps, asked for when it is opened. */
function Diffusers({
  box,
  onTake,
}: {
  box: LightBox & { evenPct: number };
  onTake: (params: { diffuser: string; layers: number }) => void;
}) {
  const [open, setOpen] = useState(false);
  const worked = useWorked(
    () => (open ? insideWorker.diffusers(box) : Promise.resolve([])),
    [open, JSON.stringify(box)],
  );
  const rows = worked.value;
  return (
    <details className="mt-1 text-[13px]" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="cursor-pointer text-teal">Compare diffusers</summary>
      {open && <WorkedNote of={worked} what="The diffusers" />}
      <table className="w-full max-w-md">
        <tbody>
          {rows?.map(({ diffuser, name, layers, evenness, passed }) => {
            const here = diffuser === box.diffuser && layers === box.layers;
            return (
              <tr key={`${diffuser}/${layers}`} className={`border-t border-hair ${here ? 'bg-wash' : ''}`}>
                <td>
                  {here ? (
                    `${layers} × ${name} (now)`
                  ) : (
                    <button
                      type="button"
                      className="text-left text-teal underline"
                      onClick={() => onTake({ diffuser, layers })}
                    >
                      {layers} × {name}
                    </button>
                  )}
                </td>
                <td className="text-right">
                  {trimNumber(evenness * 100, 0)} % even{evenness * 100 >= box.evenPct ? ' ✓' : ''}
                </td>
                <td className="text-right">{trimNumber(passed * 100, 0)} % out</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </details>
  );
}

function Face({ lit, tint }: { lit: Brightness; tint: LightRgb }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d', { willReadFrequently: true });
    if (!context) return;
    const image = context.createImageData(lit.columns, lit.rows);
    const most = lit.values.reduce((m, v) => Math.max(m, v), 0) || 1;
    for (let r = 0; r < lit.rows; r++)
      for (let c = 0; c < lit.columns; c++) {
        // Eyes see steps of ratio: shown by the square root, about.
        const share = Math.sqrt(itemAt(lit.values, r * lit.columns + c) / most);
        const at = 4 * ((lit.rows - 1 - r) * lit.columns + c);
        tint.forEach((v, k) => (image.data[at + k] = 255 * v * share));
        image.data[at + 3] = 255;
      }
    context.putImageData(image, 0, 0);
  }, [lit, tint]);
  return (
    <canvas
      ref={canvas}
      width={lit.columns}
      height={lit.rows}
      className="h-28 max-w-full border border-ink"
      role="img"
      aria-label={`The lit window: ${trimNumber(lit.evenness * 100, 0)} % even`}
    />
  );
}
