import { type Body, zoneInfo } from '@fomrik/core/body';
import type { Part } from '@fomrik/core/document';
import { formOf, standardKinds } from '@fomrik/core/parts';
import { FormPicture, sizeMm } from '../parts/FormPicture';
import { WearerOutline } from '../parts/WearerOutline';

const sidesOn = (side: string): readonly (1 | -1)[] =>
  side === 'left' ? [-1] : side === 'right' ? [1] : side === 'pair' ? [1, -1] : [-1];

/** The parts of a set: worn ones on the figure, those held by their outlines to scale. */
export function SetPicture({ parts, body }: { parts: readonly Part[]; body: Body }) {
  const worn = parts.flatMap(({ mount }) =>
    mount.to === 'wearer' && !zoneInfo(mount.zone).held ? [mount] : [],
  );
  if (worn.length > 0)
    return (
      <span className="[&_svg]:h-18">
        <WearerOutline zones={worn.map(({ zone, side }) => ({ zone, sides: sidesOn(side), here: true }))} />
      </span>
    );
  const outlines = parts.map((p) => formOf(standardKinds, p.form).silhouette(p.params, body));
  const largest = Math.max(...outlines.map(sizeMm));
  return (
    <span className="grid h-18 grid-cols-2 [&_svg]:size-9 place-items-center" aria-hidden>
      {outlines.slice(0, 4).map((outline, i) => (
        <FormPicture key={i} outline={outline} largestMm={largest} />
      ))}
    </span>
  );
}
