import type { EntityManager, EntitySchema, FindOptionsWhere } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import { HttpError, notFound } from './errors';

/** A row that counts its changes. */
export interface Versioned {
  version: number;
}

/** Something that the shop keeps, as it is called in sentences. */
export interface ItemKind<T extends Versioned> {
  entity: EntitySchema<T>;
  what: string;
}

function stale<T extends Versioned>(what: string, current: T | null, baseVersion: number): HttpError {
  const message = current
    ? `This ${what} was changed elsewhere meanwhile: it is at version ${current.version}, yours began from ${baseVersion}.`
    : `This ${what} was taken out elsewhere meanwhile.`;
  return new HttpError(409, 'stale', message, { current });
}

/**
 * Writes one item, within a transaction, when nobody did since `baseVersion`; 0 is for one that is new.
 * @returns its new version.
 * @throws HttpError 409 with what is there, when somebody did.
 */
export async function putItem<T extends Versioned>(
  tx: EntityManager,
  { entity, what }: ItemKind<T>,
  key: FindOptionsWhere<T>,
  baseVersion: number,
  row: Omit<T, 'version'>,
): Promise<number> {
  const current = await tx.findOneBy(entity, key);
  if ((current?.version ?? 0) !== baseVersion) throw stale(what, current, baseVersion);
  const version = baseVersion + 1;
  const next = { ...row, version } as QueryDeepPartialEntity<T>;
  if (current) await tx.update(entity, key, next);
  else await tx.insert(entity, next);
  return version;
}

/** Takes one item out under the same rule. */
export async function removeItem<T extends Versioned>(
  tx: EntityManager,
  { entity, what }: ItemKind<T>,
  key: FindOptionsWhere<T>,
  baseVersion: number,
): Promise<void> {
  const current = await tx.findOneBy(entity, key);
  if (!current) throw notFound(what);
  if (current.version !== baseVersion) throw stale(what, current, baseVersion);
  await tx.delete(entity, key);
}
