import type { Check, PanelSpot } from '../../document';
import { add3, contains, distanceToEdge, rotate2, scale3, type Vec2 } from '../../geometry';
import { edgeGlow } from '../../light';
import { ledBodies } from '../../materials';
import { type LaidPanel, plateMesh, platePiece } from '../../panel';
import { counted, trimNumber } from '../../units';
import { featurePath, type Item, type Laid, type LaidPart, nothing, notLaid } from '../contract';
import { spotBy, wayInSpace } from '../laying/spot';
import { evener } from './evener';
import { type EdgeParams, FOOT_MM, sheetOf } from './fields';

const LED_MM = ledBodies['3mm'];
/** Foam left round the slot, mm; from memory. */
const RIM_MM = 4;

/** How much of a sheet that stands free is hidden: its foot in the foam of its piece and behind it. */
export const hiddenFoot = (laid: LaidPanel): number => laid.foam.thicknessMm.value + FOOT_MM;

/** A sheet that stands free: a slot in its piece, its foot behind it, and lamps under that. */
export function layFree(
  on: LaidPart,
  laid: LaidPanel,
  place: PanelSpot,
  id: string,
  params: EdgeParams,
): Laid {
  const { widthMm: w, heightMm: h, sheetMm, lamps } = params;
  const { name } = laid.panel;
  const centre = laid.flatAt({ x: place.u, y: place.v });
  const flatBy = (x: number, y: number): Vec2 => rotate2({ x, y }, (-place.turnDeg * Math.PI) / 180);
  const slot = [
    flatBy(-w / 2, -sheetMm / 2),
    flatBy(w / 2, -sheetMm / 2),
    flatBy(w / 2, sheetMm / 2),
    flatBy(-w / 2, sheetMm / 2),
  ].map((p) => ({ x: centre.x + p.x, y: centre.y + p.y }));
  const margin = Math.min(
    ...slot.map((p) => (contains(laid.piece.outline, p) ? distanceToEdge(laid.piece.outline, p) : -1)),
  );
  const size = `${trimNumber(w)} × ${trimNumber(h)} mm`;
  if (margin < RIM_MM)
    return notLaid(
      { id },
      'inside',
      `the slot of a sheet of ${size} that stands free comes within ${RIM_MM} mm of the edge of ${name}.`,
    );
  const sheet = on.sheet({ foamId: `acrylic-${params.look}`, nominalMm: sheetMm });
  const foot = hiddenFoot(laid);
  const glow = edgeGlow(sheetOf(params, foot));
  const wanted = params.evenPct / 100;
  const { at, normal } = spotBy(laid, { ...place, turnDeg: 0 }, { x: 0, y: 0 });
  const { along, across } = wayInSpace(normal, place.turnDeg);
  const needMm = FOOT_MM + LED_MM.lengthMm;
  const haveMm = on.rooms.find((r) => r.panel === laid.panel.id && !r.solid)?.depthAt(centre) ?? 0;
  const check = { severity: 'mind', station: 'inside', pieceId: laid.panel.id } as const;
  const checks: Check[] = [];
  if (glow.evenness < wanted)
    checks.push({
      ...check,
      id: `edge-even-${id}`,
      title: `the free sheet of ${size} fades: its darkest spot has ${trimNumber(glow.evenness * 100, 0)} % of the mean, ${params.evenPct} % is wanted.`,
      why: 'Every engraved spot takes light from those behind it. Engrave less near the lamps and more away from them, if you do it by hand.',
      provenance: 'memory',
      excess: wanted - glow.evenness,
      remedies: evener(on, id, params, foot),
    });
  if (params.edges === 'lit')
    checks.push({
      ...check,
      id: `edge-free-${id}`,
      title: `nothing lights the far edge of a sheet that stands free on ${name}: it is taken as plain.`,
      why: 'Lamps there would be seen, and their wires. Foil on it gives its light back.',
      provenance: 'standard',
      excess: 1,
      remedies: [
        {
          label: 'Foil tape on it',
          changes: [{ path: featurePath(on, { id }, 'params', 'edges'), value: 'foil' }],
        },
      ],
    });
  if (needMm > haveMm + 0.05)
    checks.push({
      ...check,
      id: `edge-deep-${id}`,
      title: `the foot of a free sheet and its lamps are ${trimNumber(needMm)} mm deep, ${trimNumber(Math.max(0, haveMm))} mm is behind ${name}.`,
      why: 'It presses into the wearer or does not go in.',
      provenance: 'standard',
      excess: needMm - haveMm,
      remedies: [{ need: 'room', mm: needMm - haveMm }],
    });
  return {
    ...nothing(),
    pieces: [
      {
        ...platePiece(
          { id: `${id}.sheet`, name: 'free sheet' },
          {
            origin: { x: 0, y: 0, z: 0 },
            across: { x: 1, y: 0, z: 0 },
            up: { x: 0, y: 1, z: 0 },
            outline: [
              { x: 0, y: 0 },
              { x: w, y: 0 },
              { x: w, y: h + foot },
              { x: 0, y: h + foot },
            ],
            cuts: [],
          },
          sheet,
        ),
        role: 'laid',
        featureId: id,
        face: 'outer',
        note: `Stands on ${name}, its lowest ${trimNumber(foot)} mm in the slot and behind it; engrave ${params.engravedPct} % of its back before it is sawn. Polish the lit edge.`,
      },
    ],
    marks: [
      {
        pieceId: laid.panel.id,
        mark: { kind: 'slot', points: slot, text: `slot ${trimNumber(w)} × ${trimNumber(sheetMm)} mm` },
      },
    ],
    solids: [
      plateMesh(
        {
          origin: add3(at, scale3(along, sheetMm / 2)),
          across,
          up: normal,
          outline: [
            { x: -w / 2, y: 0 },
            { x: w / 2, y: 0 },
            { x: w / 2, y: h },
            { x: -w / 2, y: h },
          ],
          cuts: [],
        },
        sheetMm,
      ),
    ],
    items: Array.from({ length: lamps }, (_, i): Item => {
      const by = flatBy(((i + 0.5) / lamps - 0.5) * w, 0);
      const over = spotBy(laid, { ...place, turnDeg: 0 }, by);
      return {
        id: `${id}-${i + 1}`,
        featureId: id,
        name: `${params.colour} lamp ${i + 1}`,
        at: add3(over.at, scale3(over.normal, -foot)),
        normal: over.normal,
        marginMm: margin,
        massG: LED_MM.massG,
        lamp: { colour: params.colour, led: LED_MM },
      };
    }),
    bought: [
      {
        what: `3 mm ${params.colour} LED`,
        unit: 'lamps',
        count: lamps,
        each: LED_MM.price,
        massG: 0,
        provenance: 'memory',
      },
    ],
    work: [
      {
        step: 'edge-free',
        when: 'lit',
        verb: 'engrave',
        what: 'free sheets',
        count: 1,
        eachMin: 50,
        detail: `Engraved first, while the sheet is whole and lies flat: the drawing taped beneath it, scratched or milled through the film of its back. Then sawn with the film on, edges scraped and sanded wet to 600 grit, the lit edge polished and drilled for ${counted(lamps, 'lamp')}. Slot cut to a push fit; lit in the dark before clear glue holds its foot.`,
        cautions: ['boardDust', 'blade'],
        waitMin: 0,
      },
    ],
    checks,
  };
}
