import { type BuildDoc, type BuildFile, type Pin, schemaVersion } from '../document';
import { standardKinds } from '../parts';
import { fail } from '../units';
import { type Checked, hostileName, hostileSays } from '../rule';
import { checkDoc, checkFile, checkPin } from './schema';
import { withNewFields } from './upgrade/newFields';
import { fromVersion1 } from './upgrade/version1';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const tooNew = (version: unknown): Checked<never> =>
  fail(`This build file is of version ${String(version)}; this Fomrik reads up to ${schemaVersion}.`);

/** A document of any version lifted towards the present one; not yet checked by it. */
function lift(value: unknown): Checked<unknown> {
  if (!isObject(value)) return { ok: true, value };
  const hostile = hostileName(value);
  if (hostile !== undefined) return { ...fail(hostileSays(hostile)), field: hostile };
  if (typeof value['schema'] === 'number' && value['schema'] > schemaVersion) return tooNew(value['schema']);
  if (value['schema'] !== 1) return { ok: true, value: withNewFields(value, standardKinds) };
  const second = fromVersion1(value);
  return second.ok && isObject(second.value)
    ? { ok: true, value: withNewFields(second.value, standardKinds) }
    : second;
}

/** The same value with the document under `doc` as far as it can be lifted; what cannot be is for the check to tell. */
export function withLiftedDoc(value: unknown): unknown {
  if (!isObject(value)) return value;
  const doc = lift(value['doc']);
  return doc.ok ? { ...value, doc: doc.value } : value;
}

/** Any document there ever was, checked and in the present schema. */
export function upgradeDoc(value: unknown): Checked<BuildDoc> {
  const lifted = lift(value);
  return lifted.ok ? checkDoc(lifted.value) : lifted;
}

/** A pin by itself, of any version. */
export function upgradePin(value: unknown): Checked<Pin> {
  if (!isObject(value)) return checkPin(value);
  const doc = lift(value['doc']);
  return doc.ok ? checkPin({ ...value, doc: doc.value }) : doc;
}

/** The one door for build files: any version there ever was, checked and in the present schema, or a plain sentence. */
export function upgrade(value: unknown): Checked<BuildFile> {
  if (!isObject(value)) return checkFile(value);
  const version = value['fomrik'];
  if (typeof version === 'number' && version > schemaVersion) return tooNew(version);
  const build = lift(value['build']);
  if (!build.ok) return { ...build, field: `build.${build.field ?? ''}` };
  const pins: unknown[] = [];
  for (const [i, pin] of (Array.isArray(value['pins']) ? value['pins'] : []).entries()) {
    const doc: Checked<unknown> = isObject(pin) ? lift(pin['doc']) : { ok: true, value: undefined };
    if (!doc.ok) return { ...doc, field: `pins.${i}.doc.${doc.field ?? ''}` };
    pins.push(isObject(pin) ? { ...pin, doc: doc.value } : pin);
  }
  return checkFile({
    ...value,
    fomrik: version === 1 ? schemaVersion : version,
    build: build.value,
    ...(version === 1 || Array.isArray(value['pins']) ? { pins } : {}),
  });
}

/** Reads the text of a build file. */
export function readBuildFile(text: string): Checked<BuildFile> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return fail(`This is not a build file: ${(error as Error).message}.`);
  }
  return upgrade(value);
}

export const writeBuildFile = (file: BuildFile): string => `${JSON.stringify(file, null, 2)}\n`;
