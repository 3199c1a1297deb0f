import { armSection } from '@fomrik/core/body/arm';
import type { Body } from '@fomrik/core/body/estimate';
import type { Lights } from '@fomrik/core/build/document';
import type { PartReport } from '@fomrik/core/build/report';
import { ellipseAtNormal } from '@fomrik/core/geometry/ellipse';
import { useLength } from '../../parts/useLength';

interface PackSectionProps {
  made: PartReport;
  lights: Lights;
  body: Body;
  underLayerMm: number;
}

/** A slice through arm, sleeve, gap and shell where the pack sits, to scale. */
export function PackSection({ made, lights, body, underLayerMm }: PackSectionProps) {
  const length = useLength();
  const { pack, room } = made.inside ?? {};
  if (!pack || !room) return <p className="text-soft">This pack is not in the catalogue.</p>;
  const section = armSection(body, lights.packAt.alongMm);
  const roomMm = made.roomMm;
  const thick = made.foam.thicknessMm.value;
  const ring = (out: number): string =>
    Array.from({ length: 120 }, (_, i) => {
      const p = ellipseAtNormal(section, (i / 120) * 2 * Math.PI, out);
      return `${i === 0 ? 'M' : 'L'}${p.y.toFixed(1)} ${(-p.x).toFixed(1)}`;
    }).join('') + 'Z';
  const inner = underLayerMm + roomMm;
  const pocket = lights.pocket ? Math.max(0, thick - 2) : 0;
  const angle = (lights.packAt.aroundDeg * Math.PI) / 180;
  const foot = ellipseAtNormal(section, angle, inner + pocket);
  const over = Math.max(section.a, section.b) + inner + thick + 14;
  const fits = room.haveMm >= room.needMm;
  return (
    <figure className="flex h-full min-h-0 gap-2">
      <svg
        viewBox={`${-over} ${-over} ${2 * over} ${2 * over}`}
        className="h-full min-w-0 flex-1"
        role="img"
        aria-label={`Section at the pack: needs ${room.needMm} mm, has ${room.haveMm.toFixed(1)} mm`}
      >
        <path d={ring(inner + thick)} fill="var(--color-foam)" stroke="var(--color-ink)" strokeWidth={0.5} />
        <path d={ring(inner)} fill="var(--color-paper)" stroke="var(--color-pen)" strokeWidth={0.5} />
        <path d={ring(underLayerMm)} fill="#b9c4c4" />
        <path d={ring(0)} fill="#e4dcd2" stroke="var(--color-soft)" strokeWidth={0.5} />
        <g transform={`translate(${foot.y} ${-foot.x}) rotate(${(angle * 180) / Math.PI})`}>
          <rect
            x={-pack.widthMm / 2}
            y={0}
            width={pack.widthMm}
            height={pack.thickMm}
            fill={fits ? '#eef2ee' : '#f2d8d8'}
            stroke={fits ? 'var(--color-ink)' : 'var(--color-stop)'}
            strokeWidth={fits ? 0.8 : 1.6}
          />
        </g>
      </svg>
      <figcaption className="w-32 self-center text-[13px] leading-snug">
        <strong className="block font-semibold">Slice at the pack</strong>
        {pack.name}
        <br />
        needs {length(room.needMm)}
        <br />
        has {length(room.haveMm)}
        <br />
        <span className={fits ? '' : 'font-semibold text-stop'}>
          {fits
            ? `${length(room.haveMm - room.needMm)} to spare`
            : `${length(room.needMm - room.haveMm)} too thick`}
        </span>
      </figcaption>
    </figure>
  );
}
