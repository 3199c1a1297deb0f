import type { PartReport } from '@fomrik/core/parts';
import { PartPicture } from '../PartPicture';

/** The same part by day, beside the one in the dark. */
export function LightsOff({ made }: { made: PartReport }) {
  return (
    <figure className="leaf pointer-events-none absolute left-2 top-2 w-28 p-1 text-[12px]">
      <PartPicture made={made} small={false} />
      <figcaption className="text-center">Lights off</figcaption>
    </figure>
  );
}
