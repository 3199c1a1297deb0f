import { newLights } from '@fomrik/core/build/newBuild';
import { Empty } from '../../parts/Empty';
import { LazySolid } from '../../parts/LazySolid';
import { usePart } from '../../parts/usePart';
import { dragEnd } from '../../store/build';
import { useReport } from '../../store/report';
import { insideHandles } from './insideHandles';
import { LightFields } from './LightFields';
import { PackSection } from './PackSection';
import { RunChart } from './RunChart';
import { Schematic } from './Schematic';

/** What lights up, from what, for how long, and where it all sits. */
export function Inside() {
  const { part, made, change, drag } = usePart();
  const body = useReport((s) => s.report!.body);
  if (!part) return <Empty what="light" />;
  if (!made) return <p className="p-4 text-soft">Working it out…</p>;
  if (part.form !== 'bracer') {
    return (
      <div className="m-8 max-w-md">
        <h2 className="text-xl">No light is planned in {part.name}</h2>
        <p className="my-2 text-soft">
          Lamps, packs and switches are placed in bracers so far. Choose one on the rack, or add one.
        </p>
      </div>
    );
  }
  const { lights } = part;
  if (!lights || !made.inside) {
    return (
      <div className="m-8 max-w-md">
        <h2 className="text-xl">{part.name} is dark</h2>
        <p className="my-2 text-soft">
          Lamps, switch and pack are planned now, before foam is cut. They begin as three amber lamps in a row
          on the back of the arm.
        </p>
        <button
          type="button"
          className="btn btn-main"
          onClick={() => change((p) => void (p.lights = newLights(part)))}
        >
          Light it
        </button>
      </div>
    );
  }
  const { inside } = made;
  return (
    <div className="grid h-full min-h-[640px] grid-cols-[5fr_6fr] grid-rows-[minmax(0,1.1fr)_minmax(0,1fr)]">
      <div className="relative min-h-0 border-b border-r border-hair bg-paper">
        <LazySolid
          made={made}
          body={body}
          seeThrough
          handles={insideHandles(lights, inside, drag, change, dragEnd)}
        />
        <p className="pointer-events-none absolute bottom-1 left-2 text-[12px] text-soft">
          Drag lamps (round), pack (box) and switch along the shell.
        </p>
      </div>
      <div className="min-h-0 overflow-auto border-b border-hair p-3">
        <LightFields part={part} lights={lights} change={change} />
      </div>
      <div className="min-h-0 border-r border-hair p-2">
        <PackSection
          made={made}
          lights={lights}
          body={body}
          underLayerMm={useReport.getState().doc?.wearer.underLayerMm ?? 0}
        />
      </div>
      <div className="grid min-h-0 grid-rows-[minmax(0,1fr)_minmax(0,1fr)] overflow-hidden p-2">
        <Schematic inside={inside} />
        <RunChart inside={inside} />
      </div>
    </div>
  );
}
