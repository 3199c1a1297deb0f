import type { BuildDoc, BuildFile, KeptPicture } from '@fomrik/core/document';
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { type DataSource, type EntityManager, In } from 'typeorm';
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
async function readKept({ content, base64 }: KeptPicture): Promise<PictureRow | undefined> {
  const bytes = Buffer.from(base64, 'base64');
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

  /** What a build file carries of the pictures its documents name. */
  async keptOf(file: BuildFile): Promise<KeptPicture[]> {
    const rows = await this.db.getRepository(PictureEntity).findBy({
      content: In([
        ...contentsOf(file.build),
        ...file.pins.flatMap((p) => contentsOf(p.doc)),
        ...file.log.flatMap((e) => e.photos ?? []),
      ]),
    });
    return rows.map(({ content, bytes }) => ({ content, base64: bytes.toString('base64') }));
  }
}

const contentsOf = ({ pictures = [] }: BuildDoc): string[] => pictures.map((p) => p.content);

/** Keeps the pictures a build file brings, within a transaction; one that is not what it claims is left out. */
export async function keepPictures(tx: EntityManager, kept: readonly KeptPicture[] = []): Promise<void> {
  for (const picture of kept) {
    const row = await readKept(picture);
    if (row) await tx.upsert(PictureEntity, row, ['content']);
  }
}
