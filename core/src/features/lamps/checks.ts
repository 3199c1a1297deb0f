import type { Check, Proposal, PanelSpot } from '../../document';
import { ledBodies } from '../../materials';
import type { LaidPanel } from '../../panel';
import { trimNumber, firstOf } from '../../units';
import { featurePath, type Item, type LaidPart } from '../contract';
import { spotBy, spotFrom } from '../laying/spot';
import type { LampParams } from './lamps';
import { layoutOf } from './layout';

/** Least foam round a lamp window, mm (common practice, no source). */
const WINDOW_MARGIN_MM = 8;
export const LEAST_PITCH_MM = 6;
/** Foam from a place either way, as far as a window keeps its margin; mm. */
function clearRun(laid: LaidPanel, place: PanelSpot, clearMm: number): [number, number] {
  const reach = (sign: 1 | -1): number => {
    let mm = 0;
    while (mm < 600 && spotFrom(laid, place, sign * (mm + 4)).marginMm >= clearMm) mm += 4;
    return mm;
  };
  return [reach(-1), reach(1)];
}

/** A circle or a grid moved to the middle of its piece, and drawn together as far as it must be. */
function drawnIn(
  on: LaidPart,
  id: string,
  laid: LaidPanel,
  place: PanelSpot,
  params: LampParams,
  clearMm: number,
): Proposal[] {
  const all = (at: PanelSpot, pitchMm: number): boolean =>
    layoutOf({ ...params, pitchMm }, at.turnDeg).every((by) => spotBy(laid, at, by).marginMm >= clearMm);
  return [
    { at: place, words: 'Draw it together' },
    { at: { ...place, u: 0.5, v: 0.5 }, words: 'Middle of the piece' },
  ].flatMap(({ at, words }): Proposal[] => {
    for (let pitchMm = params.pitchMm; pitchMm >= LEAST_PITCH_MM; pitchMm = Math.floor(pitchMm - 1))
      if (all(at, pitchMm))
        return [
          {
            label: pitchMm < params.pitchMm ? `${words}, ${pitchMm} mm apart` : words,
            changes: [
              { path: featurePath(on, { id }, 'place'), value: at },
              { path: featurePath(on, { id }, 'params', 'pitchMm'), value: pitchMm },
            ],
          },
        ];
    return [];
  });
}

/** Ways to bring a whole row onto foam: centred where it is, or in the middle of the piece, closer together if it must be. */
function centred(
  on: LaidPart,
  id: string,
  laid: LaidPanel,
  place: PanelSpot,
  params: LampParams,
): Proposal[] {
  const clear = WINDOW_MARGIN_MM + ledBodies[params.body].bodyMm / 2 + 1;
  if (params.layout !== 'line') return drawnIn(on, id, laid, place, params, clear);
  const spans = params.count - 1;
  const tries: { place: PanelSpot; words: string }[] = [
    { place, words: 'Centre the row' },
    { place: { ...place, u: 0.5, v: 0.5 }, words: 'Middle of the piece' },
    {
      place: { ...place, u: 0.5, v: 0.5, turnDeg: (place.turnDeg + 90) % 360 },
      words: 'Middle of the piece, turned',
    },
  ];
  return tries.flatMap(({ place: at, words }): Proposal[] => {
    if (spotFrom(laid, at, 0).marginMm < clear) return [];
    const [back, ahead] = clearRun(laid, at, clear);
    const pitchMm =
      spans === 0 ? params.pitchMm : Math.min(params.pitchMm, Math.floor((back + ahead) / spans));
    if (pitchMm < LEAST_PITCH_MM) return [];
    const start = (ahead - back - spans * pitchMm) / 2;
    const uv = laid.uvAt(spotFrom(laid, at, start).flat);
    if (!uv) return [];
    const round = (t: number): number => Math.round(t * 1e4) / 1e4;
    return [
      {
        label: pitchMm < params.pitchMm ? `${words}, ${pitchMm} mm apart` : words,
        changes: [
          {
            path: featurePath(on, { id }, 'place'),
            value: { ...at, u: round(uv.x), v: round(uv.y) },
          },
          { path: featurePath(on, { id }, 'params', 'pitchMm'), value: pitchMm },
        ],
      },
    ];
  });
}

/** Windows too near an edge, lamps too deep for the gap, wires that nothing covers. */
export function checksOf(
  on: LaidPart,
  id: string,
  laid: LaidPanel,
  place: PanelSpot,
  params: LampParams,
  items: readonly Item[],
): Check[] {
  const checks: Check[] = [];
  const half = ledBodies[params.body].bodyMm / 2;
  const off = items.filter((l) => l.marginMm - half < WINDOW_MARGIN_MM);
  const worst = Math.min(...items.map((l) => l.marginMm));
  if (off.length > 0)
    checks.push({
      id: `lamp-edge-${id}`,
      severity: worst < half ? 'stop' : 'mind',
      station: 'inside',
      title: `${off.length} lamp window${off.length > 1 ? 's' : ''} on ${laid.panel.name} ${worst < 0 ? 'beside the piece' : `${trimNumber(worst, 0)} mm from an edge`}; keep ${WINDOW_MARGIN_MM} mm ${laid.panel.existing ? 'of wall' : 'of foam'} round each.`,
      why: laid.panel.existing
        ? 'A thin bridge of plastic splits while it is drilled.'
        : 'A thin bridge of foam tears when it is bent.',
      provenance: 'practice',
      excess: off.reduce((sum, l) => sum + WINDOW_MARGIN_MM + half - l.marginMm, 0),
      pieceId: laid.panel.id,
      remedies: centred(on, id, laid, place, params),
    });
  const short = Math.max(...items.map((l) => l.fit!.needMm - l.fit!.haveMm));
  if (short > 0.05)
    checks.push({
      id: `lamp-deep-${id}`,
      severity: 'mind',
      station: 'inside',
      title: `lamps stand ${trimNumber(firstOf(items).fit!.needMm)} mm out behind the ${laid.panel.existing ? 'wall' : 'foam'}, ${trimNumber(short)} mm more than the gap there.`,
      why: 'The leads press into the sleeve and short on sweat.',
      provenance: 'memory',
      excess: short,
      pieceId: laid.panel.id,
      remedies: [{ need: 'room', mm: short }],
    });
  if (!on.lined && !laid.panel.existing)
    checks.push({
      id: 'lining',
      severity: 'note',
      station: 'inside',
      title: 'nothing covers the wires inside.',
      why: 'A 2 mm lining keeps solder off the sleeve and sweat off the solder.',
      provenance: 'practice',
      excess: 1,
      remedies: [
        {
          label: 'Add a 2 mm lining',
          changes: [{ path: ['lining'], value: { foamId: 'dense-eva', nominalMm: 2 } }],
          certain: true,
        },
      ],
    });
  return checks;
}
