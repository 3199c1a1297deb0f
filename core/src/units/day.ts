/** Whether a text is YYYY-MM-DD and a day there is, in years people plan for. */
export function isRealDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const at = new Date(`${text}T00:00:00Z`);
  const year = Number(text.slice(0, 4));
  return (
    !Number.isNaN(at.getTime()) && at.toISOString().slice(0, 10) === text && year >= 1900 && year <= 2200
  );
}
