import type { Feature } from '../document';
import { contains, dot3, sub3 } from '../geometry';
import { onGrid, type LaidPanel } from '../panel';

/** A feature on a panel that was parted, on the part of it that its spot now lies on; the document keeps the whole's name. */
export function repointed(feature: Feature, laid: readonly LaidPanel[]): Feature {
  const { place } = feature;
  if (place.on !== 'panel') return feature;
  const parts = laid.filter(({ panel }) => (panel.dividedFrom ?? panel.id) === place.panel);
  if (parts.length < 2) return feature;
  const there = parts.find(({ panel: { plate, grid } }) => {
    if (!plate) return false;
    const d = sub3(onGrid(grid, { x: place.u, y: place.v }), plate.origin);
    return contains(plate.outline, { x: dot3(d, plate.across), y: dot3(d, plate.up) });
  });
  return there ? { ...feature, place: { ...place, panel: there.panel.id } } : feature;
}
