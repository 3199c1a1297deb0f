import { layers, lineStyle } from '@fomrik/core/files/drawing';
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
              <svg width="44" height="8" aria-hidden>
                <line
                  x1="0"
                  y1="4"
                  x2="44"
                  y2="4"
                  stroke="currentColor"
                  strokeWidth={lineStyle[layer].widthMm * 2.5}
                  strokeDasharray={lineStyle[layer].dashMm.map((d) => d * 2).join(' ')}
                />
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
