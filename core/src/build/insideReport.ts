import { lampOverhangMm, packRoom } from '../inside/room';
import { wireLengthMm } from '../inside/wire';
import type { Placement } from '../forms/piece';
import type { Catalogue } from '../materials/catalogue';
import { ledBodies, leds } from '../materials/lamps';
import type { FoamSheet } from '../materials/stock';
import { solveCircuit } from '../power/circuit';
import { runTime } from '../power/runtime';
import type { Lights } from './document';
import type { InsideReport, LampSpot } from './report';

/** Twin hook-up wire, grams per metre of one conductor; from memory. */
const WIRE_G_PER_M = 4;

/** What lighting asks of a shell. */
export interface LitShell {
  place: (aroundDeg: number, alongMm: number) => Placement | undefined;
  roomMm: number;
}

/** Every lamp of every row placed on the shell; those off the surface altogether are left out. */
function placeLamps(lights: Lights, shell: LitShell): LampSpot[] {
  return lights.rows.flatMap((row) =>
    Array.from({ length: row.count }, (_, i) => i).flatMap((i) => {
      const spot = shell.place(row.aroundDeg, row.alongMm + i * row.pitchMm);
      if (!spot) return [];
      const { bodyMm } = ledBodies[row.body];
      return [{ id: `${row.id}-${i + 1}`, rowId: row.id, colour: row.colour, diameterMm: bodyMm, ...spot }];
    }),
  );
}

/** Lamps, circuit, burn time and room for one part. */
export function insideReport(
  lights: Lights,
  shell: LitShell,
  foam: FoamSheet,
  lining: FoamSheet | undefined,
  catalogue: Catalogue,
): InsideReport {
  const lamps = placeLamps(lights, shell);
  const pack = catalogue.packs.find((p) => p.id === lights.packId);
  const toggle = catalogue.switches.find((s) => s.id === lights.switchId);
  const packAt = shell.place(lights.packAt.aroundDeg, lights.packAt.alongMm)?.at;
  const switchAt = shell.place(lights.switchAt.aroundDeg, lights.switchAt.alongMm)?.at;
  const groups = lights.rows.map((row) => ({
    label: row.colour,
    count: row.count,
    forwardV: leds[row.colour].forwardV,
    currentA: lights.currentMa / 1000,
  }));
  const solved =
    pack && groups.length > 0 ? solveCircuit(pack.cell.nominalV * pack.series, groups) : undefined;
  const roomMm = shell.roomMm - (lining?.thicknessMm.value ?? 0);
  const deepest = Math.max(0, ...lights.rows.map((row) => ledBodies[row.body].lengthMm));
  const wireMm =
    packAt && switchAt
      ? wireLengthMm(
          packAt,
          switchAt,
          lamps.map((l) => l.at),
        )
      : 0;
  const lampG = lights.rows.reduce((sum, row) => sum + row.count * ledBodies[row.body].massG, 0);
  return {
    lamps,
    ...(pack && { pack }),
    ...(packAt && { packAt }),
    ...(toggle && { switch: toggle }),
    ...(switchAt && { switchAt }),
    ...(pack && { room: packRoom(pack, lights.packAt, roomMm, foam.thicknessMm.value, lights.pocket) }),
    lampOverhangMm: lampOverhangMm(deepest, foam.thicknessMm.value),
    lampRoomMm: shell.roomMm,
    ...(solved?.ok && { circuit: solved.value }),
    ...(solved && !solved.ok && { infeasible: solved.message }),
    ...(solved?.ok && pack && { run: runTime(pack, solved.value) }),
    wireMm,
    massG: (pack?.massG ?? 0) + (toggle?.massG ?? 0) + lampG + (wireMm / 1000) * WIRE_G_PER_M,
  };
}
