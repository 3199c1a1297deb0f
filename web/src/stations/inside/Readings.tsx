import { readsRight, testPoints, type CircuitReport } from '@fomrik/core/circuit';
import { printVolts } from '@fomrik/core/units';
import { useState } from 'react';

/** What a meter shows on the bench, place by place; a reading typed beside it says whether it is sound. */
export function Readings({ circuit }: { circuit: CircuitReport | undefined }) {
  const [read, setRead] = useState<Record<string, string>>({});
  const points = circuit ? testPoints(circuit) : [];
  if (points.length === 0) return <p className="text-soft">Nothing to measure until the lamps can be lit.</p>;
  const volts = (id: string): number | undefined => {
    const text = (read[id] ?? '').trim().replace(',', '.');
    const value = Number(text);
    return text === '' || !Number.isFinite(value) ? undefined : value;
  };
  return (
    <table className="w-full text-[13px]">
      <caption className="head text-left">Bench meter, fresh cells</caption>
      <thead>
        <tr className="text-left text-soft">
          <th className="font-normal">probes</th>
          <th className="pr-2 text-right font-normal">sound</th>
          <th className="w-20 font-normal">you read</th>
          <th className="font-normal">says</th>
        </tr>
      </thead>
      <tbody>
        {points.map((point) => {
          const mine = volts(point.id);
          return (
            <tr key={point.id} className="border-t border-hair align-top">
              <td className="py-0.5">{point.where}</td>
              <td className="pr-2 text-right font-medium">{printVolts(point.volts)}</td>
              <td>
                <input
                  className="box h-7 w-16 px-1"
                  inputMode="decimal"
                  aria-label={`Volts ${point.where}`}
                  value={read[point.id] ?? ''}
                  onChange={(e) => setRead({ ...read, [point.id]: e.target.value })}
                />
              </td>
              <td className="text-[12px]">
                {mine === undefined ? '' : readsRight(point, mine) ? 'sound' : point.else}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
