import { resolveBody } from '@fomrik/core/body';
import type { Part } from '@fomrik/core/document';
import { newBuild } from '@fomrik/core/parts';
import { coarseParts } from '@fomrik/core/report';
import { finishedPicture } from '@fomrik/core/stepPicture';
import { partPicture, type PixelPicture } from '@fomrik/core/view';

/** On a typical adult. */
const body = resolveBody([]);
const typical = newBuild('Picture', '2026-01-01', { name: 'Typical', underLayerMm: 2, measures: [] });

/** What parts look like before anything is changed: one by itself, several as they are worn or held together. */
export function begunPicture(parts: Part[], size: number): PixelPicture | undefined {
  const made = coarseParts({ ...typical, parts });
  const [first] = made;
  if (!first) return undefined;
  return parts.length === 1
    ? partPicture(first, undefined, size, size)
    : finishedPicture(body, made, parts, size, size);
}
