import type { BuildDoc, Part, PartOtherwise, Ply, Version } from '../document';
import { catalogue as standard, isRigid, type SheetKind, thicknessesOf } from '../materials';
import { standardKinds } from '../parts';
import { byId } from '../units';
import type { Report } from './report';
import { surroundingsOf } from './surroundings';

/** What takes the place of rigid layers. */
const SOFT = 'dense-eva';

/** Values of a part's form that are different in a stunt version. */
function paramsOf(part: Part): Part['params'] {
  const fields = standardKinds.forms.get(part.form)?.fields ?? [];
  return Object.fromEntries(
    fields.flatMap((f) => {
      if (f.when && !f.when(part.params)) return [];
      const value = f.stunt?.(part.params);
      return value === undefined || value === part.params[f.key] ? [] : [[f.key, value]];
    }),
  );
}

/**
 * A stunt version by rule: nothing lit and no battery in it; of what is held or hangs on it, no point, no stick of metal,
 * wood or carbon, no rigid layer, no rigid detail and no printed shell. What differs is listed; event rules decide, not this.
 */
export function stuntVersion(
  doc: BuildDoc,
  { parts, carried }: Pick<Report, 'parts' | 'carried'>,
  id: string,
): Version {
  const { catalogue, stock } = surroundingsOf(doc, standard, standardKinds).context;
  const kindOf = (foamId: string): SheetKind | undefined => byId(catalogue.foams, foamId)?.kind;
  const rigid = (foamId: string): boolean => {
    const kind = kindOf(foamId);
    return kind !== undefined && (isRigid(kind) || kind === 'thermoplastic');
  };
  const held = new Set(carried.flatMap((c) => c.partIds));
  const soft = ({ nominalMm }: Ply): Ply => {
    const sold = thicknessesOf(catalogue.foams, stock, SOFT);
    return {
      foamId: SOFT,
      nominalMm: sold.reduce((a, b) => (Math.abs(b - nominalMm) < Math.abs(a - nominalMm) ? b : a)),
    };
  };
  const others = doc.parts.flatMap((part): [string, PartOtherwise][] => {
    const made = byId(parts, part.id);
    if (!made || !held.has(part.id)) return [];
    const params = paramsOf(part);
    const stack = part.stack.some((p) => rigid(p.foamId))
      ? part.stack.map((p) => (rigid(p.foamId) ? soft(p) : p))
      : undefined;
    const hard = new Set(
      made.pieces.filter((p) => p.featureId !== undefined && rigid(p.foamId)).map((p) => p.featureId),
    );
    const features = hard.size > 0 ? part.features.filter((f) => !hard.has(f.id)) : undefined;
    const other: PartOtherwise = {
      ...(Object.keys(params).length > 0 && { params }),
      ...(stack && { stack }),
      ...(features && { features }),
      ...(part.printed && { printed: null }),
    };
    return Object.keys(other).length > 0 ? [[part.id, other]] : [];
  });
  return { id, name: 'Stunt', unlit: true, parts: Object.fromEntries(others) };
}
