import { boundsOf, type Vec2 } from '@fomrik/core/geometry';
import type { Piece } from '@fomrik/core/panel';
import type { Report } from '@fomrik/core/report';
import { difference } from './totals';

interface Both<T> {
  key: string;
  now: T | undefined;
  then: T | undefined;
}

/** Things of two reports side by side by what they are known by; the newer one's order first. */
function sideBySide<T>(now: readonly T[], then: readonly T[], keyOf: (t: T) => string): Both<T>[] {
  const keys = [...new Set([...now, ...then].map(keyOf))];
  return keys.map((key) => ({
    key,
    now: now.find((t) => keyOf(t) === key),
    then: then.find((t) => keyOf(t) === key),
  }));
}

const sizeOf = ({ outline }: Piece): { w: number; h: number } => {
  const b = boundsOf(outline);
  return { w: b.maxX - b.minX, h: b.maxY - b.minY };
};

/** Less than this is no difference a knife could follow; mm² and mm. */
const LEAST_MM2 = 5;

const differs = ({ now, then }: Both<Piece>): boolean =>
  !now ||
  !then ||
  Math.abs(now.areaMm2 - then.areaMm2) > LEAST_MM2 ||
  now.foamName !== then.foamName ||
  now.quantity !== then.quantity;

/** Both outlines over each other, lower left corners together: then dashed, now whole. */
function Outlines({ now, then }: Both<Piece>) {
  const boxes = [now, then].flatMap((p) => (p ? [boundsOf(p.outline)] : []));
  const w = Math.max(...boxes.map((b) => b.maxX - b.minX));
  const h = Math.max(...boxes.map((b) => b.maxY - b.minY));
  const place = (outline: readonly Vec2[]): string => {
    const b = boundsOf(outline);
    return outline.map((p) => `${p.x - b.minX},${h - (p.y - b.minY)}`).join(' ');
  };
  const line = Math.max(w, h) / 70;
  return (
    <svg viewBox={`${-line} ${-line} ${w + 2 * line} ${h + 2 * line}`} className="h-16 w-24" aria-hidden>
      {now && (
        <polygon points={place(now.outline)} fill="var(--color-wash)" stroke="black" strokeWidth={line} />
      )}
      {then && (
        <polygon
          points={place(then.outline)}
          fill="none"
          stroke="var(--color-teal)"
          strokeWidth={line}
          strokeDasharray={`${line * 3} ${line * 2}`}
        />
      )}
    </svg>
  );
}

/** What the pieces, the steps and the shopping differ in, and nothing that is the same. */
export function CompareParts({ now, then, currency }: { now: Report; then: Report; currency: string }) {
  const pieces = sideBySide(now.parts, then.parts, (p) => p.id).flatMap((part) =>
    sideBySide(part.now?.pieces ?? [], part.then?.pieces ?? [], (p) => p.id)
      .filter(differs)
      .map((piece) => ({ part: (part.now ?? part.then)!.name, piece })),
  );
  const steps = sideBySide(now.steps, then.steps, (s) => s.id).filter(
    (s) => s.now?.workMin !== s.then?.workMin || s.now?.detail !== s.then?.detail,
  );
  const cost = sideBySide(now.cost, then.cost, (l) => `${l.what}/${l.unit}`).filter(
    ({ now: a, then: b }) => a?.need !== b?.need || Math.abs((a?.total ?? 0) - (b?.total ?? 0)) > 0.004,
  );
  const word = <T,>({ now: a, then: b }: Both<T>): string => (a ? (b ? '' : 'new') : 'gone');
  return (
    <div className="mt-3 grid gap-3 border-t border-hair pt-2">
      <section aria-label="Pieces that differ">
        <h3 className="head">
          {pieces.length === 0
            ? 'No piece differs'
            : `Pieces that differ (${pieces.length}); the pin’s outline dashed`}
        </h3>
        <ul className="grid grid-cols-2 gap-x-4">
          {pieces.map(({ part, piece }) => {
            const of = (piece.now ?? piece.then)!;
            const [a, b] = [piece.now && sizeOf(piece.now), piece.then && sizeOf(piece.then)];
            return (
              <li key={`${part}/${piece.key}`} className="flex items-center gap-2 border-t border-hair py-1">
                <Outlines {...piece} />
                <div className="leading-snug">
                  <p className="font-medium">
                    {part}: {of.name} {word(piece)}
                  </p>
                  {a && b && (
                    <p className="text-[13px]">
                      {a.w.toFixed(0)} × {a.h.toFixed(0)} mm{' '}
                      <span className="font-medium text-teal">
                        {difference(a.w, b.w, 1) || '='} × {difference(a.h, b.h, 1) || '='}
                      </span>
                    </p>
                  )}
                  {piece.now && piece.then && piece.now.foamName !== piece.then.foamName && (
                    <p className="text-[13px]">
                      {piece.then.foamName} → {piece.now.foamName}
                    </p>
                  )}
                </div>
              </li>
            );
          })}
        </ul>
      </section>
      <section aria-label="Steps that differ">
        <h3 className="head">
          {steps.length === 0 ? 'No step differs' : `Steps that differ (${steps.length})`}
        </h3>
        <ul>
          {steps.map((s) => (
            <li key={s.key} className="flex justify-between gap-3 border-t border-hair py-0.5 text-[13px]">
              <span>
                {(s.now ?? s.then)!.title} {word(s)}
              </span>
              <span className="shrink-0 text-teal">
                {difference(s.now?.workMin ?? 0, s.then?.workMin ?? 0, 0) || 'other words'}
                {s.now?.workMin !== s.then?.workMin && ' min'}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Shopping that differs">
        <h3 className="head">
          {cost.length === 0 ? 'Nothing else to buy' : `Shopping that differs (${cost.length})`}
        </h3>
        <ul>
          {cost.map((l) => (
            <li key={l.key} className="flex justify-between gap-3 border-t border-hair py-0.5 text-[13px]">
              <span>
                {(l.now ?? l.then)!.what} {word(l)}
              </span>
              <span className="shrink-0 text-teal">
                {difference(l.now?.need ?? 0, l.then?.need ?? 0, 2) || '='} {(l.now ?? l.then)!.unit},{' '}
                {difference(l.now?.total ?? 0, l.then?.total ?? 0, 2) || '='} {currency}
              </span>
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
