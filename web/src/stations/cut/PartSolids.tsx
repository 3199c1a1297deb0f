import type { NamedSolid } from '@fomrik/core/files/mesh/writeMesh';
import type { PartReport } from '@fomrik/core/parts';
import { printingOfAll } from '@fomrik/core/printed';
import { useMemo } from 'react';
import { useReport } from '../../store/report';
import { printingWords } from './printingWords';
import { SolidFiles } from './SolidFiles';

const solidsOf = ({ name, solid, extras }: PartReport): NamedSolid[] => [
  ...(solid.mesh.triangles.length > 0 ? [{ name, mesh: solid.mesh }] : []),
  ...(extras.triangles.length > 0 ? [{ name: `${name}, laid on`, mesh: extras }] : []),
];

/** What it takes as a print, standing as it is worn. */
function AsPrint({ part }: { part: PartReport }) {
  const words = useMemo(() => printingWords(printingOfAll(solidsOf(part).map((s) => s.mesh))), [part]);
  return <span className="block text-[12.5px] text-soft">as a print: {words}</span>;
}

/** Every part as a solid, for other programs or a small print of it. */
export function PartSolids() {
  const parts = useReport((s) => s.report!.parts);
  return (
    <section aria-label="Solids" className="leaf p-3">
      <h2 className="head">Parts as solids</h2>
      <p className="text-[12.5px] text-soft">
        Prints are reckoned for 0.2 mm layers, two walls and 15 % of filling, on a bed of 220 × 220 × 220 mm
        (from memory): larger ones are sawn apart in the slicer and pinned.
      </p>
      <ul className="mt-1 grid grid-cols-3 gap-x-6 gap-y-1 max-[1100px]:grid-cols-2">
        {parts.map((part) => (
          <li key={part.id} className="flex justify-between gap-2">
            <span className="min-w-0">
              <span className="block truncate">{part.name}</span>
              <AsPrint part={part} />
            </span>
            <SolidFiles name={part.name} solidsOf={() => solidsOf(part)} />
          </li>
        ))}
      </ul>
    </section>
  );
}
