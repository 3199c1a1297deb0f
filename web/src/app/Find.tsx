import { standardKinds } from '@fomrik/core/parts';
import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useNavigate } from 'react-router';
import { useBuild } from '../store/build';
import { pinNow } from '../store/notes';
import { useReport } from '../store/report';
import { useSelected, selectPart } from '../store/selection';
import { toggle, useView } from '../store/view';
import { addPart, mirrorPart } from './partActions';
import { stations } from './stations';

interface Entry {
  label: string;
  group: string;
  run: () => void;
}

/** One box that finds stations, parts, findings and actions. */
export function Find({ id }: { id: string }) {
  return useView((v) => v.findOpen) ? <Box id={id} /> : null;
}

function Box({ id }: { id: string }) {
  const parts = useBuild((s) => s.doc.parts);
  const findings = useReport((s) => s.report?.findings) ?? [];
  const navigate = useNavigate();
  const go = (station: string): void => void navigate(`/build/${id}/${station}`);
  const entries: Entry[] = [
    ...stations.map((s) => ({ label: s.label, group: 'Stations', run: () => go(s.key) })),
    ...parts.map((p) => ({
      label: p.name,
      group: 'Parts',
      run: () => {
        selectPart(p.id);
        go('shape');
      },
    })),
    ...findings.map((f) => ({
      label: f.title,
      group: 'Findings',
      run: () => {
        if (f.partId) selectPart(f.partId);
        go(f.station);
      },
    })),
    ...[...standardKinds.forms.values()].map(({ kind, label }) => ({
      label: `Add: ${label}`,
      group: 'Actions',
      run: () => addPart(kind),
    })),
    { label: 'Mirror the part', group: 'Actions', run: () => mirrorPart(useSelected.getState().partId) },
    { label: 'Pin the present state', group: 'Actions', run: () => void pinNow() },
    { label: 'Compare with a pin', group: 'Actions', run: () => toggle('compareOpen') },
    { label: 'Thickness trial', group: 'Actions', run: () => go('shape') },
    { label: 'Print or download the pattern', group: 'Actions', run: () => go('cut') },
    { label: 'Back to the shelf', group: 'Actions', run: () => void navigate('/') },
  ];
  const groups = ['Stations', 'Parts', 'Findings', 'Actions'];
  return (
    <Dialog.Root open onOpenChange={(next) => useView.setState({ findOpen: next })}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-ink/25" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed left-1/2 top-20 w-[560px] max-w-[94vw] -translate-x-1/2 border border-ink bg-leaf"
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          <Command label="Find anything">
            <Command.Input
              className="w-full border-b border-hair bg-leaf p-3 text-[16px]"
              placeholder="Station, part, finding or action"
            />
            <Command.List className="max-h-80 overflow-auto p-1">
              <Command.Empty className="p-3 text-soft">No match.</Command.Empty>
              {groups.map((group) => (
                <Command.Group
                  key={group}
                  heading={group}
                  className="[&_[cmdk-group-heading]]:px-2 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:text-[12px] [&_[cmdk-group-heading]]:text-soft"
                >
                  {entries
                    .filter((e) => e.group === group)
                    .map((e) => (
                      <Command.Item
                        key={e.label}
                        value={`${e.group} ${e.label}`}
                        onSelect={() => {
                          useView.setState({ findOpen: false });
                          e.run();
                        }}
                        className="cursor-pointer px-2 py-1.5 data-[selected=true]:bg-wash"
                      >
                        {e.label}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
