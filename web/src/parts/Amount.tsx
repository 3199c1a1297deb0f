/** A number with its unit small and set apart, from printed text such as `12.5 mm`. */
export function Amount({ text }: { text: string }) {
  const split = /^([-+≈]?[\d.,]+)\s*(.*)$/.exec(text);
  if (!split || /["'/]/.test(text)) return <>{text}</>;
  return (
    <>
      {split[1]}
      {split[2] && <span className="unit">{split[2]}</span>}
    </>
  );
}
