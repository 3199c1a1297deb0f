import { type Body, resolveBody, type Wearer } from '@fomrik/core/body';
import { formMenu, formOf, newPart, standardKinds } from '@fomrik/core/parts';
import { partsOfSet, readySets } from '@fomrik/core/sets';
import type { Part } from '@fomrik/core/document';
import { useMemo, useState } from 'react';
import { BegunPicture, typicalWearer } from '../parts/BegunPicture';
import { FormPicture, outlineOf, sizeMm } from '../parts/FormPicture';
import { PictureChoice } from '../parts/PictureChoice';
import { SetPicture } from './SetPicture';

/** What a build begins with: a ready set, one part, or nothing yet. */
export type First = { set: string } | { form: string } | undefined;

const anyone: Wearer = { name: '', underLayerMm: 2, measures: [] };

/** The parts a choice begins with, made to a wearer. */
export function partsOf(first: First, wearer: Wearer): Part[] {
  if (first === undefined) return [];
  if ('form' in first) return [newPart(`${first.form}-1`, wearer, first.form)];
  const set = readySets.find((s) => s.key === first.set);
  return set ? partsOfSet(set, wearer) : [];
}

const NOTHING = 'nothing';

/** Ready sets and single parts as pictures to scale. */
export function WhatFirst({ first, onChange }: { first: First; onChange: (first: First) => void }) {
  const body: Body = useMemo(() => resolveBody([]), []);
  const [one, setOne] = useState(false);
  const groups = formMenu(standardKinds);
  const outlines = useMemo(
    () => new Map(groups.flatMap(({ forms }) => forms.map((f) => [f.kind, outlineOf(f, body)] as const))),
    [groups, body],
  );
  const sets = useMemo(() => readySets.map((set) => ({ set, parts: partsOfSet(set, anyone) })), []);
  return (
    <>
      <PictureChoice
        label="A ready set, to change as you like"
        value={first === undefined ? NOTHING : 'set' in first ? first.set : ''}
        onChange={(key) => onChange(key === NOTHING ? undefined : { set: key })}
        choices={[
          ...sets.map(({ set, parts }) => ({
            value: set.key,
            label: set.label,
            summary: set.summary,
            picture: (
              <BegunPicture
                of={`set ${set.key}`}
                parts={() => parts}
                meanwhile={<SetPicture parts={parts} body={body} />}
                className="h-18 w-18"
              />
            ),
          })),
          {
            value: NOTHING,
            label: 'Nothing yet',
            summary: 'An empty build; parts are added later.',
            picture: <span className="h-18" aria-hidden />,
          },
        ]}
      />
      <button type="button" className="btn my-2" aria-expanded={one} onClick={() => setOne(!one)}>
        {one ? 'Hide single parts' : 'Or one part…'}
      </button>
      {first !== undefined && 'form' in first && !one && (
        <span className="ml-2">{formOf(standardKinds, first.form).label}</span>
      )}
      {one &&
        groups.map(({ group, forms }) => (
          <PictureChoice
            key={group}
            label={group}
            value={first !== undefined && 'form' in first ? first.form : ''}
            onChange={(form) => onChange({ form })}
            choices={forms.map((f) => ({
              value: f.kind,
              label: f.label,
              summary: f.summary,
              picture: (
                <BegunPicture
                  of={f.kind}
                  parts={() => [newPart('picture', typicalWearer, f.kind)]}
                  meanwhile={
                    <FormPicture
                      outline={outlines.get(f.kind)!}
                      largestMm={Math.max(...forms.map((o) => sizeMm(outlines.get(o.kind)!)))}
                    />
                  }
                  className="size-11"
                />
              ),
            }))}
          />
        ))}
    </>
  );
}
