import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** The file in the data directory that says where its server answers. */
export const RUNNING = 'running.json';

/** Where the server of a data directory answers; nothing when none has said so. */
export function runningAt(dataDir: string): string | undefined {
  try {
    return (JSON.parse(readFileSync(join(dataDir, RUNNING), 'utf8')) as { url: string }).url;
  } catch {
    return undefined;
  }
}
