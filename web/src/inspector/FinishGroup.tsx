import { bareScheme, type Coat, type Part, type Scheme } from '@fomrik/core/document';
import { colourName } from '@fomrik/core/materials';
import { featureName, drawnPieces, type PartReport } from '@fomrik/core/parts';
import { byId, counted } from '@fomrik/core/units';
import type { Draft } from 'immer';
import { Plus, X } from 'lucide-react';
import { memo } from 'react';
import { ChoiceField } from '../parts/ChoiceField';
import { Range } from '../parts/Range';
import { useMade } from '../parts/useMade';
import { useBuild } from '../store/build';
import { useSelected } from '../store/selection';
import type { Changer } from '../store/version';
import { CoatFields } from './CoatFields';
import { Group } from './Group';
import { KeptSchemes } from './KeptSchemes';
import { onlyWhen } from './onlyWhen';

/** What colours are about. */
const painted = ['id', 'name', 'scheme', 'features'] as const satisfies readonly (keyof Part)[];
type Painted = Pick<Part, (typeof painted)[number]>;

interface FinishGroupProps {
  part: Painted;
  change: Changer;
  open: boolean;
}

/** What most of a part is painted when colours are first chosen. */
const FIRST: Coat = { colour: '#51657a', surface: 'satin' };
const ACCENT: Coat = { colour: '#e0a323', surface: 'metallic' };

const wears: { key: keyof Scheme['wear']; label: string }[] = [
  { key: 'creases', label: 'Dark wash in creases' },
  { key: 'edges', label: 'Bright edges' },
  { key: 'dust', label: 'Dust from below' },
  { key: 'scratches', label: 'Scratches' },
];

/** The colours of a part, how they take the light, and its wear: coats, amounts, steps and pictures follow. */
export const FinishGroup = memo(
  function FinishGroup({ part, change, open }: FinishGroupProps) {
    const { scheme } = part;
    const set = (recipe: (scheme: Draft<Scheme>) => void): void =>
      change((p) => {
        p.scheme ??= structuredClone({ ...bareScheme, base: FIRST }) as Draft<Scheme>;
        recipe(p.scheme);
      });
    const holds = scheme
      ? [scheme.base, ...scheme.areas].map((c) => colourName(c.colour)).join(', ')
      : 'no colours yet';
    return (
      <Group title="Finish" open={open} holds={holds}>
        {scheme ? (
          <Colours part={part} scheme={scheme} set={set} change={change} />
        ) : (
          <>
            <p className="text-[13px] text-soft">
              Choose colours: the finished picture, coats, masks, amounts and steps follow.
            </p>
            <button type="button" className="btn" onClick={() => set(() => undefined)}>
              Choose colours
            </button>
          </>
        )}
        <FromOther part={part} change={change} />
        <KeptSchemes part={part} change={change} />
      </Group>
    );
  },
  onlyWhen(...painted),
);

/** What can be painted by itself. */
type Spot = Pick<Scheme['areas'][number], 'of' | 'id' | 'edge'>;

const keyOf = ({ of, id, edge }: Spot): string => (of === 'edge' ? `${id} ${edge ?? ''}` : id);

/** Everything of a part that can be painted by itself: pieces, details, the selected edge and those that are painted. */
function paintable(
  part: Painted,
  made: PartReport,
  { areas }: Scheme,
  selected: { pieceId: string; edgeId: string } | undefined,
): { value: string; label: string; spot: Spot }[] {
  const pieces = drawnPieces(made);
  const details = part.features.filter(
    (f) => made.extraRuns.some((r) => r.id === f.id) || made.drawn.some((d) => d.featureId === f.id),
  );
  const edges: Spot[] = [
    ...(selected ? [{ of: 'edge' as const, id: selected.pieceId, edge: selected.edgeId }] : []),
    ...areas.filter((a) => a.of === 'edge'),
  ];
  return [
    ...pieces
      .filter((p) => p.role === 'shell')
      .map((p) => ({ value: p.id, label: p.name, spot: { of: 'piece' as const, id: p.id } })),
    ...details.map((f) => ({
      value: f.id,
      label: featureName(f, part.features),
      spot: { of: 'detail' as const, id: f.id },
    })),
    ...[...new Map(edges.map((e) => [keyOf(e), e])).values()].flatMap(({ of, id, edge }) => {
      const piece = byId(pieces, id);
      const own = piece?.edges.find((e) => e.id === edge);
      return own
        ? [{ value: keyOf({ of, id, edge }), label: `${own.name} of ${piece!.name}`, spot: { of, id, edge } }]
        : [];
    }),
  ];
}

