import { layers, lineStyle } from '@fomrik/core/pattern';
import { sampleOf } from '@fomrik/core/pattern';
import { Shapes } from './Shapes';
import { useView } from '../store/view';

/** What each line means; the same list prints on every page. */
export function Legend() {
  const open = useView((v) => v.legendOpen);
  if (!open) return null;
  return (
    <section
      aria-label="Legend"
      className="absolute bottom-2 right-2 z-20 border border-ink bg-leaf p-2 text-[12.5px]"
    >
      <h3 className="head">Lines</h3>
      <ul>
        {layers
          .filter((l) => l !== 'text')
          .map((layer) => (
            <li key={layer} className="flex items-center gap-2">
              <svg width="48" height="18" viewBox="0 0 16 6" aria-hidden>
                <Shapes shapes={sampleOf(layer)} y={6} bold={1} />
              </svg>
              {lineStyle[layer].meaning}
            </li>
          ))}
        <li className="flex items-center gap-2">
          <span aria-hidden className="ml-8 inline-block h-3 w-3 rounded-full bg-marigold" /> lamp
        </li>
        <li>The grey lip is the foam’s true thickness.</li>
      </ul>
    </section>
  );
}
