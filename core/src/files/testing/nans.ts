/** Where in a value there is no number where one is promised, by path. */
export function nans(value: unknown, at = ''): string[] {
  if (typeof value === 'number') return Number.isNaN(value) ? [at] : [];
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, of]) => nans(of, `${at}.${key}`));
}
