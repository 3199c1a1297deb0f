import type { Body } from '../../body/estimate';
import { bendStrain } from '../../foam/bend';
import { meshArea } from '../../geometry/mesh';
import { dist3, scale3, sub3, type Vec2, type Vec3 } from '../../geometry/vec';
import type {
  Field,
  FormCheck,
  FormFigure,
  FormHandle,
  FormInput,
  FormKind,
  FormParams,
  FormShape,
  Outlook,
  PassingRing,
  Zone,
} from '../contract';
import { drape } from './drape';
import { gridMesh, offsetGrid, tightestGridRadiusMm, type Join, type Panel } from './panel';
import { stretchChecks } from './stretchChecks';

/** What a draped form is made of, in the figure's space (limb forms in their limb's). */
export interface Design {
  panels: Panel[];
  joins: Join[];
  figures?: FormFigure[];
  checks?: FormCheck[];
  roomMm: number;
  rings?: PassingRing[];
  sightLines?: Vec3[][];
}

export interface DrapedForm<P extends FormParams> {
  kind: string;
  label: string;
  zone: Zone;
  summary: string;
  fields: Field<P>[];
  defaults: (body: Body) => P;
  design: (input: FormInput<P>) => Design;
  silhouette: (params: P, body: Body) => Vec2[];
  /** Where values are taken hold of on the solid. */
  grips?: Grip<P>[];
}

/** A spot of a panel that follows a value: fractions of its width and height. */
export interface Grip<P> {
  key: keyof P & string;
  label: string;
  panel: string;
  at: [number, number];
}

/** Fields every draped form has. */
export interface DrapeParams extends FormParams {
  /** Percent of stretch the maker works in by heat before a dart is cut. */
  stretchPct: number;
  /** Most darts in one piece. */
  darts: number;
}

const drapeFields: Field<DrapeParams>[] = [
  {
    type: 'count',
    group: 'Flattening',
    key: 'stretchPct',
    label: 'Stretch worked in, %',
    range: [1, 15],
    help: 'Up to 5 % cold, 10–12 % hot and held; more is left to darts.',
  },
  {
    type: 'count',
    group: 'Flattening',
    key: 'darts',
    label: 'Darts at most',
    range: [0, 6],
    help: 'Wedges cut out and closed, in each piece.',
  },
];

const drapeDefaults: DrapeParams = { stretchPct: 8, darts: 2 };

/** How far a value is moved to feel where its grip goes. */
const STEP = 2;

/** A draped form under the common contract: its panels flattened, joined and checked. */
export function drapedKind<P extends FormParams>(form: DrapedForm<P>): FormKind<FormParams> {
  const fields = [...form.fields, ...drapeFields] as unknown as Field<FormParams>[];
  const known = Object.fromEntries(
    fields.flatMap((f) => (f.absent === undefined ? [] : [[f.key, f.absent]])),
  );
  const full = (params: FormParams): P & DrapeParams => ({ ...known, ...params }) as P & DrapeParams;
  const shape = (input: FormInput<FormParams>): FormShape => {
    const params = full(input.params);
    const design = form.design({ ...input, params });
    const { panels, joins, figures = [], checks = [], roomMm } = design;
    const sheet = (panel: Panel) =>
      panel.nominalMm === undefined ? input.foam : input.sheetOf(panel.nominalMm);
    const made = drape(panels, joins, sheet, {
      limit: params.stretchPct / 100,
      darts: params.darts,
      ...(input.dartsByHand && { dartsByHand: input.dartsByHand }),
      ...(input.coarse && { coarse: true }),
    });
    const widest = Math.max(...made.pieces.map((p) => Math.max(...p.edges.map((e) => e.lengthMm))));
    return {
      solid: made.solid,
      pieces: made.pieces,
      surfaces: made.surfaces,
      rings: design.rings ?? [],
      sightLines: design.sightLines ?? [],
      linings: () => [],
      patternGirthMm: widest,
      bendStrain: made.bendStrain,
      tightestRadiusMm: made.tightestRadiusMm,
      figures,
      checks: [...checks, ...stretchChecks(made.pieces, params)],
      roomMm,
    };
  };
  const outlook = (input: FormInput<FormParams>): Outlook => {
    const { panels, figures = [], roomMm } = form.design({ ...input, params: full(input.params) });
    const { thicknessMm, neutralFraction } = input.foam;
    const meshes = panels.map((p) => gridMesh(offsetGrid(p.grid, neutralFraction.value * thicknessMm.value)));
    const radius = Math.min(...panels.map((p) => tightestGridRadiusMm(p.grid)));
    const rows = panels.flatMap((p) => [p.grid[0]!, p.grid.at(-1)!]);
    const opening = figures.find((f) => f.label.endsWith('opening'));
    const need = figures.find((f) => f.label.endsWith('needs'));
    return {
      areaMm2: meshes.reduce((sum, m) => sum + meshArea(m), 0),
      patternGirthMm: Math.max(
        ...rows.map((row) => row.slice(1).reduce((sum, q, i) => sum + dist3(q, row[i]!), 0)),
      ),
      bendStrain: bendStrain({
        thicknessMm: thicknessMm.value,
        insideRadiusMm: radius,
        neutralFraction: neutralFraction.value,
      }),
      roomMm,
      ...(opening && need && { openingMm: opening.value, passNeedMm: need.value }),
    };
  };
  const handles = (input: FormInput<FormParams>): FormHandle[] => {
    const params = full(input.params);
    const spot = (design: Design, { panel, at: [u, v] }: Grip<P>): Vec3 | undefined => {
      const grid = design.panels.find((p) => p.id === panel)?.grid;
      return grid?.[Math.round(v * (grid.length - 1))]?.[Math.round(u * (grid[0]!.length - 1))];
    };
    const here = form.design({ ...input, params });
    return (form.grips ?? []).flatMap((grip) => {
      const field = fields.find((f) => f.key === grip.key);
      const value = params[grip.key] as number;
      if (!field || field.type === 'choice') return [];
      // A value at the end of its range is felt backwards.
      const by = value + STEP <= field.range[1] ? STEP : -STEP;
      const at = spot(here, grip);
      const next = spot(form.design({ ...input, params: { ...params, [grip.key]: value + by } }), grip);
      if (!at || !next || dist3(at, next) < 0.05) return [];
      return [{ key: grip.key, label: grip.label, at, step: scale3(sub3(next, at), 1 / by) }];
    });
  };
  return {
    kind: form.kind,
    label: form.label,
    zone: form.zone,
    summary: form.summary,
    fields,
    defaults: (body) => ({ ...form.defaults(body), ...drapeDefaults }),
    shape,
    outlook,
    handles,
    silhouette: (params, body) => form.silhouette(full(params), body),
  };
}
