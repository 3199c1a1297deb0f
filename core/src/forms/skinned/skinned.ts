import { type Body, headForm } from '../../body';
import { type Check, setting } from '../../document';
import { add3, dot3, type Mesh, type Vec3 } from '../../geometry';
import { gridNormals } from '../../panel';
import { defineForm, type FormInput, type Model } from '../contract';
import { strapOver } from '../straps';
import { enclosureChecks, enclosureOf } from './enclosure';
import { headDefaults, skinDefaults, skinFields, type SkinParams, STAND_IN } from './fields';
import { senseChecks, sensesIn } from './senses';
import { MOST_FACETS } from '../../skin';
import { BELOW_EYES_MM } from './stands';
import { namedMesh, piecesOf } from './surface';

/** Neighbouring spots of a grid that face away from each other by more than this turn over; a cosine. */
const FOLDED = -0.9;

function foldsBack(grid: readonly Vec3[][]): boolean {
  const normals = gridNormals(grid);
  return normals.some((row, r) =>
    row.some((n, c) => [row[c + 1], normals[r + 1]?.[c]].some((m) => m && dot3(n, m) < FOLDED)),
  );
}

/** The surface of a part as panels where they stand, for foam so thick or walls that are there. */
export function skin(
  { params, meshes, thicknessMm }: Pick<FormInput<SkinParams>, 'params' | 'meshes'> & { thicknessMm: number },
  stands: Vec3,
): Pick<Model, 'panels' | 'joins' | 'roomMm' | 'checks' | 'figures'> & { spanMm: Vec3; face: Mesh } {
  const named = namedMesh(params.mesh, meshes);
  const made = piecesOf(named ?? namedMesh(STAND_IN, [])!, params, thicknessMm);
  const { joins, open, cut, openings, held, idle, bare } = made;
  const panels = made.panels.map((panel) => ({
    ...panel,
    grid: panel.grid.map((row) => row.map((p) => add3(p, stands))),
  }));
  const folded = panels.filter((p) => foldsBack(p.grid)).map((p) => p.name);
  const split = openings.length - panels.reduce((sum, p) => sum + (p.openings?.length ?? 0), 0);
  const [x, y, z] = made.spanMm;
  const spanMm = { x, y, z };
  const checks: Check[] = [
    ...(named
      ? []
      : [
          {
            id: 'mesh',
            severity: 'stop' as const,
            station: 'shape' as const,
            title: 'The surface it is skinned over is not in this build.',
            why: 'The made-up mask stands in. Take the file again, or choose another surface.',
            provenance: 'standard' as const,
            excess: 1,
            remedies: [],
          },
        ]),
    ...(made.facets !== undefined && made.facets > MOST_FACETS
      ? [
          {
            id: 'facets',
            severity: 'stop' as const,
            station: 'shape' as const,
            title: `The surface has ${made.facets} flat faces; nets are folded from ${MOST_FACETS} at most.`,
            why: 'It is no low-polygon model. Skin it with curved pieces, or simplify it before it is read.',
            provenance: 'practice' as const,
            excess: made.facets - MOST_FACETS,
            remedies: [setting('Curved pieces between seams', { madeAs: 'curved' })],
          },
        ]
      : []),
    ...(bare
      ? [
          {
            id: 'bare',
            severity: 'stop' as const,
            station: 'shape' as const,
            title: 'Nothing of the surface is on this side of where it comes apart.',
            why: 'All of it stands in. Move the parting, or keep the other side of it.',
            provenance: 'standard' as const,
            excess: 1,
            remedies: [],
          },
        ]
      : []),
    ...(cut > 0
      ? [
          {
            id: 'opened',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `${cut} ${cut === 1 ? 'seam was' : 'seams were'} added where a piece was closed or had an opening in it.`,
            why: 'Only a piece with one rim lies flat. Propose seams, or cut it where the seam is least seen.',
            provenance: 'standard' as const,
            excess: 1,
            remedies: [],
          },
        ]
      : []),
    ...(held > 0
      ? [
          {
            id: 'too-thick',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `The foam is thicker than there is room for inside the surface, at ${held} of its points.`,
            why: 'There its inner face lies nearer to the outer one than the foam is thick. Take a thinner foam, or make it larger.',
            provenance: 'standard' as const,
            excess: held,
            remedies: [],
          },
        ]
      : []),
    ...idle.map((line) => ({
      id: `idle-line-${line}`,
      severity: 'mind' as const,
      station: 'shape' as const,
      title: `Drawn seam ${line} parts nothing.`,
      why: 'It begins or ends in the middle of a piece. Carry it on to a rim, to another seam, or back to its first spot.',
      provenance: 'standard' as const,
      excess: 1,
      remedies: [],
    })),
    ...folded.map((name) => ({
      id: `folds-${name}`.replace(/[^a-z0-9]+/g, '-'),
      severity: 'mind' as const,
      station: 'shape' as const,
      title: `${name} folds back on itself as the surface does.`,
      why: 'Foam does not bend round a knife’s edge. Let a seam run along it.',
      provenance: 'standard' as const,
      excess: 1,
      remedies: [],
    })),
    ...(split > 0
      ? [
          {
            id: 'parted-opening',
            severity: 'mind' as const,
            station: 'shape' as const,
            title: `A seam runs through ${split} ${split === 1 ? 'opening' : 'openings'} of the surface.`,
            why: 'It is cut once the pieces are glued. Move the seam off it, and it is drawn on the pattern.',
            provenance: 'standard' as const,
            excess: split,
            remedies: [],
          },
        ]
      : []),
    ...(open.length > 0
      ? [
          {
            id: 'closed',
            severity: 'stop' as const,
            station: 'shape' as const,
            title: `${open.length} ${open.length === 1 ? 'piece is' : 'pieces are'} closed or knotted and cannot be laid flat.`,
            why: 'They are left out of the pattern. Cut them by a seam each, or mend the surface.',
            provenance: 'standard' as const,
            excess: 1,
            remedies: [],
          },
        ]
      : []),
  ];
  return {
    panels,
    joins,
    roomMm: 0,
    checks,
    spanMm,
    face: made.face,
    figures: [
      { key: 'wide', label: 'wide', value: spanMm.x, unit: 'mm', decimals: 0 },
      { key: 'deep', label: 'deep', value: spanMm.y, unit: 'mm', decimals: 0 },
      { key: 'high', label: 'high', value: spanMm.z, unit: 'mm', decimals: 0 },
      {
        key: 'follows',
        label: 'pieces follow the surface within',
        value: made.followsMm,
        unit: 'mm',
        decimals: 1,
      },
    ],
  };
}

