import { useEffect, useState } from 'react';
import { api } from '../../store/api';
import { useBuild } from '../../store/build';

type Lesson = Awaited<ReturnType<typeof api.lessons>>[number];

/** What earlier builds said to do otherwise next time. */
export function Lessons() {
  const id = useBuild((s) => s.id);
  const [lessons, setLessons] = useState<readonly Lesson[]>([]);
  useEffect(() => {
    let gone = false;
    // Without the server there is nothing to tell; what is wrong with it is reported where it saves.
    api.lessons(id!).then(
      (found) => !gone && setLessons(found),
      () => undefined,
    );
    return () => void (gone = true);
  }, [id]);
  if (lessons.length === 0) return null;
  return (
    <section aria-label="From earlier builds">
      <h2 className="head">From earlier builds: otherwise this time</h2>
      <ul className="mt-1 grid max-w-3xl gap-1">
        {lessons.map((l) => (
          <li key={`${l.build}/${l.id}`} className="border-l-4 border-hair pl-2">
            <strong>{l.subject}</strong>
            {l.note && `: ${l.note}`}
            <span className="block text-[12.5px] text-soft">{l.build}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
