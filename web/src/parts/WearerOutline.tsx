/** A standing figure in hairline with the parts' places marked; left is the wearer's left. */
export function WearerOutline({ sides }: { sides: 'left' | 'right' | 'pair' | undefined }) {
  const arm = (side: 'left' | 'right'): string | undefined => {
    const x = side === 'left' ? 1 : -1;
    return sides === side || sides === 'pair'
      ? `M${x * 25} -52 L${x * 29} -52 L${x * 33} -32 L${x * 29.5} -31 Z`
      : undefined;
  };
  return (
    <svg
      viewBox="-45 -115 90 120"
      className="mx-auto h-24"
      role="img"
      aria-label={sides ? `On the ${sides === 'pair' ? 'two forearms' : `${sides} forearm`}` : 'The wearer'}
    >
      <path
        d="M0 -112 c7 0 8 6 7 11 c-1 5 -3 7 -3 10 c1 3 14 3 17 6 c4 4 6 24 9 33 l5 22 l-3 4 l-3 -2 l-7 -24 l-6 -17 l-2 19 l3 22 l-2 29 l-1 7 l-6 0 l-2 -34 l-4 -14 l-4 14 l-2 34 l-6 0 l-1 -7 l-2 -29 l3 -22 l-2 -19 l-6 17 l-7 24 l-3 2 l-3 -4 l5 -22 c3 -9 5 -29 9 -33 c3 -3 16 -3 17 -6 c0 -3 -2 -5 -3 -10 c-1 -5 0 -11 7 -11 z"
        fill="none"
        stroke="var(--color-soft)"
        strokeWidth={0.9}
      />
      {(['left', 'right'] as const).map((side) => {
        const d = arm(side);
        return d && <path key={side} d={d} fill="var(--color-foam)" />;
      })}
    </svg>
  );
}
