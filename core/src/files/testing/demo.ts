import { readdirSync, readFileSync } from 'node:fs';
import type { BuildDoc } from '../../document';
import { readBuildFile } from '../buildFile';

/** A build of the demo data, read as anyone's file is. */
export function demo(name: string): BuildDoc {
  const read = readBuildFile(
    readFileSync(new URL(`../../../../demo/${name}.fomrik.json`, import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(`${name}: ${read.field ?? ''} ${read.message}`);
  return read.value.build;
}

/** Names of all demo builds. */
export const demoNames = (): string[] =>
  readdirSync(new URL('../../../../demo', import.meta.url))
    .filter((f) => f.endsWith('.fomrik.json'))
    .map((f) => f.replace('.fomrik.json', ''));
