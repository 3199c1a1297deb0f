import { EntitySchema } from 'typeorm';

/** A picture by its content. In the database, so that one file is the whole shop and nothing is half-written. */
export interface PictureRow {
  /** SHA-256 of the bytes. */
  content: string;
  widthPx: number;
  heightPx: number;
  bytes: Buffer;
  addedAt: string;
}

export const PictureEntity = new EntitySchema<PictureRow>({
  name: 'picture',
  columns: {
    content: { type: 'text', primary: true },
    widthPx: { type: 'integer' },
    heightPx: { type: 'integer' },
    bytes: { type: 'blob' },
    addedAt: { type: 'text' },
  },
});
