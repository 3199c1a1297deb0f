import { readdirSync, readFileSync } from 'node:fs';
import type { BuildDoc } from '../../document';
import { readBuildFile } from '../buildFile';

const known = new Map<string, BuildDoc>();

/** The same for every test: none may write in it. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    for (const own of Object.values(value)) frozen(own);
  }
  return value;
}

/** A build of the demo data, read as anyone's file is; read once. */
export function demo(name: string): BuildDoc {
  const before = known.get(name);
  if (before) return before;
  const read = readBuildFile(
    readFileSync(new URL(`../../../../demo/${name}.fomrik.json`, import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(`${name}: ${read.field ?? ''} ${read.message}`);
  const build = frozen(read.value.build);
  known.set(name, build);
  return build;
}

/** Names of all demo builds. */
export const demoNames = (): string[] =>
  readdirSync(new URL('../../../../demo', import.meta.url))
    .filter((f) => f.endsWith('.fomrik.json'))
    .map((f) => f.replace('.fomrik.json', ''));
