import type { BuildDoc, Part } from '@fomrik/core/document';
import type { PixelPicture } from '@fomrik/core/view';
import { type ReactNode, useEffect, useState } from 'react';
import { besideWorker } from '../workers/besideClient';
import { PixelView } from './PixelView';

/** Pixels asked for: twice those of its place, for fine screens. */
const SIZE = 132;

const kept = new Map<string, Promise<PixelPicture | undefined>>();

/** Made once for each, while the page is open. */
function asked(key: string, parts: () => Part[], doc?: BuildDoc): Promise<PixelPicture | undefined> {
  const known = kept.get(key);
  if (known) return known;
  const made = besideWorker.begun(parts(), SIZE, doc).catch(() => undefined);
  kept.set(key, made);
  return made;
}

/** A form or a set as it begins, or a kept part, by a picture of its solid; its outline until that is there. */
export function BegunPicture({
  of,
  parts,
  doc,
  meanwhile,
  className,
}: {
  /** What it is kept by. */
  of: string;
  parts: () => Part[];
  /** The build they are of; a typical adult without one. */
  doc?: BuildDoc;
  meanwhile: ReactNode;
  className: string;
}) {
  const [picture, setPicture] = useState<PixelPicture>();
  useEffect(() => {
    let left = false;
    asked(of, parts, doc).then(
      (made) => {
        if (!left) setPicture(made);
      },
      () => undefined,
    );
    return () => {
      left = true;
    };
    // What it begins as is said by what it is kept by.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [of]);
  return picture ? <PixelView picture={picture} className={className} /> : meanwhile;
}

/** The wearer that pictures are made on. */
export const typicalWearer: BuildDoc['wearer'] = { name: 'Typical', underLayerMm: 2, measures: [] };
