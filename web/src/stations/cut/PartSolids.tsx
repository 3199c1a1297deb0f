import type { NamedSolid } from '@fomrik/core/files/mesh/writeMesh';
import type { PartReport } from '@fomrik/core/parts';
import { useReport } from '../../store/report';
import { SolidFiles } from './SolidFiles';

const solidsOf = ({ name, solid, extras }: PartReport): NamedSolid[] => [
  ...(solid.mesh.triangles.length > 0 ? [{ name, mesh: solid.mesh }] : []),
  ...(extras.triangles.length > 0 ? [{ name: `${name}, laid on`, mesh: extras }] : []),
];

/** Every part as a solid, for other programs or a small print of it. */
export function PartSolids() {
  const parts = useReport((s) => s.report!.parts);
  return (
    <section aria-label="Solids" className="leaf p-3">
      <h2 className="head">Parts as solids</h2>
      <ul className="mt-1 grid grid-cols-3 gap-x-6 gap-y-1 max-[1100px]:grid-cols-2">
        {parts.map((part) => (
          <li key={part.id} className="flex justify-between gap-2">
            <span className="truncate">{part.name}</span>
            <SolidFiles name={part.name} solidsOf={() => solidsOf(part)} />
          </li>
        ))}
      </ul>
    </section>
  );
}
