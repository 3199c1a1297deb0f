import type { Part, Ply } from '@fomrik/core/document';
import { stackWays } from '@fomrik/core/foam';
import { foamSheet, thicknessesOf } from '@fomrik/core/materials';
import { trimNumber, itemAt, firstOf, lastOf } from '@fomrik/core/units';
import type { Changer } from '../../store/version';
import { ArrowDown, ArrowUp, Plus, X } from 'lucide-react';
import { useState } from 'react';
import { ChoiceField } from '../../parts/ChoiceField';
import { LengthField } from '../../parts/Field';
import { useCatalogue } from '../../store/catalogue';
import { useBuild } from '../../store/build';

interface LayerListProps {
  part: Pick<Part, 'stack'>;
  change: Changer;
}

const MOST = 24;
const GLUE_MM = 0.1;
const TOLERANCE_MM = 1;
const WAYS = 4;

/** Layers from the back to the front, and sheets that would make a thickness. */
export function LayerList({ part, change }: LayerListProps) {
  const stock = useBuild((s) => s.doc.stock);
  const catalogue = useCatalogue();
  const [target, setTarget] = useState(26);
  const sheet = ({ foamId, nominalMm }: Ply) => foamSheet(catalogue.foams, stock, foamId, nominalMm);
  const total =
    part.stack.reduce((sum, ply) => sum + sheet(ply).thicknessMm.value, 0) +
    (part.stack.length - 1) * GLUE_MM;
  const set = (stack: Ply[]): void => change((p) => void (p.stack = stack));
  const put = (i: number, ply: Ply): void => set(part.stack.map((p, k) => (k === i ? ply : p)));
  const move = (i: number, by: 1 | -1): void => {
    const next = [...part.stack];
    [next[i], next[i + by]] = [itemAt(next, i + by), itemAt(next, i)];
    set(next);
  };
  const { foamId } = firstOf(part.stack);
  const can = (id: string): number[] => thicknessesOf(catalogue.foams, stock, id);
  const ways = stackWays(
    can(foamId).map((nominalMm) => {
      const s = sheet({ foamId, nominalMm });
      return {
        nominalMm,
        thicknessMm: s.thicknessMm.value,
        pricePerM2: (s.price.value / (s.widthMm * s.heightMm)) * 1e6,
      };
    }),
    target,
    TOLERANCE_MM,
    GLUE_MM,
  ).slice(0, WAYS);
  return (
    <div className="cells">
      <p className="text-[12.5px] text-soft">
        Layers from the back, {trimNumber(total, 1)} mm with the glue between them
      </p>
      <table className="w-full table-fixed">
        <thead className="sr-only">
          <tr>
            {['layer', 'foam', 'thickness', 'move or remove'].map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {part.stack.map((ply, i) => (
            <tr key={i} data-row={`layer-${i + 1}`}>
              <th scope="row" className="w-5 text-left text-[12px] font-normal text-soft">
                {i + 1}
              </th>
              <td className="px-0.5">
                <ChoiceField
                  bare
                  label={`Layer ${i + 1}`}
                  value={ply.foamId}
                  choices={[
                    ...(catalogue.foams.some((f) => f.id === ply.foamId)
                      ? []
                      : [{ value: ply.foamId, label: `${ply.foamId} (not known)` }]),
                    ...catalogue.foams.map((f) => ({ value: f.id, label: f.name })),
                  ]}
                  onChange={(id) =>
                    put(i, {
                      foamId: id,
                      nominalMm: can(id).reduce((a, b) =>
                        Math.abs(b - ply.nominalMm) < Math.abs(a - ply.nominalMm) ? b : a,
                      ),
                    })
                  }
                />
              </td>
              <td className="w-20 px-0.5">
                <ChoiceField
                  bare
                  label={`Layer ${i + 1}, thickness`}
                  value={ply.nominalMm}
                  choices={[
                    ...can(ply.foamId).map((mm) => ({ value: mm, label: `${mm} mm` })),
                    ...(can(ply.foamId).includes(ply.nominalMm)
                      ? []
                      : [{ value: ply.nominalMm, label: `${ply.nominalMm} mm, not sold` }]),
                  ]}
                  onChange={(nominalMm) => put(i, { ...ply, nominalMm })}
                />
              </td>
              <td className="w-[80px] whitespace-nowrap text-right">
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Layer ${i + 1} further back`}
                  title="Further back"
                  disabled={i === 0}
                  onClick={() => move(i, -1)}
                >
                  <ArrowUp size={14} aria-hidden />
                </button>
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Layer ${i + 1} further forward`}
                  title="Further forward"
                  disabled={i === part.stack.length - 1}
                  onClick={() => move(i, 1)}
                >
                  <ArrowDown size={14} aria-hidden />
                </button>
                <button
                  type="button"
                  className="tiny"
                  aria-label={`Remove layer ${i + 1}`}
                  title="Remove"
                  disabled={part.stack.length === 1}
                  onClick={() => set(part.stack.filter((_, k) => k !== i))}
                >
                  <X size={14} aria-hidden />
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <button
        type="button"
        className="btn my-1 min-h-7 px-2"
        disabled={part.stack.length >= MOST}
        onClick={() => set([...part.stack, { ...lastOf(part.stack) }])}
      >
        <Plus size={14} aria-hidden /> layer
      </button>
      <div aria-label="Sheets that make a thickness" role="group">
        <LengthField label="Together they should be" valueMm={target} range={[1, 120]} onChange={setTarget} />
        <ul className="text-[13px]">
          {ways.map((way) => (
            <li key={way.layersMm.join()} className="flex items-center justify-between border-t border-hair">
              <span>
                {way.layersMm.map((mm) => trimNumber(mm)).join(' + ')} = {trimNumber(way.totalMm, 1)} mm
              </span>
              <button
                type="button"
                className="btn min-h-7 px-2"
                aria-label={`Take ${way.layersMm.join(' and ')} mm`}
                onClick={() => set(way.layersMm.map((nominalMm) => ({ foamId, nominalMm })))}
              >
                Take
              </button>
            </li>
          ))}
          {ways.length === 0 && (
            <li className="text-soft">No sheets of this foam come within {TOLERANCE_MM} mm.</li>
          )}
        </ul>
      </div>
    </div>
  );
}
