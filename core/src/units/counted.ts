/**
 * A number of things in words: one and many agree.
 * @example counted(1, 'piece') // '1 piece'
 * @example counted(2, 'copy', 'copies') // '2 copies'
 */
export const counted = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
