import type { Part, Station } from '@fomrik/core/document';
import { formOf, type PartReport, standardKinds } from '@fomrik/core/parts';
import { byId } from '@fomrik/core/units';
import { DartList } from '../stations/shape/DartList';
import { CircuitGroup } from '../stations/inside/CircuitGroup';
import { usePart } from '../parts/usePart';
import { useReport } from '../store/report';
import type { Changer } from '../store/version';
import { Crumbs } from './Crumbs';
import { DrawLines } from './DrawLines';
import { FeatureGroup } from './FeatureGroup';
import { Figures } from './Figures';
import { FinishGroup } from './FinishGroup';
import { FormGroups } from './FormGroups';
import { Group } from './Group';
import { Noticed } from './Noticed';
import { AttachGroup, FoamGroup } from './PartGroups';
import { SeveralParts } from './SeveralParts';
import { MadeGroup } from './MadeGroup';

/** Stations where a part is chosen; elsewhere the inspector is about the build. */
const ofPart: readonly Station[] = ['body', 'shape', 'inside', 'cut', 'make'];

/** Right of the bench: what is selected, its figures, what was noticed about it, and its values by group. */
export function Inspector({ station }: { station: Station }) {
  const { part, made, change } = usePart();
  const about = ofPart.includes(station);
  return (
    <aside
      aria-label="Inspector"
      className="relative h-full min-h-0 overflow-auto bg-paper p-2.5"
      tabIndex={-1}
    >
      <Crumbs part={about ? part : undefined} made={made} />
      {about && made && <Figures made={made} />}
      <Noticed station={station} partId={about ? part?.id : undefined} />
      {about && part && made && <PartGroups station={station} part={part} change={change} />}
    </aside>
  );
}

interface PartGroupsProps {
  station: Station;
  part: Part;
  change: Changer;
}

const isDarted = (made: PartReport | undefined): boolean =>
  made?.pieces.some((p) => p.role === 'shell' && p.stretch && !p.mirrors) === true;

/** Every group of a part, the same at each station; those a station is about begin open. */
function PartGroups({ station, part, change }: PartGroupsProps) {
  const form = formOf(standardKinds, part.form);
  const shaping = station === 'shape';
  const about = { part, form, change };
  const hasPieces = useReport((s) => (byId(s.report?.parts ?? [], part.id)?.panels.length ?? 0) > 0);
  const darts = useReport((s) => isDarted(byId(s.report?.parts ?? [], part.id)));
  return (
    <div className="mt-1 border-b border-hair">
      <SeveralParts />
      {station === 'inside' && (
        <>
          <FeatureGroup
            part={part}
            change={change}
            title="Put in"
            station="inside"
            open
            empty="Nothing is in it yet."
          />
          <CircuitGroup part={part} open />
        </>
      )}
      <FormGroups {...about} open={shaping} />
      <FoamGroup {...about} open={shaping} />
      <FinishGroup part={part} change={change} open={station === 'make'} />
      <AttachGroup {...about} open={shaping && part.mount.to === 'part'} />
      <MadeGroup part={part} change={change} />
      {hasPieces && (
        <FeatureGroup
          part={part}
          change={change}
          title="Details"
          station="shape"
          open={shaping && part.features.length < 8}
          more={<DrawLines partId={part.id} change={change} />}
          empty="Plain foam so far. Trim hides cut edges, a layer stiffens and raises, a strip inside keeps a slack edge."
        />
      )}
      {darts && (
        <Group title="Darts" open={shaping} holds="on curved pieces">
          <DartList part={part} change={change} />
        </Group>
      )}
      {station !== 'inside' && (
        <>
          <FeatureGroup
            part={part}
            change={change}
            title="Put in"
            station="inside"
            open={false}
            empty="Nothing is in it yet."
          />
          <CircuitGroup part={part} open={false} />
        </>
      )}
    </div>
  );
}
