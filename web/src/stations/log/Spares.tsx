import { byId } from '@fomrik/core/units';
import { useBuild } from '../../store/build';
import { useNotes } from '../../store/notes';

/** What broke before breaks again: the parts to take spares or glue for. */
export function Spares() {
  const log = useNotes((s) => s.log);
  const parts = useBuild((s) => s.doc.parts);
  const broke = log.filter((e) => e.sort === 'broke');
  if (broke.length === 0) return null;
  const partIds = [...new Set(broke.map((e) => e.part))];
  return (
    <section aria-label="Spares">
      <h2 className="head">Spares: what broke before</h2>
      <ul className="mt-1 grid max-w-3xl gap-1">
        {partIds.map((id) => {
          const own = broke.filter((e) => e.part === id);
          const name = id ? (byId(parts, id)?.name ?? 'a part that is gone') : 'The whole build';
          return (
            <li key={id ?? ''}>
              <strong>{name}</strong>
              {own.length > 1 && `, ${own.length} times`}: {own.map((e) => e.subject).join('; ')}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
