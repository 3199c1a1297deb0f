import { byId } from '@fomrik/core/units';
import type { Item } from '@fomrik/core/features';
import type { PartReport } from '@fomrik/core/parts';
import { useLength } from '../../parts/useLength';

/** Body drawn below the gap, mm. */
const BODY_MM = 8;

/** A slice through foam, gap and body where a pack or switch sits, to scale; the foam is drawn straight. */
function Slice({ item, outside }: { item: Item; outside: string }) {
  const { needMm, haveMm, widthMm, pocketMm, foamMm, fromMm, profile } = item.fit!;
  const left = profile[0]?.acrossMm ?? -widthMm;
  const right = profile.at(-1)?.acrossMm ?? widthMm;
  const known = profile.flatMap((p) => (p.depthMm === null ? [] : [p.depthMm]));
  const shown = Math.min(Math.max(fromMm + needMm - pocketMm, ...known, 4), needMm + 60);
  const depth = (d: number | null): number => Math.min(d ?? shown, shown);
  const floor = profile.map((p) => `L${p.acrossMm.toFixed(1)} ${depth(p.depthMm).toFixed(1)}`).join('');
  const fits = haveMm >= needMm;
  const top = -Math.max(foamMm, 2);
  return (
    <svg
      viewBox={`${left - 4} ${top - 4} ${right - left + 8} ${shown + BODY_MM - top + 8}`}
      className="h-full min-w-0 flex-1"
      role="img"
      aria-label={`Section at the ${item.name}: needs ${needMm.toFixed(1)} mm, has ${haveMm.toFixed(1)} mm`}
    >
      <path
        d={`M${left} ${shown + BODY_MM}${floor}L${right} ${shown + BODY_MM}Z`}
        fill={outside}
        stroke="var(--color-soft)"
        strokeWidth={0.4}
      />
      {foamMm > 0 && (
        <rect
          x={left}
          y={-foamMm}
          width={right - left}
          height={foamMm}
          fill="var(--color-foam)"
          stroke="var(--color-ink)"
          strokeWidth={0.4}
        />
      )}
      {pocketMm > 0 && (
        <rect x={-widthMm / 2} y={-pocketMm} width={widthMm} height={pocketMm} fill="var(--color-paper)" />
      )}
      <rect
        x={-widthMm / 2}
        y={fromMm - pocketMm}
        width={widthMm}
        height={needMm}
        fill={fits ? '#eef2ee' : '#f2d8d8'}
        stroke={fits ? 'var(--color-ink)' : 'var(--color-stop)'}
        strokeWidth={fits ? 0.6 : 1.2}
      />
    </svg>
  );
}

/** How a thing comes out again, in words; nothing for what need not. */
function OutWords({ out }: { out: PartReport['comesOut'][string] | undefined }) {
  const length = useLength();
  if (out === undefined) return null;
  if (typeof out === 'number')
    return (
      <span className="block">
        {out < 1 ? 'can be taken out: its piece comes off' : `can be taken out, over ${length(out)}`}
      </span>
    );
  return out === 'none' ? (
    <span className="block font-semibold text-stop">cannot be taken out again</span>
  ) : (
    <span className="block">not known whether it can be taken out</span>
  );
}

/** Packs and switches of the part, each in a slice of its room. */
export function RoomSlice({ made }: { made: PartReport }) {
  const length = useLength();
  const items = made.items.filter((i) => i.fit && !i.lamp);
  if (items.length === 0) return <p className="text-soft">No pack or switch in this part.</p>;
  return (
    <div
      role="group"
      aria-label="Things put in"
      tabIndex={0}
      className="grid h-full min-h-0 auto-rows-[minmax(96px,1fr)] grid-cols-[repeat(auto-fill,minmax(250px,1fr))] gap-2 overflow-auto p-2"
    >
      {items.map((item) => {
        const { needMm, haveMm, fromMm, roomId } = item.fit!;
        const room = byId(made.rooms, roomId)?.name ?? roomId;
        const spare = haveMm - needMm;
        return (
          <figure key={item.id} className="flex min-h-0 gap-2">
            <Slice item={item} outside={made.zone ? '#e4dcd2' : '#dfe5e1'} />
            <figcaption className="w-36 shrink-0 self-center text-[13px] leading-snug">
              <strong className="block font-semibold">{item.name}</strong>
              {room}
              <br />
              needs {length(needMm)}, has {length(haveMm)} under the whole of it
              <br />
              <span className={spare >= 0 ? '' : 'font-semibold text-stop'}>
                {spare >= 0 ? `${length(spare)} to spare` : `${length(-spare)} too thick`}
              </span>
              {fromMm > 0.5 && (
                <span className="block">its wall bends: it begins {length(fromMm)} further in</span>
              )}
              {(item.source ?? item.steady) && <OutWords out={made.comesOut[item.featureId]} />}
            </figcaption>
          </figure>
        );
      })}
    </div>
  );
}
