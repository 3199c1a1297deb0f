import { type Zone, zoneInfo } from '@fomrik/core/body';
import { formsAt, standardKinds } from '@fomrik/core/parts';
import { useState } from 'react';
import { addPart } from '../../app/partActions';
import { LazyFigure } from '../../parts/LazySolid';
import { useLooks } from '../../parts/light/useLooks';
import { useReport } from '../../store/report';
import { useSelected, selectPart } from '../../store/selection';

/** Everything worn on the figure: press a part to work on it, or bare body to hang a new part there. */
export function FigureBench() {
  const report = useReport((s) => s.report!);
  const chosen = useSelected((s) => s.partId);
  const [zones, setZones] = useState<Zone[]>([]);
  const forms = formsAt(standardKinds, zones);
  const { finished, night } = useLooks(report.parts);
  return (
    <>
      <LazyFigure
        body={report.body}
        parts={report.parts}
        chosen={chosen || report.parts[0]?.id}
        onPart={(partId) => selectPart(partId)}
        onBody={setZones}
        finished={finished}
        night={night}
      />
      <div className="absolute bottom-1 left-2 right-2">
        {forms.length === 0 ? (
          <p className="pointer-events-none w-fit bg-paper px-1 text-[12px] text-soft">
            Press a part to work on it, or the body where a new part should go.
          </p>
        ) : (
          <div
            role="group"
            aria-label="Forms for this place"
            className="leaf flex flex-wrap items-center gap-1.5 p-1.5"
          >
            <span className="font-medium">
              At the {[...new Set(zones.map((z) => zoneInfo(z).label))].join(' or ')}:
            </span>
            {forms.map(({ kind, label, summary, zones: fits }) => (
              <button
                key={kind}
                type="button"
                className="btn min-h-7 px-2"
                title={summary}
                onClick={() => {
                  addPart(
                    kind,
                    zones.find((z) => fits.includes(z)),
                  );
                  setZones([]);
                }}
              >
                {label}
              </button>
            ))}
            <button type="button" className="btn min-h-7 px-2" onClick={() => setZones([])}>
              Nothing
            </button>
          </div>
        )}
      </div>
    </>
  );
}
