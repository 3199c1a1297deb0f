const words = /^(.*?)(\w+)((?: (?:in|of|on|up|behind|through|inside|along|round)\b.*|,.*)?)$/;

/**
 * A phrase of many things as one of them: its head noun, before any preposition, in the singular.
 * @example singular('holes in the case') // 'hole in the case'
 */
export function singular(many: string): string {
  const [, before = '', noun = '', after = ''] = words.exec(many) ?? [];
  if (noun === '') return many;
  const one = /(ch|sh|x|ss|ns)es$/.test(noun)
    ? noun.slice(0, -2)
    : noun.endsWith('ies')
      ? `${noun.slice(0, -3)}y`
      : noun.replace(/(?<!s)s$/, '');
  return `${before}${one}${after}`;
}