function Colours({
  part,
  scheme,
  set,
  change,
}: Omit<FinishGroupProps, 'open'> & { scheme: Scheme; set: (recipe: (s: Draft<Scheme>) => void) => void }) {
  const chosen = useSelected((s) => s.featureIds[0]);
  const edge = useSelected((s) => s.edge);
  const made = useMade(part.id);
  const things = made ? paintable(part, made, scheme, edge) : [];
  const free = things.find((t) => !scheme.areas.some((a) => keyOf(a) === t.value));
  const wanted =
    [chosen, edge && keyOf({ of: 'edge', id: edge.pieceId, edge: edge.edgeId }), edge?.pieceId].find((key) =>
      things.some((t) => t.value === key && !scheme.areas.some((a) => keyOf(a) === key)),
    ) ?? free?.value;
  const spotOf = (key: string): Spot => things.find((t) => t.value === key)!.spot;
  return (
    <>
      <CoatFields
        label="Most of it"
        coat={scheme.base}
        onChange={(coat) => set((s) => void (s.base = coat))}
      />
      {scheme.areas.map((area, i) => (
        <div key={i} className="mt-1 border-t border-hair pt-1">
          <div className="flex items-end gap-1">
            <div className="min-w-0 flex-1">
              <ChoiceField
                label={`Area ${i + 1}`}
                value={keyOf(area)}
                choices={
                  things.some((t) => t.value === keyOf(area))
                    ? things
                    : [{ value: keyOf(area), label: `${area.id} (gone)` }, ...things]
                }
                onChange={(key) => {
                  const { colour, surface } = area;
                  set((s) => void (s.areas[i] = { ...spotOf(key), colour, surface }));
                }}
              />
            </div>
            <button
              type="button"
              className="tiny"
              aria-label={`Remove area ${i + 1}`}
              title={`Remove area ${i + 1}`}
              onClick={() => set((s) => void s.areas.splice(i, 1))}
            >
              <X size={15} aria-hidden />
            </button>
          </div>
          <CoatFields
            label={`Colour of area ${i + 1}`}
            coat={area}
            onChange={(coat) => set((s) => void Object.assign(s.areas[i]!, coat))}
          />
        </div>
      ))}
      <div className="mt-1 flex flex-wrap gap-1">
        <button
          type="button"
          className="btn"
          disabled={wanted === undefined}
          onClick={() => wanted && set((s) => void s.areas.push({ ...spotOf(wanted), ...ACCENT }))}
        >
          <Plus size={14} aria-hidden /> Another colour
        </button>
        <button type="button" className="btn" onClick={() => change((p) => void delete p.scheme)}>
          No colours
        </button>
      </div>
      <h4 className="head mt-2">Wear</h4>
      {wears.map(({ key, label }) => (
        <div key={key} className="flex min-h-8 items-center justify-between gap-2">
          <Range
            label={label}
            step={0.05}
            value={scheme.wear[key]}
            className="ml-auto w-28"
            words={`${Math.round(scheme.wear[key] * 100)} %`}
            onChange={(value) => set((s) => void (s.wear[key] = value))}
          />
          <span className="w-10 text-right text-[12.5px] text-soft">
            {Math.round(scheme.wear[key] * 100)} %
          </span>
        </div>
      ))}
    </>
  );
}

/** Takes the colours of another part, as far as its areas are here too; or gives these to every part. */
function FromOther({ part, change }: Pick<FinishGroupProps, 'part' | 'change'>) {
  const others = useBuild((s) => s.doc.parts).filter((p) => p.id !== part.id);
  const update = useBuild((s) => s.update);
  const painted = others.filter((p) => p.scheme);
  const { scheme } = part;
  return (
    <div className="mt-1 grid gap-1">
      {painted.length > 0 && (
        <ChoiceField
          label="Colours of another part"
          value=""
          choices={[{ value: '', label: 'choose…' }, ...painted.map((p) => ({ value: p.id, label: p.name }))]}
          onChange={(id) => {
            const from = painted.find((p) => p.id === id)?.scheme;
            if (from)
              change((p) => void (p.scheme = { ...structuredClone(from), areas: [] } as Draft<Scheme>));
          }}
        />
      )}
      {scheme && others.length > 0 && (
        <button
          type="button"
          className="btn justify-self-start"
          onClick={() =>
            update((d) => {
              for (const p of d.parts)
                if (p.id !== part.id)
                  p.scheme = { ...structuredClone(scheme), areas: p.scheme?.areas ?? [] } as Draft<Scheme>;
            })
          }
        >
          Give all {counted(others.length + 1, 'part')} these colours
        </button>
      )}
    </div>
  );
}
