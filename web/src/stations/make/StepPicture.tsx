import type { Step } from '@fomrik/core/plan';
import { DrawingView } from '../../parts/DrawingView';
import { useWorked } from '../../parts/useWorked';
import { askStepPicture, useReport } from '../../store/report';

/** What a step is about, drawn from the build's own pieces and solids: the work in teal. */
export function StepPicture({ step }: { step: Step }) {
  const report = useReport((s) => s.report);
  const { value, busy, fault } = useWorked(
    () => askStepPicture(step.id).then((drawing) => drawing && { drawing, of: step.id }),
    [step.id, report],
  );
  return (
    <figure className="mt-3 max-w-3xl" aria-busy={busy}>
      {value?.of === step.id ? (
        <DrawingView
          drawing={value.drawing}
          label={`Picture: ${step.title}`}
          className="max-h-[46vh] w-full border border-hair bg-leaf"
        />
      ) : (
        <div className="grid h-64 place-items-center border border-hair bg-leaf text-soft">
          {fault || 'Drawing…'}
        </div>
      )}
    </figure>
  );
}
