import { packChoices, type CircuitReport } from '@fomrik/core/circuit';
import { catalogue } from '@fomrik/core/materials';
import { trimNumber, firstOf } from '@fomrik/core/units';
import { useMemo } from 'react';
import { useBuild } from '../../store/build';

/** Pack against pack for the lamps of one circuit: hours, sets for the day, mass, room and price. */
export function PackChoices({
  circuit,
  onTake,
}: {
  circuit: CircuitReport | undefined;
  onTake: (packId: string) => void;
}) {
  const wanted = useBuild((s) => s.doc.brief.lightHours);
  const rows = useMemo(
    () => (circuit ? packChoices(circuit, catalogue.packs, wanted) : []),
    [circuit, wanted],
  );
  if (rows.length === 0) return <p className="text-soft">No pack lights these lamps yet.</p>;
  const longest = firstOf(rows).hours;
  return (
    <table className="w-full text-[13px]">
      <caption className="head text-left">Packs for these lamps; {trimNumber(wanted)} h asked</caption>
      <thead>
        <tr className="text-right text-soft">
          <th className="text-left font-normal">pack</th>
          <th className="w-[26%] text-left font-normal">hours</th>
          <th className="px-1 font-normal">sets a day</th>
          <th className="px-1 font-normal">mass</th>
          <th className="px-1 font-normal">room</th>
          <th className="font-normal">price</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ pack, hours, sets, massG, volumeCm3, price }) => {
          const here = pack.id === circuit?.pack?.id;
          return (
            <tr
              key={pack.id}
              className={`border-t border-hair text-right ${here ? 'bg-wash font-medium' : ''}`}
            >
              <td className="text-left">
                {here ? (
                  `${pack.name} (now)`
                ) : (
                  <button
                    type="button"
                    className="text-left text-teal underline"
                    onClick={() => onTake(pack.id)}
                  >
                    {pack.name}
                  </button>
                )}
              </td>
              <td className="text-left">
                <span
                  className="mr-1 inline-block h-2 bg-marigold align-middle"
                  style={{ width: `${Math.max(2, (hours / longest) * 55)}%` }}
                  aria-hidden
                />
                {trimNumber(hours, 1)} h
              </td>
              <td className="px-1">{sets}</td>
              <td className="px-1">{trimNumber(massG, 0)} g</td>
              <td className="px-1">{trimNumber(volumeCm3, 0)} cm³</td>
              <td>{trimNumber(price, 2)}</td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
