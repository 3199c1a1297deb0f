/** A name that nothing else has. Not from `crypto.randomUUID`, which a page without TLS does not have. */
export const newId = (kind: string): string => {
  const bytes = crypto.getRandomValues(new Uint8Array(9));
  return `${kind}-${[...bytes].map((b) => b.toString(16).padStart(2, '0')).join('')}`;
};
