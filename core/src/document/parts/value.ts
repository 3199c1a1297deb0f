/** One line of a list field. */
export type Row = Record<string, number | string>;
/** Values of a form's or a feature's fields. */
export type Value = number | string | Row[];
export type Params = Record<string, Value>;
