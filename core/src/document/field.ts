import type { Picture } from '../thumbnail';
import type { MeasureKey } from '../body';
import type { Params, Row, Value } from './parts/value';

/** What a part may need more of: room inside, distance from lamps to the walls of their hollow, way round a joint, girth, more pieces, grams at either end, or wider straps. */
export type Need = 'room' | 'standOff' | 'reach' | 'girth' | 'split' | 'footMass' | 'tipMass' | 'strap';

interface FieldBase<K extends string> {
  key: K;
  label: string;
  help: string;
  group: string;
  /** Whether the field has any bearing as things stand. */
  when?: (params: Params) => boolean;
  /** What one unit more gives of something that may be needed, in its millimetres; a choice that splits gives 1. */
  gives?: readonly { need: Need; by: number }[];
  seededBy?: MeasureKey;
  /** What it is in lines of a list that were written before it was there. */
  formerly?: Value;
  /** What it is in a stunt version, where that is another value than the one it has. */
  stunt?: (params: Params) => Value | undefined;
  /**
   * Of a feature: has a bearing only where it is let into layers, or only where it lies behind a shell. Of a form: only on
   * what is carried, and not on what is mounted on something else.
   */
  only?: 'layers' | 'shell' | 'carried';
}

/** A number: millimetres, degrees, whole pieces, or a plain number with its unit. */
export interface NumberField<K extends string = string> extends FieldBase<K> {
  type: 'length' | 'angle' | 'count' | 'number';
  range: readonly [number, number];
  /** The range it had before it was narrowed; values from then are brought in. */
  before?: readonly [number, number];
  unit?: string;
}

export interface ChoiceField<
  K extends string = string,
  V extends string | number = string | number,
> extends FieldBase<K> {
  type: 'choice';
  choices: readonly { value: V; label: string; picture?: Picture }[];
  /** Values that are not on the list are kept and reported rather than refused: things out of a catalogue. */
  open?: boolean;
  /** The surfaces of the build are choices too. */
  surfaces?: boolean;
  /** The foams of one's own are choices too. */
  foams?: boolean;
}

/** A thickness of the part's own foam; 0 takes the part's. */
export interface FoamField<K extends string = string> extends FieldBase<K> {
  type: 'foam';
  /** Thicknesses above this are unusual here, mm. */
  usualMm?: number;
  /** Whether 0, the part's own thickness, may be chosen. */
  own: boolean;
  /** The field that names the foam it is a thickness of, where that may be another than the part's. */
  of?: string;
}

/** A list with the same fields in every line. */
export interface RowsField<
  K extends string = string,
  Of extends readonly ScalarField[] = readonly ScalarField[],
> extends FieldBase<K> {
  type: 'rows';
  of: Of;
  range: readonly [number, number];
  /** What a new line begins as, after those before it. */
  start: (rows: readonly Row[]) => Row;
  /** What one line is called. */
  line: string;
  /** Lines are the points of an outline, or of a profile turned about an axis, and can be drawn. */
  draws?: 'outline' | 'profile' | 'pieces';
}

export type ScalarField = NumberField | ChoiceField | FoamField;
export type Field = ScalarField | RowsField;

type ScalarValue<F> = F extends { type: 'choice'; choices: readonly { value: infer V }[] } ? V : number;
type RowValues<Fs extends readonly ScalarField[]> = { [F in Fs[number] as F['key']]: ScalarValue<F> };
type FieldValue<F> = F extends { type: 'rows'; of: infer Of extends readonly ScalarField[] }
  ? RowValues<Of>[]
  : ScalarValue<F>;

/** The values a list of fields describes. */
export type ParamsOf<Fs extends readonly Field[]> = { [F in Fs[number] as F['key']]: FieldValue<F> };

type Rest<K extends string> = Partial<
  Pick<FieldBase<K>, 'when' | 'gives' | 'seededBy' | 'only' | 'stunt' | 'formerly'> &
    Pick<NumberField, 'before'>
>;

const numeric =
  (type: NumberField['type']) =>
  <K extends string>(
    key: K,
    label: string,
    range: readonly [number, number],
    help: string,
    group = 'Size',
    rest: Rest<K> = {},
  ): NumberField<K> => ({ type, key, label, range, help, group, ...rest });

export const length = numeric('length');
export const angle = numeric('angle');
export const count = numeric('count');

/** A plain number with its unit. */
export const number = <K extends string>(
  key: K,
  label: string,
  range: readonly [number, number],
  unit: string,
  help: string,
  group = 'Size',
  rest: Rest<K> = {},
): NumberField<K> => ({ type: 'number', key, label, range, unit, help, group, ...rest });

export const choice = <K extends string, const V extends string | number>(
  key: K,
  label: string,
  /** Each value with its label, and a picture where people choose by looks. */
  choices: readonly (readonly [V, string, Picture?])[],
  help: string,
  group = 'Size',
  rest: Rest<K> & { open?: boolean; surfaces?: boolean; foams?: boolean } = {},
): ChoiceField<K, V> => ({
  type: 'choice',
  key,
  label,
  help,
  group,
  choices: choices.map(([value, text, picture]) => ({ value, label: text, ...(picture && { picture }) })),
  ...rest,
});

/** The foam that a thickness is one of: what its values name, or the part's. */
export function foamOfField(field: FoamField, params: Params, partFoam: string): string {
  const named = field.of === undefined ? undefined : params[field.of];
  return typeof named === 'string' && named !== 'part' ? named : partFoam;
}

/** Thickness of pieces of their own: 0 takes the part's foam. */
export const ownFoam = <K extends string>(key: K, label: string, rest: Rest<K> = {}): FoamField<K> => ({
  type: 'foam',
  key,
  label,
  help: 'Thickness of these pieces alone.',
  group: 'Foam',
  own: true,
  ...rest,
});

export const rows = <K extends string, const Of extends readonly ScalarField[]>(
  key: K,
  label: string,
  of: Of,
  range: readonly [number, number],
  start: (rows: readonly Row[]) => Row,
  line: string,
  help: string,
  group = label,
  rest: Pick<RowsField, 'draws' | 'when'> = {},
): RowsField<K, Of> => ({ type: 'rows', key, label, of, range, start, line, help, group, ...rest });

/** Whether a value is one that the field can hold. */
export function holds(field: Field, value: Value | undefined): boolean {
  if (field.type === 'rows')
    return (
      Array.isArray(value) &&
      value.length >= field.range[0] &&
      value.length <= field.range[1] &&
      value.every((row) => field.of.every((f) => holds(f, row[f.key])))
    );
  if (field.type === 'choice')
    return field.open ? typeof value === 'string' : field.choices.some((c) => c.value === value);
  if (typeof value !== 'number' || !Number.isFinite(value)) return false;
  if (field.type === 'foam') return (field.own && value === 0) || (value >= 1 && value <= 50);
  return (
    value >= field.range[0] && value <= field.range[1] && (field.type !== 'count' || Number.isInteger(value))
  );
}
