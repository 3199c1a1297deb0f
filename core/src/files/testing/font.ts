import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';

/** The font of printed pages, read from its package. */
export const fontFile = async (): Promise<Uint8Array> =>
  readFile(createRequire(import.meta.url).resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf'));
