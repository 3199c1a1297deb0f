import type { CircuitReport } from '@fomrik/core/circuit';
import type { Feature, Part } from '@fomrik/core/document';
import type { Draft } from 'immer';
import { useState } from 'react';
import { toast } from 'sonner';
import { useBuild } from '../../store/build';
import { insideWorker } from '../../workers/insideClient';

/** Cuts channels along the wires of a circuit in this part, as one step. */
export function ChannelsButton({
  part,
  circuit,
  change,
}: {
  part: Part;
  circuit: CircuitReport;
  change: (recipe: (part: Draft<Part>) => void) => void;
}) {
  const [busy, setBusy] = useState(false);
  const propose = async (): Promise<void> => {
    setBusy(true);
    const { doc } = useBuild.getState();
    const found = await insideWorker.channels(doc, part, circuit.runs, circuit.awg).catch((error: Error) => {
      toast.error(`No channel was cut: ${error.message} Try again.`);
      return undefined;
    });
    setBusy(false);
    if (!found) return;
    if (found.length === 0) {
      toast('No channel can be cut along these wires: no room between the layers, or the foam is too thin.');
      return;
    }
    change((p) => void p.features.push(...(found as Draft<Feature>[])));
    toast(`${found.length} wire channel${found.length > 1 ? 's' : ''} along “${circuit.name}”.`);
  };
  return (
    <button
      type="button"
      className="btn min-h-7 px-2"
      disabled={busy}
      title="A channel on every piece its wires run over"
      onClick={() => void propose()}
    >
      {busy ? 'Trying channels…' : 'Cut channels along its wires'}
    </button>
  );
}
