import { Download } from 'lucide-react';
import { useState } from 'react';
import { Sheet } from '../parts/Sheet';
import { api, type BuildSummary } from '../store/api';

/** Asks what of the wearer goes along in a build file, and hands it to the browser. */
export function ExportBuild({
  build,
  onClose,
}: {
  build: Pick<BuildSummary, 'id' | 'name' | 'wearer'>;
  onClose: () => void;
}) {
  const [measures, setMeasures] = useState(true);
  const [name, setName] = useState(false);
  return (
    <Sheet open onClose={onClose} title={`Export ${build.name}`}>
      <fieldset className="grid gap-2">
        <legend className="text-soft">
          The build file holds parts, patterns, plan, pins, log and pictures. What may it include about the
          wearer?
        </legend>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={measures} onChange={(e) => setMeasures(e.target.checked)} />
          Measures (without them the pattern is drawn for an average body)
        </label>
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={name} onChange={(e) => setName(e.target.checked)} />
          The name, {build.wearer}
        </label>
        <p className="text-[13px] text-soft">
          Names written into notes, the log or pictures are included as they are.
        </p>
      </fieldset>
      <div className="mt-3 flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          Cancel
        </button>
        <a
          className="btn btn-main"
          href={api.fileUrl(build.id, { measures, name })}
          download
          onClick={() => setTimeout(onClose, 0)}
        >
          <Download size={15} aria-hidden /> Export
        </a>
      </div>
    </Sheet>
  );
}
