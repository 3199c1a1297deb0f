import type { Scheme } from '@fomrik/core/document';
import type { LitShell } from '@fomrik/core/features';
import type { Vec3 } from '@fomrik/core/geometry';
import type { Run } from '@fomrik/core/panel';
import type { PartReport } from '@fomrik/core/parts';
import { bareScheme } from '@fomrik/core/document';
import { coatOf, dusted, toneIn } from '@fomrik/core/view';
import { useEffect, useMemo } from 'react';
import {
  type BufferGeometry,
  Color,
  DoubleSide,
  Float32BufferAttribute,
  MeshStandardMaterial,
  SRGBColorSpace,
} from 'three';
import { withGrain } from './grain';
import { lightColour } from './light/Shining';
import type { Played } from './light/played';
import { usePlaying } from './light/usePlaying';
import { meshGeometry } from './solidSpace';

/** How a part looks: its colours, its pieces that light goes through, and what is played on that light. */
export interface Look {
  scheme: Scheme | undefined;
  shells: readonly LitShell[];
  played: readonly Played[];
}

/** Without a room to reflect, metal is drawn as less of one, or it would be black. */
const METAL = 0.55;

/** Every run of triangles, and what no run names, in their order. */
function allRuns(runs: readonly Run[], count: number): Run[] {
  const last = runs.reduce((most, r) => Math.max(most, r.to), 0);
  return [...runs, ...(last < count ? [{ id: '', from: last, to: count }] : [])];
}

interface Coated {
  material: MeshStandardMaterial;
  shell: LitShell | undefined;
}

/** One material for every run. */
function coatsOf(made: PartReport, runs: readonly Run[], { scheme, shells }: Look): Coated[] {
  const tone = toneIn(made, scheme);
  return runs.map((run) => {
    const { gloss, metal } = tone(run);
    const shell = shells.find((s) => s.panelId === (run.panel ?? run.id));
    const material = new MeshStandardMaterial({
      vertexColors: true,
      roughness: 0.95 - 0.8 * gloss,
      metalness: METAL * metal,
      side: DoubleSide,
      ...(shell && { emissive: lightColour(shell.rgb), emissiveIntensity: shell.passed }),
    });
    return { shell, material: withGrain(material, coatOf(scheme ?? bareScheme, run.id).surface) };
  });
}

/** The same solid in groups, a material each, every point in the colour of its run with dust from below. */
function coloured(
  geometry: BufferGeometry,
  made: PartReport,
  runs: readonly Run[],
  scheme: Scheme | undefined,
): BufferGeometry {
  const own = geometry.clone();
  own.clearGroups();
  const tone = toneIn(made, scheme);
  const position = own.getAttribute('position');
  own.computeBoundingBox();
  const { min, max } = own.boundingBox!;
  const dust = scheme?.wear.dust ?? 0;
  const colours = new Float32Array(position.count * 3);
  const colour = new Color();
  runs.forEach((run, i) => {
    own.addGroup(run.from * 3, (run.to - run.from) * 3, i);
    const { rgb } = tone(run);
    for (let p = run.from * 3; p < run.to * 3; p++) {
      const low = (max.y - position.getY(p)) / Math.max(1, max.y - min.y);
      const [r, g, b] = dusted(rgb, low, dust);
      colour.setRGB(r / 255, g / 255, b / 255, SRGBColorSpace).toArray(colours, p * 3);
    }
  });
  own.setAttribute('color', new Float32BufferAttribute(colours, 3));
  return own;
}

/** What is painted: a mesh with a material for every piece or detail. */
export function Painted({
  geometry,
  runs,
  made,
  look,
}: {
  made: PartReport;
  geometry: BufferGeometry;
  runs: readonly Run[];
  look: Look;
}) {
  const count = (geometry.getAttribute('position')?.count ?? 0) / 3;
  const all = useMemo(() => allRuns(runs, count), [runs, count]);
  const coats = useMemo(() => coatsOf(made, all, look), [made, all, look]);
  const grouped = useMemo(
    () => coloured(geometry, made, all, look.scheme),
    [geometry, made, all, look.scheme],
  );
  usePlaying(look.played, () =>
    coats.flatMap(({ shell, material }) =>
      shell
        ? [
            {
              of: shell.itemIds.map((itemId) => ({ itemId, share: 1 / shell.itemIds.length })),
              set: (share: number) => void (material.emissiveIntensity = shell.passed * share),
            },
          ]
        : [],
    ),
  );
  useEffect(() => () => coats.forEach(({ material }) => material.dispose()), [coats]);
  useEffect(() => () => grouped.dispose(), [grouped]);
  return <mesh geometry={grouped} material={coats.map((c) => c.material)} />;
}

/** A part in its colours where it is placed. */
export function PaintedPart({
  made,
  look,
  place,
}: {
  made: PartReport;
  look: Look;
  place: (p: Vec3) => [number, number, number];
}) {
  const foam = useMemo(() => meshGeometry(made.solid.mesh, place), [made.solid, place]);
  const extras = useMemo(() => meshGeometry(made.extras, place), [made.extras, place]);
  useEffect(() => () => foam.dispose(), [foam]);
  useEffect(() => () => extras.dispose(), [extras]);
  return (
    <>
      <Painted made={made} geometry={foam} runs={made.solid.runs} look={look} />
      <Painted made={made} geometry={extras} runs={made.extraRuns} look={look} />
    </>
  );
}
