import type { Finding, Severity, Station } from '@fomrik/core/document';
import { byId, counted, findIn } from '@fomrik/core/units';
import { useState } from 'react';
import { stations } from '../app/stations';
import { FindingCard } from '../parts/FindingCard';
import { useBuild } from '../store/build';
import { useReport } from '../store/report';
import { useIsBehind } from '../store/useBehind';
import { useSelected } from '../store/selection';

const grave: Record<Severity, number> = { stop: 0, mind: 1, note: 2 };

/** So many are shown at once; the rest is one press away. */
const AT_ONCE = 4;

/** A short list of findings, longer on a press. */
function Findings({ list }: { list: readonly { finding: Finding; where?: string }[] }) {
  const [all, setAll] = useState(false);
  return (
    <>
      {(all ? list : list.slice(0, AT_ONCE)).map(({ finding, where }) => (
        <FindingCard key={finding.id} finding={finding} {...(where !== undefined && { where })} />
      ))}
      {list.length > AT_ONCE && (
        <button type="button" className="quiet" aria-expanded={all} onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show ${list.length - AT_ONCE} more`}
        </button>
      )}
    </>
  );
}

/** What was noticed about the selected part, this station's first; then about the rest of the build. */
export function Noticed({ station, partId }: { station: Station; partId: string | undefined }) {
  const findings = useReport((s) => s.report?.findings) ?? [];
  const known = useReport((s) => s.report !== undefined);
  const failed = useReport((s) => s.error !== '');
  const old = useIsBehind() || failed;
  const aside = useBuild((s) => s.doc.setAside);
  const featureIds = useSelected((s) => s.featureIds);
  const [elsewhereOpen, setElsewhere] = useState(false);
  const isAside = (f: Finding): boolean => aside?.[f.id]?.title === f.title;
  const label = (f: Finding): string => findIn(stations, (s) => s.key === f.station).label;
  const far = (f: Finding): number => (f.station === station ? 0 : 1);
  const about = (f: Finding): number => (f.featureId && featureIds.includes(f.featureId) ? 0 : 1);
  const open = findings.filter((f) => !isAside(f));
  const circuits = useReport((s) => s.report?.circuits) ?? [];
  const reaches = (f: Finding): boolean =>
    f.circuitId !== undefined &&
    partId !== undefined &&
    byId(circuits, f.circuitId)?.partIds.includes(partId) === true;
  const isOwn = (f: Finding): boolean =>
    partId === undefined
      ? f.station === station
      : f.partId === partId || reaches(f) || (!f.partId && f.station === station);
  const own = open
    .filter(isOwn)
    .sort((a, b) => about(a) - about(b) || far(a) - far(b) || grave[a.severity] - grave[b.severity]);
  const rest = open
    .filter((f) => !isOwn(f))
    .sort((a, b) => far(a) - far(b) || grave[a.severity] - grave[b.severity]);
  const dismissed = findings.filter(isAside);
  return (
    <section aria-label="Noticed" className="mt-1">
      <h2 className="head">
        {!known
          ? failed
            ? 'Not worked out'
            : 'Calculating…'
          : old
            ? 'From before the last change'
            : own.length > 0
              ? `Noticed (${own.length})`
              : 'No problems here'}
      </h2>
      <Findings
        list={own.map((finding) => ({ finding, ...(far(finding) === 1 && { where: label(finding) }) }))}
      />
      {rest.length + dismissed.length > 0 && (
        <button
          type="button"
          className="quiet"
          aria-expanded={elsewhereOpen}
          onClick={() => setElsewhere(!elsewhereOpen)}
        >
          {elsewhereOpen ? 'Hide' : 'Show'}{' '}
          {[
            ...(rest.length > 0 ? [`${counted(rest.length, 'finding')} elsewhere`] : []),
            ...(dismissed.length > 0 ? [`${dismissed.length} dismissed`] : []),
          ].join(', ')}
        </button>
      )}
      {elsewhereOpen && <Findings list={rest.map((finding) => ({ finding, where: label(finding) }))} />}
      {elsewhereOpen &&
        dismissed.map((f) => (
          <FindingCard key={f.id} finding={f} where={`dismissed: ${aside![f.id]!.reason || 'understood'}`} />
        ))}
    </section>
  );
}
