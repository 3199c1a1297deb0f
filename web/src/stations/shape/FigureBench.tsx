import type { Zone } from '@fomrik/core/forms/contract';
import { formKinds, type FormKindName } from '@fomrik/core/forms/kinds';
import { useState } from 'react';
import { addPart } from '../../app/partActions';
import { LazyFigure } from '../../parts/LazySolid';
import { useReport } from '../../store/report';
import { useView } from '../../store/view';

const kinds = Object.keys(formKinds) as FormKindName[];

const words: Record<Zone, string> = {
  head: 'head',
  neck: 'neck',
  torso: 'trunk',
  hips: 'hips',
  shoulder: 'shoulder',
  upperArm: 'upper arm',
  elbow: 'elbow',
  forearm: 'forearm',
  thigh: 'thigh',
  knee: 'knee',
  lowerLeg: 'lower leg',
  back: 'back',
};

/** Everything worn on the figure: press a part to work on it, or bare body to hang a new part there. */
export function FigureBench() {
  const report = useReport((s) => s.report!);
  const chosen = useView((v) => v.partId);
  const [zones, setZones] = useState<Zone[]>([]);
  const forms = kinds.filter((k) => zones.includes(formKinds[k].zone));
  return (
    <>
      <LazyFigure
        body={report.body}
        parts={report.parts}
        chosen={chosen || report.parts[0]?.id}
        onPart={(partId) => useView.setState({ partId })}
        onBody={setZones}
      />
      <div className="absolute bottom-1 left-2 right-2">
        {forms.length === 0 ? (
          <p className="pointer-events-none text-[12px] text-soft">
            Press a part to work on it; press the body where a new part should hang.
          </p>
        ) : (
          <div
            role="group"
            aria-label="Forms for this place"
            className="leaf flex flex-wrap items-center gap-1.5 p-1.5"
          >
            <span className="font-medium">
              At the {[...new Set(zones.map((z) => words[z]))].join(' or ')}:
            </span>
            {forms.map((k) => (
              <button
                key={k}
                type="button"
                className="btn min-h-7 px-2"
                title={formKinds[k].summary}
                onClick={() => {
                  addPart(k);
                  setZones([]);
                }}
              >
                {formKinds[k].label}
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
