import type { PartReport } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import type { PixelPicture } from '@fomrik/core/view';
import { useEffect, useState } from 'react';
import { dragging, useBuild } from '../store/build';
import { askPartPictures, useReport } from '../store/report';
import { PixelView } from './PixelView';

/** Pixels asked for: twice those of its place, for fine screens. */
const WIDTH = 208;
const HEIGHT = 156;
/** Waited after a change before a picture is made anew, ms. */
const REST_MS = 350;
/** The same for a coarse part, which as a rule gives way to a full one before; it may also be stopped at, ms. */
const COARSE_REST_MS = 3000;

const kept = new WeakMap<PartReport, { scheme: unknown; picture: PixelPicture }>();

/** A part by a picture of its own solid in its finish; kept while the part is as it was. */
export function PartPicture({ made, small }: { made: PartReport; small: boolean }) {
  const scheme = useBuild((s) => byId(s.doc.parts, made.id)?.scheme);
  const coarse = useReport((s) => s.report?.coarse.includes(made.id) ?? true);
  const known = kept.get(made);
  const right = known?.scheme === scheme ? known?.picture : undefined;
  const [shown, setShown] = useState<PixelPicture | undefined>(right);
  useEffect(() => {
    if (right) return setShown(right);
    let left = false;
    const ask = (): void => {
      if (dragging()) {
        timer = setTimeout(ask, REST_MS);
        return;
      }
      askPartPictures([made.id], WIDTH, HEIGHT).then(
        ([answer]) => {
          if (!answer) return;
          kept.set(made, { scheme, picture: answer.picture });
          if (!left) setShown(answer.picture);
        },
        () => undefined,
      );
    };
    let timer = setTimeout(ask, coarse ? COARSE_REST_MS : REST_MS);
    return () => {
      left = true;
      clearTimeout(timer);
    };
  }, [made, scheme, right, coarse]);
  const size = small ? 'h-12 w-full' : 'h-20 w-full';
  return shown ? <PixelView picture={shown} className={size} /> : <div className={size} aria-hidden />;
}
