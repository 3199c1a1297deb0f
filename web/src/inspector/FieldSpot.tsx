import type { ReactNode } from 'react';
import { type FieldRef, sameField, useView } from '../store/view';

/** Round a field that has a place on the picture: its dimension is drawn while it has the focus, and it is marked while the pointer is on its dimension. */
export function FieldSpot({ at, children }: { at: FieldRef; children: ReactNode }) {
  const hinted = useView((v) => sameField(v.hinted, at));
  return (
    <div
      className={hinted ? 'bg-wash' : ''}
      data-field={at.path.join('.')}
      onFocus={() => useView.setState({ dimensionOf: at })}
      onBlur={() =>
        useView.setState(({ dimensionOf }) => (sameField(dimensionOf, at) ? { dimensionOf: undefined } : {}))
      }
    >
      {children}
    </div>
  );
}
