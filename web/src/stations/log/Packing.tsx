import type { TravelCase } from '@fomrik/core/document';
import { type Stowing, travelItems } from '@fomrik/core/travel';
import { printMm, trimNumber, itemAt } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { Plus, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { LengthField, WordsField } from '../../parts/Field';
import { useWorked } from '../../parts/useWorked';
import { WorkedNote } from '../../parts/WorkedNote';
import { useBuild } from '../../store/build';
import { useReport } from '../../store/report';
import { Spares } from './Spares';
import { travelWorker } from '../../workers/travelClient';
import { newId } from '../../store/newId';

const startCase: Omit<TravelCase, 'id'> = { name: 'Suitcase', insideMm: [680, 440, 260] };
/** The same one each time, or what is asked of it would be asked for ever. */
const none: TravelCase[] = [];
const MOST = 20;
const sides = ['Long', 'Wide', 'Deep'] as const;

/** What goes in which case, with a drawing; what does not fit is reported. */
export function Packing() {
  const boxes = useBuild((s) => s.doc.brief.boxes) ?? none;
  const update = useBuild((s) => s.update);
  const parts = useReport((s) => s.report!.parts);
  const carried = useReport((s) => s.report!.carried);
  const items = useMemo(() => travelItems(parts, carried), [parts, carried]);
  const stowed = useWorked(
    () => (boxes.length > 0 ? travelWorker.stow(items, boxes) : Promise.resolve(undefined)),
    [items, boxes],
  );
  const made = stowed.value;
  const set = (id: string, change: (c: Draft<TravelCase>) => void): void =>
    update((d) => {
      const own = d.brief.boxes?.find((b) => b.id === id);
      if (own) change(own);
    });
  const add = (): void =>
    update((d) => {
      const last = d.brief.boxes?.at(-1) ?? startCase;
      (d.brief.boxes ??= []).push({
        id: newId('case'),
        name: `${startCase.name} ${d.brief.boxes.length + 1}`,
        insideMm: [...last.insideMm],
      });
    });
  if (items.length === 0) return <p className="text-soft">There is nothing to pack yet.</p>;
  return (
    <div className="grid gap-4">
      <Spares />
      <WorkedNote of={stowed} what="The packing" />
      <section aria-label="Cases">
        <h2 className="head">Cases, by their insides</h2>
        <ul className="grid max-w-3xl gap-2">
          {boxes.map((box) => (
            <li key={box.id} className="grid grid-cols-[2fr_1fr_1fr_1fr_auto] items-end gap-2">
              <WordsField
                label="Name"
                value={box.name}
                onChange={(name) => set(box.id, (c) => void (c.name = name))}
              />
              {sides.map((side, k) => (
                <LengthField
                  key={side}
                  label={side}
                  valueMm={itemAt(box.insideMm, k)}
                  range={[50, 3000]}
                  onChange={(mm) => set(box.id, (c) => void (c.insideMm[k] = mm))}
                />
              ))}
              <button
                type="button"
                className="btn btn-icon"
                aria-label={`Remove ${box.name}`}
                onClick={() =>
                  update((d) => {
                    d.brief.boxes = d.brief.boxes?.filter((b) => b.id !== box.id);
                    if (d.brief.boxes?.length === 0) delete d.brief.boxes;
                  })
                }
              >
                <Trash2 size={15} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
        <button type="button" className="btn mt-2" disabled={boxes.length >= MOST} onClick={add}>
          <Plus size={14} aria-hidden /> Case
        </button>
      </section>
      {boxes.length === 0 ? (
        <p className="text-soft">
          Give the inside of a case, crate or car boot, and every part is stowed in it, largest first: twins
          one in the other, sticks taken apart.
        </p>
      ) : made ? (
        <Stowed made={made} />
      ) : (
        <p className="text-soft">Stowing…</p>
      )}
    </div>
  );
}

function Stowed({ made }: { made: Stowing }) {
  return (
    <>
      {made.tooBig.length + made.left.length > 0 && (
        <p role="alert" className="border-l-4 border-stop bg-paper p-2">
          {[
            ...made.tooBig.map(
              (i) => `${i.name} (${i.sidesMm.map((s) => printMm(s, 0)).join(' × ')}) goes into none of them`,
            ),
            ...made.left.map((i) => `${i.name} found no room any more`),
          ].join('; ')}
          .
        </p>
      )}
      <div className="grid grid-cols-2 gap-4">
        {made.boxes.map(({ box, stowed, massG, filled }) => (
          <figure key={box.id}>
            <BoxDrawing insideMm={box.insideMm} stowed={stowed} name={box.name} />
            <figcaption className="text-[13px]">
              <strong>{box.name}</strong>: {stowed.length} thing{stowed.length === 1 ? '' : 's'},{' '}
              {trimNumber(massG / 1000, 2)} kg, {trimNumber(filled * 100, 0)} % full
              <ol className="columns-2 gap-x-4 text-[12.5px]">
                {stowed.map((s, i) => (
                  <li key={s.item.id}>
                    {i + 1} {s.item.name}
                    {s.atMm[2] > 0 && <span className="text-soft">, {printMm(s.atMm[2], 0)} up</span>}
                  </li>
                ))}
              </ol>
            </figcaption>
          </figure>
        ))}
      </div>
    </>
  );
}

/** A case seen from above, what lies higher drawn over what lies lower. */
function BoxDrawing({
  insideMm,
  stowed,
  name,
}: {
  insideMm: readonly [number, number, number];
  stowed: Stowing['boxes'][number]['stowed'];
  name: string;
}) {
  const [w, d] = insideMm;
  const font = Math.max(w, d) / 26;
  const order = stowed.map((s, i) => ({ s, i })).sort((a, b) => a.s.atMm[2] - b.s.atMm[2]);
  return (
    <svg
      viewBox={`-4 -4 ${w + 8} ${d + 8}`}
      className="max-h-72 w-full"
      role="img"
      aria-label={`${name} from above: ${stowed.map((s) => s.item.name).join(', ')}`}
    >
      <rect width={w} height={d} fill="var(--color-leaf)" stroke="var(--color-ink)" strokeWidth={3} />
      {order.map(({ s, i }) => {
        const [x, y] = s.atMm;
        const [wide, deep] = s.sizeMm;
        return (
          <g key={s.item.id}>
            <rect
              x={x}
              y={d - y - deep}
              width={wide}
              height={deep}
              fill="#566065"
              fillOpacity={0.82}
              stroke="var(--color-pen)"
              strokeWidth={2}
            />
            <text
              x={x + wide / 2}
              y={d - y - deep / 2 + font * 0.36}
              fontSize={font}
              textAnchor="middle"
              fill="white"
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
