import { resolveBody } from '@fomrik/core/body';
import type { BuildDoc, Part } from '@fomrik/core/document';
import { newBuild } from '@fomrik/core/parts';
import { coarseParts } from '@fomrik/core/report';
import { finishedPicture } from '@fomrik/core/stepPicture';
import { partPicture, type PixelPicture } from '@fomrik/core/view';

/** On a typical adult. */
const body = resolveBody([]);
const typical = newBuild('Picture', '2026-01-01', { name: 'Typical', underLayerMm: 2, measures: [] });

/** What parts look like: one by itself, several as they are worn or held together; of a build, or on a typical adult. */
export function begunPicture(parts: Part[], size: number, of: BuildDoc = typical): PixelPicture | undefined {
  const made = coarseParts({ ...of, parts });
  const [first] = made;
  if (!first) return undefined;
  return parts.length === 1
    ? partPicture(first, parts[0]?.scheme, size, size)
    : finishedPicture(body, made, parts, size, size);
}
