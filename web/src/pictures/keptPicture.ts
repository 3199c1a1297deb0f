import type { Picture } from '@fomrik/core/picture';
import { api } from '../store/api';
import { newId } from '../store/newId';

/** A build has no more pictures than this. */
export const MOST_PICTURES = 40;

/**
 * Hands a picture to the server; gives it as a build names it, after its file.
 * @throws ApiError when it cannot be kept
 */
export async function keptPicture(file: File): Promise<Picture> {
  const kept = await api.putPicture(file);
  const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120);
  return { id: newId('picture'), name: name.trim() || 'Picture', ...kept };
}
