import { featureName } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { useBuild } from '../../store/build';
import { useShownParts } from '../../store/version';
import { Photo } from '../log/Photo';

/** What was written down of the details of a part, with its photographs: at hand where it is worked on. */
export function Noted({ partId }: { partId: string }) {
  const pictures = useBuild((s) => s.doc.pictures) ?? [];
  const features = byId(useShownParts(), partId)?.features ?? [];
  const noted = features.filter((f) => f.note !== undefined || f.picture !== undefined);
  if (noted.length === 0) return null;
  return (
    <section aria-label="Noted of its details" className="mt-3 max-w-2xl border-l-4 border-soft bg-paper p-2">
      <ul className="grid gap-1 text-[15px]">
        {noted.map((f) => {
          const name = featureName(f, features);
          const photo = byId(pictures, f.picture);
          return (
            <li key={f.id} className="flex items-center gap-2">
              {photo && <Photo content={photo.content} about={`of ${name.toLowerCase()}`} />}
              <span className="min-w-0">
                <strong>{name}.</strong> {f.note}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
