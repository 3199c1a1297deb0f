import {
  likelyUnits,
  type MeasureKey,
  measureScan,
  type ScanUnit,
  simulateScan,
  standUp,
  type Body,
} from '@fomrik/core/body';
import { readMesh } from '@fomrik/core/files/mesh/readMesh';
import type { Mesh } from '@fomrik/core/geometry';
import { fail, ok, type Result } from '@fomrik/core/units';
import { expose } from 'comlink';

let mesh: Mesh | undefined;

/** What a scan looks like before a unit is settled. */
export interface ScanRead {
  triangles: number;
  guessed: ScanUnit[];
}

const keep = (read: Mesh): ScanRead => {
  mesh = read;
  return { triangles: read.triangles.length, guessed: likelyUnits(read) };
};

const api = {
  /** Reads a file, telling how much of it has been read; the mesh stays here. */
  async open(file: File, reported: (share: number) => void): Promise<Result<ScanRead>> {
    const bytes = new Uint8Array(file.size);
    let at = 0;
    const reader = file.stream().getReader();
    for (let part = await reader.read(); !part.done; part = await reader.read()) {
      bytes.set(part.value, at);
      at += part.value.length;
      reported(at / file.size);
    }
    const read = readMesh(file.name, bytes);
    return read.ok ? ok(keep(read.value)) : read;
  },
  simulate: (body: Body, seed: number): ScanRead => keep(simulateScan(body, { seed })),
  measure: (unit: ScanUnit): Result<Partial<Record<MeasureKey, number>>> =>
    mesh ? measureScan(standUp(mesh, unit)) : fail('There is no scan to measure.'),
};

export type ScanWorker = typeof api;
expose(api);
