import type { BracerPart } from '../build/document';
import { ledBodies } from '../materials/lamps';
import { printMm } from '../units/length';
import type { Remedy } from './finding';
import { setParam, setPart, when, type PartContext, type BracerRule } from './rule';

/** The pack is thicker than the room for it. */
export const packFits: BracerRule = (context) => {
  const { part, made, catalogue } = context;
  const room = made.inside?.room;
  const short = room ? room.needMm - room.haveMm : 0;
  return when(room !== undefined && short > 0, () => {
    const remedies: Remedy[] = [];
    if (!part.lights!.pocket && made.foam.thicknessMm.value - 2 >= short) {
      remedies.push({
        label: 'Cut a pocket in the foam',
        changes: [setPart(context, ['lights', 'pocket'], true)],
      });
    }
    const padding = Math.ceil(part.params.paddingMm + short);
    if (padding <= 15)
      remedies.push({ label: `Padding ${padding} mm`, changes: [setParam(context, 'paddingMm', padding)] });
    const supplyV = made.inside!.pack!.cell.nominalV * made.inside!.pack!.series;
    const flatter = catalogue.packs.find(
      (p) => p.thickMm <= room!.haveMm && p.cell.nominalV * p.series >= supplyV,
    );
    if (flatter)
      remedies.push({ label: flatter.name, changes: [setPart(context, ['lights', 'packId'], flatter.id)] });
    return {
      id: `pack-room:${part.id}`,
      severity: 'stop',
      station: 'inside',
      title: `${part.name}: ${made.inside!.pack!.name} is ${printMm(room!.needMm)} thick, the room between shell and sleeve is ${printMm(room!.haveMm)}.`,
      why: 'Room is padding, ease spread round the arm, and the pocket if one is cut; a pack that presses is felt within minutes.',
      sure: 'standard',
      partId: part.id,
      remedies,
    };
  });
};

/** The pack sits on the knob of the wrist. */
export const packOffBone: BracerRule = (context) => {
  const { part, made } = context;
  const { room, pack } = made.inside ?? {};
  return when(room?.onWristBone === true && pack !== undefined, () => {
    const along = Math.ceil(40 + pack!.lengthMm / 2);
    return {
      id: `pack-bone:${part.id}`,
      severity: 'mind',
      station: 'inside',
      title: `${part.name}: the pack reaches to ${printMm(part.lights!.packAt.alongMm - pack!.lengthMm / 2, 0)} from the wrist at its bony side.`,
      why: 'The knobs of the wrist have no flesh over them; anything hard there hurts. Keep 35 mm clear or go to the back or inside of the arm.',
      sure: 'memory',
      partId: part.id,
      remedies: [
        {
          label: `Move it to ${along} mm`,
          changes: [setPart(context, ['lights', 'packAt', 'alongMm'], along)],
        },
      ],
    };
  });
};

/** Least foam round a lamp window, mm (common practice, no source). */
const WINDOW_MARGIN_MM = 8;

/** Puts a whole row on foam: centred, closer together if it must be, and away from the gap. */
function centredRow(context: PartContext<BracerPart>, rowIndex: number): Remedy[] {
  const { startMm, endMm, elbowCutMm, gapAtDeg } = context.part.params;
  const row = context.part.lights!.rows[rowIndex]!;
  const clear = WINDOW_MARGIN_MM + ledBodies[row.body].bodyMm / 2 + 4;
  const low = startMm + clear;
  const high = endMm - elbowCutMm - clear;
  const spans = row.count - 1;
  const pitchMm = spans === 0 ? row.pitchMm : Math.min(row.pitchMm, Math.floor((high - low) / spans));
  if (high < low || pitchMm < 6) return [];
  const alongMm = Math.round((low + high - spans * pitchMm) / 2);
  const fromGap = Math.abs(((row.aroundDeg - gapAtDeg + 540) % 360) - 180);
  const aroundDeg = fromGap < 30 ? (gapAtDeg + 180) % 360 : row.aroundDeg;
  const label = pitchMm < row.pitchMm ? `Centre the row, ${pitchMm} mm apart` : 'Centre the row';
  return [
    {
      label,
      changes: [setPart(context, ['lights', 'rows', rowIndex], { ...row, alongMm, pitchMm, aroundDeg })],
    },
  ];
}

/** A lamp window off the foam or too near its edge. */
export const lampsOnFoam: BracerRule = (context) => {
  const { part, made } = context;
  const off = made.inside?.lamps.filter((l) => l.marginMm - l.diameterMm / 2 < WINDOW_MARGIN_MM) ?? [];
  return when(off.length > 0, () => {
    const worst = off.reduce((a, b) => (a.marginMm < b.marginMm ? a : b));
    const many = off.length > 1 ? 's' : '';
    return {
      id: `lamp-edge:${part.id}`,
      severity: worst.marginMm < worst.diameterMm / 2 ? 'stop' : 'mind',
      station: 'inside',
      title: `${part.name}: ${off.length} lamp window${many} ${worst.marginMm < 0 ? 'off the foam' : `${printMm(worst.marginMm, 0)} from an edge`}; keep ${WINDOW_MARGIN_MM} mm of foam round each.`,
      why: 'A thin bridge of foam tears when it is bent.',
      sure: 'practice',
      partId: part.id,
      remedies: centredRow(
        context,
        part.lights!.rows.findIndex((r) => r.id === worst.rowId),
      ),
    };
  });
};

/** Lamp bodies longer than foam and gap together. */
export const lampsClearSleeve: BracerRule = (context) => {
  const { part, made } = context;
  const { lampOverhangMm = 0, lampRoomMm = 0 } = made.inside ?? {};
  const short = lampOverhangMm - lampRoomMm;
  return when((made.inside?.lamps.length ?? 0) > 0 && short > 0, () => ({
    id: `lamp-deep:${part.id}`,
    severity: 'mind',
    station: 'inside',
    title: `${part.name}: lamps stand ${printMm(lampOverhangMm)} out behind the foam, the gap is ${printMm(lampRoomMm)}.`,
    why: 'The leads press into the sleeve and short on sweat.',
    sure: 'memory',
    partId: part.id,
    remedies: [
      {
        label: `Padding ${Math.ceil(part.params.paddingMm + short)} mm`,
        changes: [setParam(context, 'paddingMm', Math.ceil(part.params.paddingMm + short))],
      },
    ],
  }));
};

/** Wires bare against the sleeve. */
export const wiresCovered: BracerRule = (context) => {
  const { part, made } = context;
  return when((made.inside?.lamps.length ?? 0) > 0 && part.lining === null, () => ({
    id: `lining:${part.id}`,
    severity: 'note',
    station: 'shape',
    title: `${part.name}: nothing covers the wires inside.`,
    why: 'A 2 mm lining keeps solder off the sleeve and sweat off the solder.',
    sure: 'practice',
    partId: part.id,
    remedies: [
      {
        label: 'Add a 2 mm lining',
        changes: [setPart(context, ['lining'], { foamId: 'dense-eva', nominalMm: 2 })],
      },
    ],
  }));
};
