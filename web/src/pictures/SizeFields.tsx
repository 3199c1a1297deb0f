import { landmarks, measures, seenMarks } from '@fomrik/core/body';
import { standingIn } from '@fomrik/core/document';
import { knownSheets, type Picture, type Spot } from '@fomrik/core/picture';
import { trimNumber, firstOf, findIn, itemAt } from '@fomrik/core/units';
import { ChoiceField } from '../parts/ChoiceField';
import { LengthField } from '../parts/Field';
import { useReport } from '../store/report';

/** What says how large a picture is: a sheet seen in it, a known length, or the wearer standing in it. */
export function SizeFields({ picture, onChange }: { picture: Picture; onChange: (to: Picture) => void }) {
  const body = useReport((s) => s.report!.body);
  const { widthPx: w, heightPx: h, sheet, known } = picture;
  const standing = standingIn(picture, body);
  const middle = (fx: number, fy: number): Spot => [w * fx, h * fy];
  const sheetChoice = knownSheets.findIndex(
    (s) => s.widthMm === sheet?.widthMm && s.heightMm === sheet.heightMm,
  );
  return (
    <>
      <ChoiceField
        label="Squared up by"
        value={!sheet ? 'none' : sheetChoice < 0 ? 'own' : String(sheetChoice)}
        choices={[
          { value: 'none', label: 'nothing: seen straight on' },
          ...knownSheets.map((s, i) => ({ value: String(i), label: `a sheet in it: ${s.label}` })),
          { value: 'own', label: 'a rectangle of another size' },
        ]}
        onChange={(value) => {
          const { sheet: old, ...rest } = picture;
          if (value === 'none') return onChange(rest);
          const { widthMm, heightMm } = knownSheets[Number(value)] ?? { widthMm: 200, heightMm: 100 };
          const at = old?.corners ?? [
            middle(0.35, 0.3),
            middle(0.65, 0.3),
            middle(0.65, 0.7),
            middle(0.35, 0.7),
          ];
          onChange({
            ...rest,
            sheet: { corners: at as Exclude<typeof old, undefined>['corners'], widthMm, heightMm },
          });
        }}
        help="Drag the four corners onto the sheet, from its top left clockwise."
      />
      {sheet && (
        <div className="grid grid-cols-2 gap-1">
          <LengthField
            label="Sheet across"
            valueMm={sheet.widthMm}
            range={[10, 5000]}
            onChange={(widthMm) => onChange({ ...picture, sheet: { ...sheet, widthMm } })}
          />
          <LengthField
            label="Sheet down"
            valueMm={sheet.heightMm}
            range={[10, 5000]}
            onChange={(heightMm) => onChange({ ...picture, sheet: { ...sheet, heightMm } })}
          />
        </div>
      )}
      <ChoiceField
        label="Known length"
        value={!known ? 'none' : (known.measure ?? 'typed')}
        choices={[
          { value: 'none', label: 'none' },
          { value: 'typed', label: 'typed' },
          ...measures.map((m) => ({ value: m.key, label: `the wearer’s ${m.label.toLowerCase()}` })),
        ]}
        onChange={(value) => {
          const { known: old, ...rest } = picture;
          if (value === 'none') return onChange(rest);
          // Someone standing is measured from the crown down.
          const upright = value === 'stature' && old?.measure !== 'stature';
          const { from, to, lengthMm } =
            old && !upright
              ? old
              : {
                  from: upright ? middle(0.5, 0.1) : middle(0.3, 0.2),
                  to: upright ? middle(0.5, 0.9) : middle(0.7, 0.2),
                  lengthMm: old?.lengthMm ?? 200,
                };
          onChange({
            ...rest,
            known: { from, to, lengthMm, ...(value !== 'typed' && { measure: value }) },
          });
        }}
        help="Drag its two ends; a measure of the wearer follows the wearer. By their stature, crown first, the figure stands in the picture: move it until eyes, shoulders and knees agree."
      />
      {known && known.measure === undefined && (
        <LengthField
          label="It is"
          valueMm={known.lengthMm}
          range={[1, 10_000]}
          onChange={(lengthMm) => onChange({ ...picture, known: { ...known, lengthMm } })}
        />
      )}
      {known?.measure === 'stature' && (
        <button
          type="button"
          className="btn self-start"
          onClick={() => {
            const { figure, ...plain } = known;
            if (figure) return onChange({ ...picture, known: plain });
            const heights = landmarks(body);
            const tall = firstOf(heights).upMm;
            const marked = seenMarks.map((name) => {
              const share = 1 - findIn(heights, (m) => m.name === name).upMm / tall;
              const at: Spot = [0, 1].map(
                (k) => itemAt(known.from, k) + (itemAt(known.to, k) - itemAt(known.from, k)) * share,
              ) as Spot;
              return { name, at };
            });
            onChange({ ...picture, known: { ...plain, figure: marked } });
          }}
        >
          {known.figure ? 'By crown and floor alone' : 'Mark eyes, shoulders and knees too'}
        </button>
      )}
      {standing && (
        <p>
          All five marks together place the figure; it is{' '}
          {standing.offMm.map(({ name, mm }) => `${trimNumber(mm, 0)} mm off at the ${name}`).join(', ')}.
        </p>
      )}
    </>
  );
}
