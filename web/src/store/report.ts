import type { BuildDoc, CutPlan } from '@fomrik/core/document';
import type { Page } from '@fomrik/core/pattern';
import type { Report } from '@fomrik/core/report';
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
