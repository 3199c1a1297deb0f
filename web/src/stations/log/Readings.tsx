import { type Quantity, quantities, quantityKeys, type Reading } from '@fomrik/core/learn';
import { byId, trimNumber } from '@fomrik/core/units';
import { Trash2 } from 'lucide-react';
import { type FormEvent, type ReactNode, useState } from 'react';
import { useBuild } from '../../store/build';
import { keepReading } from '../../store/readings';
import { useReport } from '../../store/report';
import { todayIso } from '../../store/today';
import { newId } from '../../store/newId';

/** No reading is larger than this in grams or hours. */
const MOST = 1e6;

/** A number typed with point or comma; nothing when it is none, not above zero, or beyond reason. */
function positive(text: string): number | undefined {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && value > 0 && value <= MOST ? value : undefined;
}

/** Readings off this shop's own work, and the constants they make: each plan after them is this shop's. */
export function Readings() {
  const report = useReport((s) => s.report)!;
  const readings = useBuild((s) => s.doc.make.readings) ?? [];
  const done = useBuild((s) => s.doc.make.done);
  const update = useBuild((s) => s.update);
  const { constants, parts, steps } = report;
  const add = (reading: Omit<Reading, 'id' | 'takenOn'>): void =>
    keepReading({ ...reading, id: newId('r'), takenOn: todayIso() });
  const ticked = steps.filter((s) => done[s.id] !== undefined);
  const plannedH = ticked.reduce((sum, s) => sum + s.workMin, 0) / 60 / constants.handWork.factor;

  return (
    <section className="leaf grid gap-3 p-3" aria-label="Readings of this shop">
      <h2 className="head">What this shop really takes</h2>
      <div className="flex flex-wrap items-end gap-x-8 gap-y-2">
        <Weighed
          // Of what carries neither glue nor paint nothing is learned.
          parts={parts
            .filter((p) => p.finishG > 0)
            .map((p) => ({
              id: p.id,
              name: p.name,
              bareG: p.totalG - p.finishG,
              finishG: p.finishG / constants.finishMass.factor,
            }))}
          onRead={(part, actual) =>
            add({
              quantity: 'finishMass',
              planned: part.finishG,
              actual,
              of: `one copy of ${part.name}`.slice(0, 120),
            })
          }
        />
        <ReadingForm
          name="Hours worked"
          label="Ticked steps took, h"
          placeholder={trimNumber(plannedH, 1)}
          button="Take the hours"
          faultOf={() => (plannedH > 0 ? undefined : 'No step is ticked yet, under Make.')}
          onRead={(actual) =>
            add({ quantity: 'handWork', planned: plannedH, actual, of: `${ticked.length} ticked steps` })
          }
        />
      </div>
      <table className="w-full">
        <thead className="text-left text-[12px] text-soft">
          <tr>
            {['what', 'stated', 'used now', 'next time, 9 in 10', 'readings'].map((h) => (
              <th key={h} className="px-1 font-medium">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {quantityKeys.map((key) => (
            <ConstantRow key={key} quantity={key} readings={readings.filter((r) => r.quantity === key)} />
          ))}
        </tbody>
      </table>
    </section>
  );

  function ConstantRow({ quantity, readings: own }: { quantity: Quantity; readings: readonly Reading[] }) {
    const { factor, low, high, readings: count } = constants[quantity];
    const { label, unit, how } = quantities[quantity];
    return (
      <tr className="border-t border-hair align-top">
        <td className="px-1 py-1.5 font-medium">{label}</td>
        <td className="px-1 py-1.5">× 1</td>
        <td className="px-1 py-1.5 font-medium text-teal">
          × {factor.toFixed(2)}{' '}
          <span className="font-normal text-soft">
            {count === 0 ? 'as stated' : `yours, from ${count} reading${count === 1 ? '' : 's'}`}
          </span>
        </td>
        <td className="whitespace-nowrap px-1 py-1.5">
          × {low.toFixed(2)} to {high.toFixed(2)}
        </td>
        <td className="px-1 py-1.5">
          {own.length === 0 ? (
            <span className="text-soft">{how}</span>
          ) : (
            <ul>
              {own.map((r) => (
                <li key={r.id} className="flex items-center gap-2">
                  {r.of}: {trimNumber(r.actual, 1)} {unit}, planned {trimNumber(r.planned, 1)}
                  <button
                    type="button"
                    className="btn btn-icon"
                    aria-label={`Erase reading of ${r.of}`}
                    onClick={() =>
                      update((d) => void (d.make.readings = d.make.readings?.filter((o) => o.id !== r.id)))
                    }
                  >
                    <Trash2 size={14} aria-hidden />
                  </button>
                </li>
              ))}
            </ul>
          )}
        </td>
      </tr>
    );
  }
}

interface Weighable {
  id: string;
  name: string;
  /** One copy without glue, coats and paint, and what those are stated to weigh. */
  bareG: number;
  finishG: number;
}

/** A finished part on the scale: what it weighs beyond its foam is glue, coats and paint. */
function Weighed({
  parts,
  onRead,
}: {
  parts: readonly Weighable[];
  onRead: (part: Weighable, actualG: number) => void;
}) {
  const [partId, setPartId] = useState('');
  const part = byId(parts, partId) ?? parts[0];
  if (!part) return null;
  return (
    <ReadingForm
      name="A finished part weighed"
      label="One copy weighs, g"
      placeholder={trimNumber(part.bareG + part.finishG, 0)}
      button="Take the weight"
      faultOf={(grams) =>
        grams > part.bareG
          ? undefined
          : `${trimNumber(grams, 0)} g is no more than its foam and fittings alone (${trimNumber(part.bareG, 0)} g). Weigh a sheet of the foam first, under Cut.`
      }
      onRead={(grams) => onRead(part, grams - part.bareG)}
    >
      <label className="grid">
        <span className="label">Finished part</span>
        <select className="box" value={part.id} onChange={(e) => setPartId(e.target.value)}>
          {parts.map((p) => (
            <option key={p.id} value={p.id}>
              {p.name}
            </option>
          ))}
        </select>
      </label>
    </ReadingForm>
  );
}

interface ReadingFormProps {
  name: string;
  label: string;
  placeholder: string;
  button: string;
  /** Why a number cannot be, when it cannot. */
  faultOf: (value: number) => string | undefined;
  onRead: (value: number) => void;
  children?: ReactNode;
}

/** One number read off, with what it must be said when it is not. */
function ReadingForm({ name, label, placeholder, button, faultOf, onRead, children }: ReadingFormProps) {
  const [text, setText] = useState('');
  const [message, setMessage] = useState('');
  const read = (event: FormEvent): void => {
    event.preventDefault();
    const value = positive(text);
    const fault =
      value === undefined ? `${label}: “${text}” is not a number above 0 and up to ${MOST}.` : faultOf(value);
    setMessage(fault ?? '');
    if (value === undefined || fault !== undefined) return;
    onRead(value);
    setText('');
  };
  return (
    <form className="flex flex-wrap items-end gap-2" onSubmit={read} aria-label={name}>
      {children}
      <label className="grid">
        <span className="label">{label}</span>
        <input
          className="box w-28"
          inputMode="decimal"
          value={text}
          placeholder={placeholder}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button type="submit" className="btn">
        {button}
      </button>
      {message && (
        <p role="alert" className="w-full text-stop">
          {message}
        </p>
      )}
    </form>
  );
}
