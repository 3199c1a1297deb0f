import type { CircuitReport } from '@fomrik/core/circuit';
import { printVolts, trimNumber } from '@fomrik/core/units';

const WIRE = { fill: 'none', stroke: 'var(--color-ink)', strokeWidth: 1.4 };
const LIVE = { ...WIRE, stroke: 'var(--color-marigold)', strokeWidth: 2.2 };

/** The circuit drawn from its data: pack, switch, then one rung for each string. Symbols after IEC 60617. */
export function Schematic({ circuit: made }: { circuit: CircuitReport | undefined }) {
  if (!made) return <p className="text-soft">No circuit reaches into this part.</p>;
  const { solved: circuit, pack, infeasible } = made;
  if (infeasible) return <p className="text-stop">{infeasible}</p>;
  if (!circuit || !pack) return <p className="text-soft">Add lamps and a pack.</p>;
  const steady = made.working?.steady ?? [];
  const rungs = circuit.strings.length + steady.length;
  const most = Math.max(1, ...circuit.strings.map((s) => s.lamps));
  const rung = 42;
  const height = Math.max(130, rungs * rung + 34);
  const width = 400 + most * 46;
  const bottom = height - 12;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      className="h-full w-full"
      role="img"
      aria-label={`Circuit: ${pack.name}, ${rungs} strings, ${trimNumber((made.working?.totalA ?? circuit.totalA) * 1000, 0)} mA in all`}
    >
      <path d={`M30 ${height / 2 - 8}V14H62M92 14H${width - 16}`} {...LIVE} />
      <path d={`M62 14l28 -9`} {...WIRE} />
      <circle cx={62} cy={14} r={2.5} fill="var(--color-ink)" />
      <circle cx={92} cy={14} r={2.5} fill="var(--color-ink)" />
      <path
        d={`M16 ${height / 2 - 8}h28M22 ${height / 2}h16M30 ${height / 2}V${bottom}H${width - 16}`}
        {...WIRE}
      />
      <text x={48} y={height / 2 + 1} fontSize={11}>
        {made.working
          ? `${printVolts(made.working.packVolts)} on load, ${trimNumber(made.working.totalA * 1000, 0)} mA`
          : `${trimNumber(circuit.nominalV, 1)} V`}
      </text>
      <text x={48} y={height / 2 + 14} fontSize={10} fill="var(--color-soft)">
        {[made.switch?.name, `${trimNumber(made.wireMm / 1000, 1)} m of AWG ${made.awg}`]
          .filter(Boolean)
          .join(' · ')}
      </text>
      {circuit.strings.map((s, i) => {
        const y = 34 + i * rung;
        const left = 226;
        return (
          <g key={i}>
            <path d={`M${left - 12} 14V${y}H${left}`} {...LIVE} />
            <rect x={left} y={y - 6} width={40} height={12} {...WIRE} fill="var(--color-leaf)" />
            <text x={left + 20} y={y + 17} fontSize={10} textAnchor="middle">
              {s.ohm} Ω
            </text>
            {Array.from({ length: s.lamps }, (_, n) => {
              const x = left + 56 + n * 46;
              return (
                <g key={n}>
                  <path d={`M${x - 16} ${y}H${x}M${x + 14} ${y}H${x + 30}`} {...LIVE} />
                  <path
                    d={`M${x} ${y - 8}V${y + 8}L${x + 14} ${y}Z`}
                    fill="var(--color-marigold)"
                    stroke="var(--color-ink)"
                  />
                  <path d={`M${x + 14} ${y - 8}V${y + 8}`} {...WIRE} />
                  <path d={`M${x + 5} ${y - 11}l5 -6M${x + 10} ${y - 10}l5 -6`} {...WIRE} strokeWidth={1} />
                </g>
              );
            })}
            <path d={`M${left + 40 + s.lamps * 46} ${y}H${width - 16 - i * 3}V${bottom}`} {...WIRE} />
            <text x={left + 60} y={y + 19} fontSize={10} fill="var(--color-soft)">
              {s.group} {trimNumber((made.working?.strings[i]?.amps ?? s.currentA) * 1000, 1)} mA,{' '}
              {printVolts(made.working?.strings[i]?.lampVolts ?? s.forwardV / s.lamps)} a lamp
            </text>
          </g>
        );
      })}
      {steady.map((s, n) => {
        const y = 34 + (circuit.strings.length + n) * rung;
        const left = 226;
        return (
          <g key={`${s.name}-${n}`}>
            <path d={`M${left - 12} 14V${y}H${left}`} {...LIVE} />
            <rect x={left} y={y - 9} width={86} height={18} {...WIRE} fill="var(--color-leaf)" />
            <path
              d={`M${left + 8} ${y}h70`}
              stroke="var(--color-marigold)"
              strokeWidth={3}
              strokeDasharray="4 4"
            />
            <path
              d={`M${left + 86} ${y}H${width - 16 - (circuit.strings.length + n) * 3}V${bottom}`}
              {...WIRE}
            />
            <text x={left} y={y + 21} fontSize={10} fill="var(--color-soft)">
              {s.name}: {trimNumber(s.amps * 1000, 0)} mA at {printVolts(s.volts)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
