import type { BuildDoc, CutPlan, Feature } from '@fomrik/core/document';
import type { Page } from '@fomrik/core/pattern';
import type { FittedLights, Report, StartAsked } from '@fomrik/core/report';
import type { Result } from '@fomrik/core/units';
import { create } from 'zustand';
import { DeriveClient } from '../workers/deriveClient';
import { useBuild } from './build';
import { shownDoc } from './version';
import { useView } from './view';

interface Derived {
  report: Report | undefined;
  /** The document the report belongs to; older than the open one while the worker works. */
  doc: BuildDoc | undefined;
  error: string;
}

export const useReport = create<Derived>(() => ({ report: undefined, doc: undefined, error: '' }));

const client = new DeriveClient(
  (report, doc) => useReport.setState({ report, doc, error: '' }),
  (error) => useReport.setState({ error }),
);

useBuild.subscribe((state, before) => {
  if (state.id !== before.id) {
    useReport.setState({ report: undefined, doc: undefined, error: '' });
    client.forget();
  }
  if (state.doc !== before.doc && state.id) client.ask(shownDoc(state.doc, useView.getState().versionId));
});

useView.subscribe((view, before) => {
  const { id, doc } = useBuild.getState();
  if (id && view.versionId !== before.versionId) client.ask(shownDoc(doc, view.versionId));
});

/** The pages the report's pieces print on. */
export const askPages = (cut: CutPlan): Promise<Page[]> => client.pages(cut);

/** A new detail of the open build that fits its part, or why none does. */
export const askStart = (asked: StartAsked): Promise<Result<Feature>> =>
  client.startIn(useBuild.getState().doc, asked);

/** A first light for a part of the open build, or why there is none. */
export const askLights = (partId: string): Promise<Result<FittedLights>> =>
  client.startLights(useBuild.getState().doc, partId);
