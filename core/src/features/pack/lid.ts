import { findIn } from '../../units';
import type { Check, Feature } from '../../document';
import type { Pack } from '../../materials';
import { layersUnder, type Panel, platePiece } from '../../panel';
import { featurePath, type Laid, type LaidPart } from '../contract';
import type { Footing } from '../laying/device';
import { magnetPairs } from '../laying/magnets';

/** A lid is of dense foam this thick and stands over its pocket on every side; common practice, no source. */
export const LID_MM = 4;
const LIP_MM = 6;
const MAGNETS = 4;
const lidPly = { foamId: 'dense-eva', nominalMm: LID_MM };

type Lidded = { hatch: string };

/** The pocket of a pack, its lid counted. */
export const sizedOf = (source: Pack, { hatch }: Lidded) => ({
  widthMm: source.widthMm,
  lengthMm: source.lengthMm,
  deepMm: source.thickMm + (hatch === 'lid' ? LID_MM : 0),
  name: 'pack',
});

/** The step the lid lies in, drawn as wide as the lid when it is cut under size for snug foam. */
export const lidSeat = (source: Pack) => ({
  widthMm: source.widthMm + 2 * LIP_MM,
  lengthMm: source.lengthMm + 2 * LIP_MM,
  deepMm: LID_MM,
  name: 'seat of the lid',
});

/** The lid with what holds it, and its work. */
export function addLid(
  made: Laid,
  on: LaidPart,
  { id }: Pick<Feature, 'id'>,
  footing: Footing,
  source: Pack,
): void {
  const { widthMm: w, lengthMm: h } = lidSeat(source);
  const outline = [
    { x: 0, y: 0 },
    { x: w, y: 0 },
    { x: w, y: h },
    { x: 0, y: h },
  ];
  made.pieces.push({
    ...platePiece(
      { id: `${id}.lid`, name: 'lid of the pack' },
      {
        origin: { x: 0, y: 0, z: 0 },
        across: { x: 1, y: 0, z: 0 },
        up: { x: 0, y: 1, z: 0 },
        outline,
        cuts: [],
      },
      on.sheet(lidPly),
    ),
    role: 'laid',
    featureId: id,
    face: 'outer',
    note: `Flush in ${footing.laid!.panel.name}, over the pack.`,
  });
  made.bought.push(magnetPairs(MAGNETS));
  made.work.push({
    step: 'lids',
    when: 'flat',
    verb: 'fit',
    what: 'lids on magnets',
    count: 1,
    eachMin: 20,
    detail:
      'Cut the step for the lid before the layers are glued. A magnet in each corner of the seat and of the lid, poles tried before the glue; a loop of ribbon pulls the pack out.',
    cautions: ['blade'],
    waitMin: 0,
  });
}

/** Cells that cannot be taken out: layers lie over their pocket, or nothing opens it. */
export function closedIn(
  on: LaidPart,
  feature: Pick<Feature, 'id' | 'place'>,
  footing: Footing,
  { name }: Pack,
  { hatch }: Lidded,
): Check[] {
  const { place } = feature;
  if (place.on !== 'panel' || !footing.laid) return [];
  const all = on.panels.map((l) => l.panel);
  const thickOf = (panel: Panel): number =>
    findIn(on.panels, (l) => l.panel === panel).foam.thicknessMm.value;
  const over = all.filter(
    (p) => p !== footing.laid!.panel && layersUnder(p, all, thickOf).includes(footing.laid!.panel),
  );
  const above = (p: Panel): number => layersUnder(p, all, thickOf).length;
  const top = over.reduce<Panel | undefined>((a, b) => (a && above(a) >= above(b) ? a : b), undefined);
  if (over.length === 0 && hatch === 'lid') return [];
  return [
    {
      id: `pack-closed-${feature.id}`,
      severity: 'stop',
      station: 'inside',
      title:
        over.length > 0
          ? `${name} is glued in: ${over.length} layer${over.length > 1 ? 's lie' : ' lies'} over its pocket.`
          : `nothing covers the pocket of ${name}.`,
      why: 'Cells are changed, and a wire that fails is reached, without cutting.',
      provenance: 'practice',
      excess: 1,
      pieceId: footing.laid.panel.id,
      remedies: [
        ...(top
          ? [
              {
                label: `Into ${top.name}`,
                changes: [
                  { path: featurePath(on, feature, 'place', 'panel'), value: top.id },
                  { path: featurePath(on, feature, 'params', 'hatch'), value: 'lid' },
                ],
              },
            ]
          : []),
        ...(over.length === 0
          ? [
              {
                label: 'A flush lid on magnets',
                changes: [{ path: featurePath(on, feature, 'params', 'hatch'), value: 'lid' }],
              },
            ]
          : []),
      ],
    },
  ];
}
