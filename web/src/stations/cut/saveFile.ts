const plainName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'build';

/** Hands a made file to the browser's own download. */
export function saveFile(content: Uint8Array | string, kind: string, type: string, buildName: string): void {
  const blob = new Blob([typeof content === 'string' ? content : new Uint8Array(content)], { type });
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = `${plainName(buildName)}-${kind}`;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