const ofFoam = ({ params, meshes, foam }: FormInput<SkinParams>) => ({
  params,
  meshes,
  thicknessMm: foam.thicknessMm.value,
});

export const silhouette = () => [
  { x: -70, y: -60 },
  { x: 0, y: -90 },
  { x: 70, y: -60 },
  { x: 82, y: 30 },
  { x: 40, y: 105 },
  { x: -40, y: 105 },
  { x: -82, y: 30 },
];

const standing = (mesh: Mesh, at: Vec3): Mesh => ({ ...mesh, points: mesh.points.map((p) => add3(p, at)) });

const onHead = ({ aheadMm, upMm }: SkinParams, body: Body): Vec3 => {
  const head = headForm(body);
  return { x: 0, y: head.middle.y + aheadMm, z: head.eyeZ - BELOW_EYES_MM + upMm };
};

export const onFloor = ({ aheadMm, upMm }: Pick<SkinParams, 'aheadMm' | 'upMm'>): Vec3 => ({
  x: 0,
  y: aheadMm,
  z: upMm,
});

export const skinnedHead = defineForm<SkinParams>({
  kind: 'skinned-head',
  label: 'Mask or helmet from a surface',
  summary: 'A surface from a file drawn over the head, parted by seams and skinned in foam.',
  zones: ['head'],
  fields: skinFields,
  surface: onHead,
  defaults: headDefaults,
  silhouette,
  design: (input) => {
    const { params, body, underLayerMm } = input;
    const stands = onHead(params, body);
    const { spanMm, face, ...made } = skin(ofFoam(input), stands);
    const sensed = (byMm: number) => sensesIn(standing(face, { ...stands, z: stands.z + byMm }), body);
    const now = sensed(0);
    // One that comes apart is not moved away from the rest.
    const moved = params.apart.length > 0 ? () => now : sensed;
    return {
      ...made,
      checks: [
        ...made.checks,
        // Of one that comes apart this is a side alone.
        ...(params.apart.length > 0
          ? []
          : enclosureChecks(enclosureOf(standing(face, stands), body, underLayerMm))),
        ...senseChecks(now, params.upMm, moved),
      ],
      padded: true,
      measures: ['headGirth', 'headBreadth', 'headLength', 'headHeight', 'eyeDepth'],
      fastenings: [strapOver(body.headGirth.valueMm * 0.55, 'round the back of the head')],
      anchors: [
        {
          id: 'crown',
          name: 'crown',
          at: { x: 0, y: stands.y, z: stands.z + spanMm.z },
          out: { x: 0, y: 0, z: 1 },
          up: { x: 0, y: 1, z: 0 },
        },
      ],
    };
  },
});

export const skinnedThing = defineForm<SkinParams>({
  kind: 'skinned-thing',
  label: 'Thing from a surface',
  summary: 'A surface from a file parted by seams and skinned in foam: a prop, a trophy, a beast.',
  zones: [],
  fields: skinFields,
  surface: onFloor,
  defaults: skinDefaults,
  silhouette,
  design: (input) => {
    const { params } = input;
    const { panels, joins, roomMm, checks, figures, spanMm } = skin(ofFoam(input), onFloor(params));
    return {
      panels,
      joins,
      roomMm,
      checks,
      figures,
      anchors: [
        {
          id: 'top',
          name: 'top',
          at: { x: 0, y: params.aheadMm, z: params.upMm + spanMm.z },
          out: { x: 0, y: 0, z: 1 },
          up: { x: 0, y: 1, z: 0 },
        },
      ],
    };
  },
});
