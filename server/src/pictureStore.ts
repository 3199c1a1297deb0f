import type { KeptPicture } from '@fomrik/core/document';
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import type { DataSource, EntityManager } from 'typeorm';
import { PictureEntity, type PictureRow } from './entities/picture';
import { HttpError } from './errors';

/** Longer than this either way, a picture is made smaller: finer than a hand can mark. */
const MOST_PX = 2400;
/** A picture that unpacks to more than this is refused before it is unpacked. */
const MOST_PIXELS = 120e6;
const FORMATS = ['jpeg', 'png', 'webp'];

export type PictureInfo = Pick<PictureRow, 'content' | 'widthPx' | 'heightPx'>;

const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');

/**
 * A PNG, JPEG or WebP turned the right way up and packed anew as WebP; place, camera and every other note in it go.
 * @throws HttpError 415 when it is no such picture, or is broken or far too large.
 */
export async function readPicture(bytes: Buffer): Promise<PictureRow> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await picture.metadata();
    if (!FORMATS.includes(format)) throw new Error(`a ${format} file`);
    const { data, info } = await picture
      .autoOrient()
      .resize({ width: MOST_PX, height: MOST_PX, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: 84 })
      .toBuffer({ resolveWithObject: true });
    return {
      content: hashOf(data),
      widthPx: info.width,
      heightPx: info.height,
      bytes: data,
      addedAt: new Date().toISOString(),
    };
  } catch {
    throw new HttpError(
      415,
      'not-a-picture',
      'This is not a PNG, JPEG or WebP picture that can be read (up to 120 million pixels).',
    );
  }
}

/** The kept bytes that came with a build file, if they are what they claim to be and carry no notes. */
async function readKept(content: string, bytes: Buffer): Promise<PictureRow | undefined> {
  if (hashOf(bytes) !== content) return undefined;
  try {
    const { format, width, height, exif, xmp, iptc } = await sharp(bytes, {
      limitInputPixels: MOST_PIXELS,
    }).metadata();
    if (format !== 'webp' || exif || xmp || iptc) return undefined;
    return { content, widthPx: width, heightPx: height, bytes, addedAt: new Date().toISOString() };
  } catch {
    return undefined;
  }
}

/** Pictures by their content; the same picture twice is kept once. */
export class PictureStore {
  constructor(private readonly db: DataSource) {}

  async add(row: PictureRow): Promise<PictureInfo> {
    await this.db.getRepository(PictureEntity).upsert(row, ['content']);
    return { content: row.content, widthPx: row.widthPx, heightPx: row.heightPx };
  }

  async bytes(content: string): Promise<Buffer | undefined> {
    return (await this.db.getRepository(PictureEntity).findOneBy({ content }))?.bytes;
  }

  /** Keeps a picture that came with a build file, if it is what it claims to be. */
  async addKept(content: string, bytes: Buffer): Promise<void> {
    const row = await readKept(content, bytes);
    if (row) await this.db.getRepository(PictureEntity).upsert(row, ['content']);
  }

  /** The kept pictures that a build, its pins and its log name, and what they come to. */
  async namedBy(buildId: string): Promise<{ contents: string[]; bytes: number }> {
    const rows: { content: string; bytes: number }[] = await this.db.query(
      `SELECT content, length(bytes) AS bytes FROM picture WHERE content IN (${NAMED('= ?')}) ORDER BY content`,
      [buildId, buildId, buildId],
    );
    return { contents: rows.map((r) => r.content), bytes: rows.reduce((sum, r) => sum + r.bytes, 0) };
  }

  /**
   * Takes pictures away that nothing names any more, neither build nor revision nor pin nor log nor kept part, once they
   * are older than a day: one that was just sent may be named by the next save.
   * @returns how many.
   */
  async sweep(now: Date): Promise<number> {
    const before = new Date(now.getTime() - DAY_MS).toISOString();
    const rows: { content: string }[] = await this.db.query(
      `DELETE FROM picture WHERE addedAt < ? AND content NOT IN (${NAMED('IS NOT NULL')}
         UNION ${picturesIn('revision')} UNION ${picturesIn('kept_part')}) RETURNING content`,
      [before],
    );
    return rows.length;
  }
}

const DAY_MS = 86_400_000;

/** A column that may hold no JSON, as one that does. */
const sound = (column: string, otherwise: string): string =>
  `CASE WHEN json_valid(${column}) THEN ${column} ELSE '${otherwise}' END`;

/** Contents named by the documents of a table; a document that is no JSON names none that can be told. */
const picturesIn = (table: string, where = '1'): string =>
  `SELECT json_extract(p.value, '$.content') FROM ${table} t, json_each(${sound('t.doc', '{}')}, '$.pictures') p
     WHERE ${where}`;

/** Contents named by builds, their pins and their logs. */
const NAMED = (id: string): string =>
  `${picturesIn('build', `t.id ${id}`)} UNION ${picturesIn('pin', `t.buildId ${id}`)}
   UNION SELECT p.value FROM log_entry t, json_each(${sound('t.photos', '[]')}) p
     WHERE t.buildId ${id}`;

/** Keeps the pictures a build file brings, within a transaction; one that is not what it claims is left out. */
export async function keepPictures(tx: EntityManager, kept: readonly KeptPicture[] = []): Promise<void> {
  for (const picture of kept) {
    const row = await readKept(picture.content, Buffer.from(picture.base64, 'base64'));
    if (row) await tx.upsert(PictureEntity, row, ['content']);
  }
}
