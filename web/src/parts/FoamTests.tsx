import { foldOpeningMm, ringTestNeutralFraction } from '@fomrik/core/foam';
import type { FoamSheet } from '@fomrik/core/materials';
import { trimNumber } from '@fomrik/core/units';
import { useState } from 'react';
import { setStock } from '../store/stock';
import { LengthField } from './Field';

/** A V cut till it closes a right angle cleanly: its opening corrects every fold in the foam. */
export function GrooveTest({ sheet }: { sheet: FoamSheet }) {
  return (
    <LengthField
      label="Groove test"
      valueMm={sheet.rightAngleMm?.value ?? Number(foldOpeningMm(sheet, Math.PI / 2).toFixed(1))}
      range={[0.5, 60]}
      estimate={!sheet.rightAngleMm}
      note={sheet.rightAngleMm ? 'measured' : 'est. from thickness'}
      onChange={(rightAngleMm) => setStock(sheet.foamId, sheet.nominalMm, { rightAngleMm })}
      help="Opening of a V that closed a right angle cleanly; corrects every fold in this foam."
    />
  );
}

/** A strip of known length butted into a ring: its inside diameter tells where the foam keeps its length. */
export function RingTest({ sheet: { foamId, nominalMm, thicknessMm } }: { sheet: FoamSheet }) {
  const [strip, setStrip] = useState(630);
  const [inside, setInside] = useState(0);
  const k = ringTestNeutralFraction(strip, inside, thicknessMm.value);
  const sound = inside > 0 && k >= 0 && k <= 1;
  return (
    <div className="grid grid-cols-2 gap-2">
      <LengthField
        label="Ring test: strip"
        valueMm={strip}
        range={[200, 2000]}
        onChange={setStrip}
        help="Butt a strip of this length into a ring."
      />
      <LengthField
        label="inside across"
        valueMm={inside}
        range={[0, 700]}
        onChange={setInside}
        note={
          inside === 0
            ? 'not tested'
            : sound
              ? `k = ${trimNumber(k, 2)}`
              : `k = ${trimNumber(k, 2)}: measure again`
        }
      />
      {sound && (
        <button
          type="button"
          className="btn col-span-2 justify-center"
          onClick={() => setStock(foamId, nominalMm, { neutralFraction: Number(k.toFixed(3)) })}
        >
          Use k = {trimNumber(k, 2)}
        </button>
      )}
    </div>
  );
}
