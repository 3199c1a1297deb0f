import type { Model } from '../forms';
import type { FoamSheet } from '../materials';
import { type Join, layerOf, type Panel } from '../panel';

/** The panels of the lining: the shell's own, a lining's thickness further in. */
export function liningOf(model: Model, lining: FoamSheet): { panels: Panel[]; joins: Join[] } {
  const id = (of: string): string => `lining-${of}`;
  const lined = model.panels.filter((p) => !p.loose && !p.unseen && !p.plate && !p.existing);
  const known = new Set(lined.map((p) => p.id));
  return {
    panels: lined.map(({ mirrorOf, ...panel }): Panel => {
      const layer: Panel = {
        ...panel,
        ...layerOf(panel, -lining.thicknessMm.value),
        id: id(panel.id),
        name: lined.length === 1 ? 'lining' : `lining of ${panel.name}`,
        ...(mirrorOf !== undefined && { mirrorOf: id(mirrorOf) }),
      };
      // It is glued all over, in a foam of its own.
      delete layer.attached;
      delete layer.ply;
      return layer;
    }),
    joins: model.joins
      .filter((j) => known.has(j.a[0]) && known.has(j.b[0]))
      .map((j) => ({
        a: [id(j.a[0]), j.a[1]],
        b: [id(j.b[0]), j.b[1]],
        kind: j.kind === 'fold' ? 'seam' : j.kind,
      })),
  };
}
