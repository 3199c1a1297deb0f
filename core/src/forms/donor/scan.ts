import { firstOf, itemAt } from '../../units';
import type { ParamsOf } from '../../document';
import { dot3, type Mesh, rayReach, scale3, sub3, type Vec3 } from '../../geometry';
import { gridNormals, type Panel } from '../../panel';
import { defineForm, type Design, type FormInput } from '../contract';
import { type SkinParams, seamFields, surfaceDefaults, surfaceFields } from '../skinned/fields';
import { onFloor, silhouette, skin } from '../skinned/skinned';
import { openingChecks } from './checks';
import { asDescribed } from './described';
import { caseDefaults, caseFields } from './fields';
import { boughtOf, workOf } from './work';

const fields = [...surfaceFields, ...seamFields, ...caseFields] as const;

export type ScanParams = Omit<ParamsOf<typeof fields>, 'mesh'> & { mesh: string };

/** Walls are no nets: they are as the scan has them. */
const skinned = (params: ScanParams): SkinParams => ({ ...params, madeAs: 'curved', netMm: 500 });

/** What a wall may be called when it is named as whole or as a lid, and which way that one faces. */
const FACING: readonly (readonly [string, Vec3])[] = [
  ['front', { x: 0, y: 1, z: 0 }],
  ['back', { x: 0, y: -1, z: 0 }],
  ['top', { x: 0, y: 0, z: 1 }],
  ['foot', { x: 0, y: 0, z: -1 }],
];

/** Nothing behind a wall stands nearer than this to count, and an open shell is taken to be so deep, mm. */
const LEAST_MM = 1;
const OPEN_MM = 200;

const middleOf = ({ grid }: Panel): { at: Vec3; out: Vec3 } => {
  const [r, c] = [Math.floor(grid.length / 2), Math.floor(firstOf(grid).length / 2)];
  return { at: itemAt(itemAt(grid, r), c), out: itemAt(itemAt(gridNormals(grid), r), c) };
};

/** How far it is open behind the middle of a wall: to the first of the surface that a ray inwards meets. */
function behind(panel: Panel, face: Mesh, stands: Vec3): number {
  const { at, out } = middleOf(panel);
  const from = sub3(at, stands);
  const met = rayReach(face, sub3(from, scale3(out, LEAST_MM)), scale3(out, -1));
  // The surface is the inner faces already: what is met is the other one's.
  return Math.max(1, (met ?? OPEN_MM) + LEAST_MM);
}

/** The wall that faces a way most, by the name of that way. */
function named(panels: readonly Panel[]): (key: string) => string {
  return (key) => {
    const way = FACING.find(([k]) => k === key)?.[1];
    if (!way) return key;
    const facing = panels.map((p) => dot3(middleOf(p).out, way));
    return panels[facing.indexOf(Math.max(...facing))]?.id ?? key;
  };
}

function design({ params, meshes }: FormInput<ScanParams>): Design {
  const { wallMm, massG, upMm, aheadMm } = params;
  const own = skinned(params);
  const stands = onFloor(own);
  const { panels, spanMm, face, checks, figures, roomMm } = skin(
    { params: own, meshes, thicknessMm: wallMm },
    stands,
  );
  const walls = panels.map((p) => ({ ...p, existing: { wallMm, behindMm: behind(p, face, stands) } }));
  const middle = { x: 0, y: aheadMm, z: upMm + spanMm.z / 2 };
  return {
    panels: asDescribed(walls, params, named(walls)),
    // Walls are not glued: they are one thing.
    joins: [],
    roomMm,
    ballast: [{ what: 'the thing itself', massG, at: middle }],
    anchors: [
      {
        id: 'top',
        name: 'top',
        at: { ...middle, z: upMm + spanMm.z },
        out: { x: 0, y: 0, z: 1 },
        up: { x: 0, y: 1, z: 0 },
      },
    ],
    work: workOf(params),
    bought: boughtOf(params),
    figures: figures ?? [],
    checks: [...checks.filter((c) => c.id !== 'too-thick'), ...openingChecks(params)],
  };
}

/** A bought thing as it was scanned: its walls are the surface, parted where templates are to lie. */
export const donorScan = defineForm<ScanParams>({
  kind: 'donor-scan',
  label: 'Bought thing, scanned',
  summary: 'A thing read from a file, as it is: drilled by templates, lit and covered in foam.',
  zones: [],
  fields,
  sheets: 'existing',
  surface: onFloor,
  defaults: () => ({
    ...surfaceDefaults(),
    face: 'outer',
    ...caseDefaults,
    massG: 150,
  }),
  design,
  silhouette,
});
