import { trimNumber } from '@fomrik/core/units';

interface StickTableProps {
  choices: readonly {
    rodId: string;
    name: string;
    sagMm: number;
    /** How often it swings a second, where that is worked out. */
    hz?: number;
    massG: number;
    price: number;
    chosen: boolean;
  }[];
  /** What its sag is called. */
  hangs: string;
  onTake?: (rodId: string) => void;
}

/** Sticks or pipes that would do in the same place, the stiffest first, each taken by a press. */
export function StickTable({ choices, hangs, onTake }: StickTableProps) {
  const swings = choices.some((o) => o.hz !== undefined);
  return (
    <div className="max-h-52 overflow-auto">
      <table className="w-full">
        <thead>
          <tr className="text-left text-soft">
            <th scope="col">Stick</th>
            <th scope="col" className="text-right">
              {hangs}
            </th>
            {swings && (
              <th scope="col" className="text-right">
                Swings a second
              </th>
            )}
            <th scope="col" className="text-right">
              g
            </th>
            <th scope="col" className="text-right">
              Price
            </th>
            <th scope="col">
              <span className="sr-only">Take it</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {choices.map((o) => (
            <tr
              key={o.rodId}
              className={`border-t border-hair ${o.chosen ? 'bg-wash font-medium' : ''}`}
              aria-current={o.chosen}
            >
              <th scope="row" className="text-left font-[inherit]">
                {o.name}
                {o.chosen && ' (now)'}
              </th>
              <td className="text-right">{trimNumber(o.sagMm, o.sagMm < 10 ? 1 : 0)}</td>
              {swings && (
                <td className="text-right">
                  {o.hz !== undefined && Number.isFinite(o.hz) ? trimNumber(o.hz, o.hz < 10 ? 1 : 0) : '–'}
                </td>
              )}
              <td className="text-right">{trimNumber(o.massG, 0)}</td>
              <td className="text-right">{trimNumber(o.price, 2)}</td>
              <td className="pl-2 text-right">
                {onTake && !o.chosen && (
                  <button
                    type="button"
                    className="btn min-h-6 px-2"
                    aria-label={`Take ${o.name}`}
                    onClick={() => onTake(o.rodId)}
                  >
                    Take
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
