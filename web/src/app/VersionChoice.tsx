import { byId } from '@fomrik/core/units';
import type { VersionScope } from '@fomrik/core/document';
import { useShallow } from 'zustand/react/shallow';
import { ChoiceField } from '../parts/ChoiceField';
import { useBuild } from '../store/build';
import { useView } from '../store/view';

const scopes: { value: VersionScope; label: string }[] = [
  { value: 'all', label: 'every version' },
  { value: 'one', label: 'this one' },
];

/** Which version is shown at every station, and where edits of its parts go. */
export function VersionChoice() {
  const versions = useBuild((s) => s.doc.versions);
  const { versionId, versionScope } = useView(
    useShallow((v) => ({ versionId: v.versionId, versionScope: v.versionScope })),
  );
  if (!versions || versions.length === 0) return null;
  const shown = byId(versions, versionId);
  return (
    <div className="mb-1.5 border-y border-hair py-1">
      <ChoiceField
        label="Version"
        value={shown?.id ?? ''}
        choices={[
          { value: '', label: 'as designed' },
          ...versions.map((v) => ({ value: v.id, label: v.name })),
        ]}
        onChange={(id) => useView.setState({ versionId: id })}
      />
      {shown && (
        <ChoiceField
          label="Edits go to"
          value={versionScope}
          choices={scopes}
          onChange={(scope) => useView.setState({ versionScope: scope })}
        />
      )}
    </div>
  );
}
