import { fontFiles, type FontSource } from '../pdf/fonts';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';

/** A font of printed pages, read from its package. */
export const fontFile: FontSource = (name) =>
  readFile(createRequire(import.meta.url).resolve(fontFiles[name]));
