/** Some properties of something, as they are; one that is not there is not there either. */
export function pick<T extends object, K extends keyof T>(from: T, keys: readonly K[]): Pick<T, K> {
  return Object.fromEntries(keys.filter((key) => key in from).map((key) => [key, from[key]])) as Pick<T, K>;
}
