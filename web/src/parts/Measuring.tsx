import type { Part } from '@fomrik/core/document';
import { useAskedDetail, useAskedDimensions } from './useDimensions';

/** Measures a part and its selected detail while it is shown; beside its pictures, so that asking draws none of them anew. */
export function Measuring({ part }: { part: Part }): null {
  useAskedDimensions(part);
  return null;
}

/** The same for the selected detail alone. */
export function MeasuringDetail({ part }: { part: Part }): null {
  useAskedDetail(part);
  return null;
}
