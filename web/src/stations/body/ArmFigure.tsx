import { armGirthMm, armSection, type Body, measureInfo, type MeasureKey } from '@fomrik/core/body';
import { useDrag } from '@use-gesture/react';
import { useRef } from 'react';
import { useLength } from '../../parts/useLength';

interface ArmFigureProps {
  body: Body;
  active: MeasureKey;
  onActive: (key: MeasureKey) => void;
  onDrag: (key: MeasureKey, mm: number) => void;
  onDragEnd: () => void;
}

const CX = 170;

/** The arm from its back with tapes drawn on it, and its three sections; redrawn to the numbers. Drag a tape's end to change it. */
export function ArmFigure({ body, active, onActive, onDrag, onDragEnd }: ArmFigureProps) {
  const length = useLength();
  const svg = useRef<SVGSVGElement>(null);
  const forearm = body.forearmLength.valueMm;
  const hand = body.handLength.valueMm;
  const top = 30;
  const y = (z: number): number => top + (forearm - z);
  const halfAt = (z: number): number => armSection(body, z).b;
  const steps = Array.from({ length: 31 }, (_, i) => (i / 30) * forearm);
  const right = steps.map((z) => `${CX + halfAt(z)},${y(z)}`);
  const left = steps.map((z) => `${CX - halfAt(z)},${y(z)}`).reverse();
  const knuckle = body.handGirth.valueMm / 2.5 / 2;
  const wrist = halfAt(0);
  const handPath = `M${CX - wrist} ${y(0)} C${CX - knuckle} ${y(-hand * 0.2)} ${CX - knuckle} ${y(-hand * 0.35)} ${CX - knuckle} ${y(-hand * 0.5)} L${CX - knuckle * 0.75} ${y(-hand * 0.95)} Q${CX} ${y(-hand * 1.04)} ${CX + knuckle * 0.75} ${y(-hand * 0.95)} L${CX + knuckle} ${y(-hand * 0.5)} C${CX + knuckle} ${y(-hand * 0.35)} ${CX + knuckle} ${y(-hand * 0.2)} ${CX + wrist} ${y(0)}`;
  const at = Math.min(Math.max(body.forearmGirthAt.valueMm, 0), forearm);
  const tapes: { key: MeasureKey; z: number; half: number }[] = [
    { key: 'wristGirth', z: 0, half: wrist },
    { key: 'forearmGirth', z: at, half: halfAt(at) },
    { key: 'elbowGirth', z: forearm, half: halfAt(forearm) },
    { key: 'handGirth', z: -hand * 0.48, half: knuckle },
  ];
  const total = forearm + hand + 70;

  // The girth counts from what it was when the drag began.
  const drag = useDrag(
    ({ args, movement: [x], first, last, memo }) => {
      const [key] = args as [MeasureKey];
      const girth = (memo as number | undefined) ?? body[key].valueMm;
      if (first) onActive(key);
      if (svg.current) {
        const perPixel = total / svg.current.getBoundingClientRect().height;
        onDrag(key, Math.max(1, Math.round(girth + x * perPixel * 2 * Math.PI * 0.5)));
      }
      if (last) onDragEnd();
      return girth;
    },
    { pointer: { keys: false } },
  );

  return (
    <svg
      ref={svg}
      viewBox={`-60 0 580 ${total}`}
      className="min-h-0 flex-1"
      role="group"
      aria-label="Arm with tapes"
    >
      <path d={handPath} fill="#e4dcd2" stroke="var(--color-soft)" />
      <polygon points={[...right, ...left].join(' ')} fill="#e4dcd2" stroke="var(--color-soft)" />
      <line
        x1={CX - 120}
        x2={CX - 120}
        y1={y(0)}
        y2={y(forearm)}
        stroke={active === 'forearmLength' ? 'var(--color-teal)' : 'var(--color-soft)'}
        strokeWidth={active === 'forearmLength' ? 3 : 1}
      />
      <Tag
        x={CX - 124}
        y={y(forearm / 2)}
        anchor="end"
        text={length(forearm, 0)}
        est={body.forearmLength.source === 'estimate'}
        label="wrist to elbow crease"
        on={active === 'forearmLength'}
      />
      <line
        x1={CX - 120}
        x2={CX - 120}
        y1={y(0)}
        y2={y(-hand)}
        stroke={active === 'handLength' ? 'var(--color-teal)' : 'var(--color-soft)'}
        strokeWidth={active === 'handLength' ? 3 : 1}
        strokeDasharray="3 3"
      />
      <Tag
        x={CX - 124}
        y={y(-hand / 2)}
        anchor="end"
        text={length(hand, 0)}
        est={body.handLength.source === 'estimate'}
        label="hand"
        on={active === 'handLength'}
      />
      {tapes.map(({ key, z, half }) => {
        const on = key === active;
        return (
          <g key={key}>
            <path
              d={`M${CX - half} ${y(z)}Q${CX} ${y(z) + 9} ${CX + half} ${y(z)}`}
              fill="none"
              stroke={on ? 'var(--color-teal)' : 'var(--color-ink)'}
              strokeWidth={on ? 4 : 2}
            />
            <circle
              cx={CX + half}
              cy={y(z)}
              r={7}
              fill="var(--color-teal)"
              stroke="white"
              strokeWidth={2}
              className="cursor-ew-resize touch-none"
              tabIndex={0}
              role="slider"
              aria-label={`${measureInfo(key).label}, drag or use arrow keys`}
              aria-valuenow={Math.round(body[key].valueMm)}
              aria-valuemin={measureInfo(key).rangeMm[0]}
              aria-valuemax={measureInfo(key).rangeMm[1]}
              data-tape={key}
              {...drag(key)}
              onFocus={() => onActive(key)}
              onKeyDown={(e) => {
                const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[e.key];
                if (by === undefined) return;
                e.preventDefault();
                onDrag(key, Math.round(body[key].valueMm) + by * (e.shiftKey ? 10 : 1));
                onDragEnd();
              }}
            />
            <Tag
              x={CX + half + 14}
              y={y(z)}
              anchor="start"
              text={length(body[key].valueMm, 0)}
              est={body[key].source === 'estimate'}
              label={measureInfo(key).label.toLowerCase()}
              on={on}
            />
          </g>
        );
      })}
      {[forearm, at, 0].map((z, i) => {
        const section = armSection(body, z);
        return (
          <g key={i} transform={`translate(440 ${top + 45 + i * 125})`}>
            <ellipse rx={section.b} ry={section.a} fill="#e4dcd2" stroke="var(--color-soft)" />
            <path d="M-3 0H3M0 -3V3" stroke="var(--color-soft)" />
            <text y={section.a + 14} fontSize={11} textAnchor="middle" fill="var(--color-soft)">
              {['below elbow', 'widest', 'wrist'][i]}, {length(armGirthMm(body, z), 0)} round
            </text>
          </g>
        );
      })}
    </svg>
  );
}

function Tag({
  x,
  y,
  anchor,
  text,
  est,
  label,
  on,
}: {
  x: number;
  y: number;
  anchor: 'start' | 'end';
  text: string;
  est: boolean;
  label: string;
  on: boolean;
}) {
  return (
    <text
      x={x}
      y={y + 4}
      textAnchor={anchor}
      fontSize={13}
      fontWeight={on ? 600 : 500}
      fill="var(--color-ink)"
    >
      {text}
      {est ? ' est.' : ''}
      <tspan x={x} dy={13} fontSize={10.5} fontWeight={400} fill="var(--color-soft)">
        {label}
      </tspan>
    </text>
  );
}
