import type { Part, Row, RowsField } from '@fomrik/core/document';
import { formOf, standardKinds } from '@fomrik/core/parts';
import { byId, counted, firstOf } from '@fomrik/core/units';
import { useMemo } from 'react';
import { Bench, type Pane } from '../../bench/Bench';
import type { DrawerTab } from '../../bench/Drawer';
import { PaneChoice, ViewBar } from '../../bench/ViewBar';
import { fieldsThatCount, tableKey } from '../../inspector/FormGroups';
import { Empty } from '../../parts/Empty';
import { isWide, RowsTable } from '../../parts/RowsTable';
import { Measuring } from '../../parts/Measuring';
import { useChosen, usePart } from '../../parts/usePart';
import { useReport } from '../../store/report';
import { useSelected } from '../../store/selection';
import { useView } from '../../store/view';
import { FitTab } from './FitTab';
import { FlatPane } from './FlatPane';
import { OutlinePane } from './OutlinePane';
import { SectionPane } from './SectionPane';
import { SolidPane } from './SolidPane';
import { ThicknessTrial } from './ThicknessTrial';
import { WholeBuild } from './WholeBuild';

/** Solid and flat side by side at full height; thickness, fit and wide lists in the drawer. */
export function Shape() {
  const part = useChosen();
  const worked = useReport((s) => byId(s.report?.parts ?? [], part?.id) !== undefined);
  if (!part) return <Empty what="shape" />;
  if (!worked) return <p className="p-4 text-soft">Calculating…</p>;
  return <ShapeOf part={part} />;
}

/** The drawn field of a selected detail. */
function drawnIn(part: Part, featureId: string | undefined): RowsField | undefined {
  const feature = byId(part.features, featureId);
  return (
    feature &&
    standardKinds.features
      .get(feature.kind)
      ?.fields.find((f): f is RowsField => f.type === 'rows' && f.draws !== undefined)
  );
}

/** Its panes read what they show themselves: a value that changes draws them anew, and not the bench round them. */
function ShapeOf({ part }: { part: Part }) {
  const flatPane = useView((v) => v.panes['flat']);
  const worn = useReport((s) => byId(s.report?.parts ?? [], part.id)?.zone !== undefined);
  const form = formOf(standardKinds, part.form);
  const fields = fieldsThatCount(form, part);
  const featureId = useSelected((s) => (s.featureIds.length === 1 ? s.featureIds[0] : undefined));
  const shape = drawnIn(part, featureId);
  const drawn = shape ?? fields.find((f): f is RowsField => f.type === 'rows' && f.draws !== undefined);
  const section = flatPane === 'section' && worn;
  const outline = drawn && flatPane !== 'flat' && !section ? drawn : undefined;
  const ofDetail = shape ? featureId : undefined;
  // Made anew only when other panes are shown.
  const panes = useMemo(
    (): Pane[] => [
      {
        id: 'solid',
        label: 'the solid',
        share: 48,
        bar: <ViewBar partId={part.id} on="solid" />,
        picture: <SolidPane />,
      },
      {
        id: 'flat',
        label: section ? 'the section' : outline ? outline.label.toLowerCase() : 'the flat pieces',
        share: 52,
        bar: (
          <>
            {(drawn !== undefined || worn) && (
              <PaneChoice
                pane="flat"
                choices={[
                  ...(drawn ? [['outline', drawn.label] as const] : []),
                  ['flat', 'Flat'],
                  ...(worn ? [['section', 'Section'] as const] : []),
                ]}
              />
            )}
            {!outline && !section && <ViewBar partId={part.id} on="flat" />}
          </>
        ),
        picture: section ? (
          <Section />
        ) : outline ? (
          <Outline key={ofDetail ?? part.id} field={outline} featureId={ofDetail} />
        ) : (
          <FlatPane />
        ),
      },
    ],
    [part.id, drawn, worn, section, outline, ofDetail],
  );
  return (
    <>
      <Measuring part={part} />
      <Bench
        station="shape"
        panes={panes}
        drawer={[...tables(fields, part), form.sheets === 'one' ? TRIAL : ACROSS, FIT]}
      />
    </>
  );
}

function Section() {
  const { made } = usePart();
  return made && <SectionPane made={made} />;
}

function Outline({ field, featureId }: { field: RowsField; featureId: string | undefined }) {
  const { part, change, drag } = usePart();
  return (
    part && (
      <OutlinePane
        part={part}
        form={formOf(standardKinds, part.form)}
        field={field}
        {...(featureId !== undefined && { featureId })}
        change={change}
        drag={drag}
      />
    )
  );
}

/** Lists too wide for the inspector; drawn ones are tables of points as well. */
const tables = (fields: ReturnType<typeof fieldsThatCount>, part: Part): DrawerTab[] =>
  fields.flatMap((field) => {
    if (field.type !== 'rows' || !isWide(field)) return [];
    const rows = part.params[field.key] as Row[];
    return [
      {
        key: tableKey(field),
        label: `${field.label}: ${counted(rows.length, field.line)}`,
        content: <Table key={part.id} fieldKey={field.key} />,
      },
    ];
  });

function Table({ fieldKey }: { fieldKey: string }) {
  const { part, change } = usePart();
  const field = part && formOf(standardKinds, part.form).fields.find((f) => f.key === fieldKey);
  if (field?.type !== 'rows') return null;
  return (
    <RowsTable
      field={field}
      rows={part!.params[fieldKey] as Row[]}
      part={part!}
      onChange={(next) => change((p) => void Object.assign(p.params, { [fieldKey]: next }))}
    />
  );
}

function Trial() {
  const { made, change } = usePart();
  return (
    <>
      {made && (
        <ThicknessTrial
          made={made}
          onChoose={(mm) => change((p) => void (firstOf(p.stack).nominalMm = mm))}
        />
      )}
      <WholeBuild />
    </>
  );
}

function Fit() {
  const { made } = usePart();
  return made && <FitTab made={made} />;
}

/** Thicknesses of a part of one sheet; what every part would rather be is beside any part. */
const TRIAL: DrawerTab = { key: 'trial', label: 'Thickness trial', content: <Trial /> };
const ACROSS: DrawerTab = { key: 'across', label: 'Across the build', content: <WholeBuild /> };
const FIT: DrawerTab = { key: 'fit', label: 'Fit', content: <Fit /> };
