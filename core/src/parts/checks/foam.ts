import {
  type Change,
  type Check,
  foamOfField,
  type Proposal,
  type Field,
  type Params,
  type Part,
  type Ply,
} from '../../document';
import { strainClass, strainClassName } from '../../foam';
import { type FoamSheet, thicknessesOf } from '../../materials';
import type { Bending } from '../../panel';
import { trimNumber, firstOf, findIn } from '../../units';
import type { Context } from '../context';
import { formOf } from '../kinds';

/** A thinner sheet of the same foam, thickest first. */
export const thinnerCures = (part: Part, { catalogue, stock }: Context): Proposal[] =>
  thicknessesOf(catalogue.foams, stock, firstOf(part.stack).foamId)
    .filter((mm) => mm < firstOf(part.stack).nominalMm)
    .reverse()
    .map((mm) => ({
      label: `Go to ${mm} mm foam`,
      changes: [{ path: ['stack', 0, 'nominalMm'], value: mm }],
    }));

/** The foam must be bent further than it bends cold. */
export function bendChecks(part: Part, context: Context, { bendStrain, tightestRadiusMm }: Bending): Check[] {
  const kind = strainClass(bendStrain);
  if (kind === 'cold' || (kind === 'heat' && bendStrain <= 0.14)) return [];
  return [
    {
      id: 'bend-strain',
      severity: kind === 'laminate' ? 'stop' : kind === 'grooved' ? 'mind' : 'note',
      station: 'shape',
      title: `the outer face is bent to ${trimNumber(bendStrain * 100, 0)} % at its tightest (inside radius ${trimNumber(tightestRadiusMm, 0)} mm).`,
      why: `Foam bends cold to 5 %, hot to 15 %, grooved to 30 %: ${strainClassName[kind]}.`,
      provenance: 'memory',
      excess: bendStrain - 0.14,
      remedies: thinnerCures(part, context),
    },
  ];
}

/** Places in values where a ply is named, as changes to another; `main` is the foam of the part. */
function foamChanges(
  fields: readonly Field[],
  params: Params,
  path: (string | number)[],
  main: string,
  from: Ply,
  to: Ply,
): Change[] {
  return fields.flatMap((field): Change[] => {
    const value = params[field.key];
    if (field.type === 'foam') {
      if (value !== from.nominalMm || foamOfField(field, params, main) !== from.foamId) return [];
      return [
        { path: [...path, field.key], value: to.nominalMm },
        ...(to.foamId === from.foamId || field.of === undefined
          ? []
          : [{ path: [...path, field.of], value: to.foamId }]),
      ];
    }
    if (field.type !== 'rows' || !Array.isArray(value)) return [];
    return value.flatMap((row, i) => foamChanges(field.of, row, [...path, field.key, i], main, from, to));
  });
}

/** Everything in the part that is made of one ply, as changes to another. */
function plyChanges(part: Part, { kinds }: Context, from: Ply, to: Ply): Change[] {
  const same = (ply: Ply): boolean => ply.foamId === from.foamId && ply.nominalMm === from.nominalMm;
  const main = firstOf(part.stack);
  const changes: Change[] = [];
  if (part.lining && same(part.lining)) changes.push({ path: ['lining'], value: to });
  if (main.foamId === from.foamId && (main.foamId !== to.foamId || same(main)))
    changes.push({ path: ['stack', 0], value: same(main) ? to : { ...to, nominalMm: main.nominalMm } });
  // Where the part goes over to another foam, what is named as the part's goes with it.
  if (main.foamId === from.foamId && main.foamId !== to.foamId) return changes;
  changes.push(
    ...foamChanges(formOf(kinds, part.form).fields, part.params, ['params'], main.foamId, from, to),
    ...part.features.flatMap((f, i) =>
      foamChanges(
        kinds.features.get(f.kind)?.fields ?? [],
        f.params,
        ['features', i, 'params'],
        main.foamId,
        from,
        to,
      ),
    ),
  );
  return changes;
}

/** A foam, or a thickness of it, that cannot be had. */
export function unsoldChecks(part: Part, context: Context, used: readonly FoamSheet[]): Check[] {
  const { foams } = context.catalogue;
  const unsold = used.filter((s, i) => !s.sold && used.findIndex((o) => o.name === s.name) === i);
  return unsold.map((sheet): Check => {
    const known = foams.some((f) => f.id === sheet.foamId);
    const foamId = known ? sheet.foamId : firstOf(foams).id;
    const can = thicknessesOf(foams, context.stock, foamId);
    const nearest = can.reduce((a, b) =>
      Math.abs(b - sheet.nominalMm) < Math.abs(a - sheet.nominalMm) ? b : a,
    );
    const to = { foamId, nominalMm: nearest };
    const changes = plyChanges(part, context, sheet, to);
    const name = findIn(foams, (f) => f.id === foamId).name;
    return {
      id: `unsold-${sheet.foamId}-${trimNumber(sheet.nominalMm)}`.replace(/[^\w.:-]/g, '-').slice(0, 64),
      severity: 'stop',
      station: 'shape',
      title: `${sheet.name} is neither sold nor in stock.`,
      why: known
        ? `${name} is sold as ${can.map((mm) => trimNumber(mm)).join(', ')} mm; everything is worked out as if it were to be had.`
        : 'Its density and price are not known; typical ones are used until it is named.',
      provenance: 'practice',
      excess: 1,
      remedies:
        changes.length > 0 ? [{ label: `${trimNumber(nearest)} mm ${name}`, changes, certain: true }] : [],
    };
  });
}
