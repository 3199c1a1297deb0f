import type { NamedSolid, SolidFormat } from '@fomrik/core/files/mesh/writeMesh';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { saveFile } from './saveFile';

const formats: { format: SolidFormat; label: string; type: string }[] = [
  { format: 'stl', label: 'STL', type: 'model/stl' },
  { format: 'obj', label: 'OBJ', type: 'model/obj' },
  { format: 'glb', label: 'glTF', type: 'model/gltf-binary' },
];

/** Solids to take away, in each format. */
export function SolidFiles({ name, solidsOf }: { name: string; solidsOf: () => NamedSolid[] }) {
  const build = useBuild((s) => s.doc.name);
  const take = async (format: SolidFormat, type: string): Promise<void> => {
    try {
      const { solidFile } = await import('@fomrik/core/files/mesh/writeMesh');
      saveFile(await solidFile(solidsOf(), format), `${name}.${format}`, type, build);
    } catch (error) {
      toast.error(`Not made: ${(error as Error).message}`);
    }
  };
  return (
    <span className="flex gap-2" role="group" aria-label={`Solid files of ${name}`}>
      {formats.map(({ format, label, type }) => (
        <button
          key={format}
          type="button"
          className="text-teal underline"
          onClick={() => void take(format, type)}
        >
          {label}
          <span className="sr-only"> of {name}</span>
        </button>
      ))}
    </span>
  );
}
