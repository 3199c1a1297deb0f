import { knownLength } from '@fomrik/core/document';
import { laidPicture, type Picture } from '@fomrik/core/picture';
import { useEffect, useState } from 'react';
import { api } from '../store/api';
import { useReport } from '../store/report';
import { pictureWorker } from '../workers/pictureClient';
import type { SquaredImage } from '../workers/picture.worker';

/** Finer than this beneath a drawing is not seen. */
const MOST_PX = 1400;

export interface Squared extends Omit<SquaredImage, 'image'> {
  url: string;
}

/** A picture squared up and to scale, as an address to draw it from; `said` while there is none. */
export function useSquared(picture: Picture | undefined): { squared?: Squared; said: string } {
  const body = useReport((s) => s.report?.body);
  const [squared, setSquared] = useState<Squared | undefined>();
  const [said, setSaid] = useState('');
  const laid = picture && body ? laidPicture(picture, knownLength(picture, body)) : undefined;
  const key = picture && laid ? JSON.stringify([picture.content, laid]) : '';
  useEffect(() => {
    setSquared(undefined);
    if (!picture) return setSaid('');
    if (!laid) return setSaid('Nothing says its size yet: mark a known length or a sheet under Brief.');
    let gone = false;
    let url: string | undefined;
    setSaid('Squaring it up…');
    pictureWorker
      .squared(api.pictureUrl(picture.content), laid, MOST_PX)
      .then(({ image, ...where }) => {
        if (gone) return;
        url = URL.createObjectURL(image);
        setSquared({ url, ...where });
        setSaid('');
      })
      .catch((error: Error) => {
        if (!gone) setSaid(error.message);
      });
    return () => {
      gone = true;
      if (url) URL.revokeObjectURL(url);
    };
    // What is drawn depends on the picture's content and how it lies, both in the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return { said, ...(squared && { squared }) };
}
