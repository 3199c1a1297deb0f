import { type Body, simulateScan } from '@fomrik/core/body';
import type { KeptMesh } from '@fomrik/core/document';
import { proposedSeams, type ProposedSeams, seatOnHead, type Seat } from '@fomrik/core/forms';
import { readSurface } from '@fomrik/core/files/mesh/readSurface';
import { simplified } from '@fomrik/core/files/mesh/simplified';
import type { Mesh } from '@fomrik/core/geometry';
import {
  facetedLantern,
  gullMask,
  keepMesh,
  mended,
  type Mending,
  scanned,
  spanOf,
  stoodUp,
  type UpAxis,
} from '@fomrik/core/skin';
import { fail, ok, type Result } from '@fomrik/core/units';
import { expose } from 'comlink';

/** Triangles a surface is worked with: finer than foam follows, coarse enough to answer at once. */
const MOST_TRIANGLES = 3000;

/** As many triangles, and points, as a build keeps of one surface. */
const MOST_KEPT = 8000;
/** How long a surface may be before it is sized; its seams lie within this. */
const LONGEST_MM: readonly [number, number] = [10, 3000];

let mesh: Mesh | undefined;

/** What a file holds before its unit is settled. */
export interface SurfaceRead {
  triangles: number;
  /** In the file's own units. */
  span: [number, number, number];
}

/** A surface ready to be kept, and what was done to it. */
export interface SurfaceTaken {
  kept: KeptMesh;
  mending: Mending;
  deviationMm: number;
}

/** What a made-up scan may be of. */
export type MadeUp = 'head' | 'mask' | 'lantern';

function thingOf(kind: MadeUp, body: Body): Mesh {
  switch (kind) {
    case 'head':
      return simulateScan(body, { noiseMm: 0, holes: 0, only: 'head' });
    case 'mask':
      return gullMask();
    case 'lantern':
      return facetedLantern();
  }
}

type Params = Parameters<typeof proposedSeams>[0];

const api = {
  async open(file: File): Promise<Result<SurfaceRead>> {
    const read = await readSurface(file.name, new Uint8Array(await file.arrayBuffer()));
    if (!read.ok) return read;
    mesh = read.value;
    return ok({ triangles: mesh.triangles.length, span: spanOf(mesh) });
  },
  /** A scan that nobody took: of the wearer's head, of a mask, or of a lantern of flat faces. */
  simulate(kind: MadeUp, body: Body, seed: number): SurfaceRead {
    mesh = scanned(thingOf(kind, body), { seed, ...(kind === 'lantern' && { noiseMm: 0, holes: 0 }) });
    return { triangles: mesh.triangles.length, span: spanOf(mesh) };
  },
  /** Mended, stood up, in millimetres, simplified. */
  async take(id: string, name: string, perUnitMm: number, up: UpAxis): Promise<Result<SurfaceTaken>> {
    if (!mesh) return fail('There is no surface to take.');
    const { mesh: sound, mending } = mended(stoodUp(mesh, perUnitMm, up));
    if (sound.triangles.length < 4) return fail('Nothing is left of the surface once it is mended.');
    const longest = Math.max(...spanOf(sound));
    if (longest < LONGEST_MM[0] || longest > LONGEST_MM[1])
      return fail(
        `It would be ${Number(longest.toPrecision(2))} mm long; surfaces are ${LONGEST_MM[0]} to ${LONGEST_MM[1]} mm. Choose another unit.`,
      );
    const made = await simplified(sound, MOST_TRIANGLES);
    const { points, triangles } = made.mesh;
    if (Math.max(points.length, triangles.length) > MOST_KEPT)
      return fail(
        `It cannot be simplified below ${triangles.length} triangles and ${points.length} points, and at most ${MOST_KEPT} of either are kept: its pieces are not connected enough.`,
      );
    return ok({ kept: keepMesh(id, name, made.mesh), mending, deviationMm: made.deviationMm });
  },
  /** Seams, told as they get better; the last are the answer. */
  propose(
    params: Params,
    meshes: readonly KeptMesh[],
    thicknessMm: number,
    tell: (now: ProposedSeams) => void,
  ): ProposedSeams | undefined {
    let last: ProposedSeams | undefined;
    for (const now of proposedSeams(params, meshes, thicknessMm)) {
      last = now;
      tell(now);
    }
    return last;
  },
  seat: (
    params: Params,
    meshes: readonly KeptMesh[],
    body: Body,
    thicknessMm: number,
    underLayerMm: number,
    roomMm: number,
    resized: boolean,
  ): Seat => seatOnHead(params, meshes, body, thicknessMm, underLayerMm, roomMm, resized),
};

export type SurfaceWorker = typeof api;
expose(api);
