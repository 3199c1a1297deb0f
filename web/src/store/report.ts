import type { BuildDoc, CutPlan, Feature } from '@fomrik/core/document';
import type { Page } from '@fomrik/core/pattern';
import type { FittedLights, LightsAsked, Report, StartAsked } from '@fomrik/core/report';
import type { Result } from '@fomrik/core/units';
import type { FoldedPiece } from '@fomrik/core/folding';
import type { Drawing } from '@fomrik/core/view';
import { create } from 'zustand';
import type { PartPicture } from '../workers/derive';
import { DeriveClient } from '../workers/deriveClient';
import { useBuild } from './build';
import { shownDoc } from './version';
import { useView } from './view';

interface Derived {
  report: Report | undefined;
  /** The document the report belongs to; older than the open one while the worker works. */
  doc: BuildDoc | undefined;
  /** Why there is no answer to the document as it is now; the last one stays. */
  error: string;
  /** When the first document was changed that has no answer yet; milliseconds, 0 when all is answered. */
  since: number;
}

export const useReport = create<Derived>(() => ({ report: undefined, doc: undefined, error: '', since: 0 }));

const client = new DeriveClient(
  (report, doc) => {
    const { id, doc: now } = useBuild.getState();
    const latest = id !== '' && shownDoc(now, useView.getState().versionId) === doc;
    useReport.setState({ report, doc, error: '', ...(latest && { since: 0 }) });
  },
  (error) => useReport.setState({ error, since: 0 }),
);

function ask(doc: BuildDoc): void {
  useReport.setState(({ since }) => ({ since: since || Date.now() }));
  client.ask(doc);
}

/** Works the open build out once more, after it failed. */
export function askAgain(): void {
  const { id, doc } = useBuild.getState();
  if (id) ask(shownDoc(doc, useView.getState().versionId));
}

/** Gives up the answer that is being worked out; the last one stays. */
export const stopAsking = (): void => client.stop();

useBuild.subscribe((state, before) => {
  if (state.id !== before.id) {
    useReport.setState({ report: undefined, doc: undefined, error: '', since: 0 });
    client.forget();
  }
  if (state.doc !== before.doc && state.id) ask(shownDoc(state.doc, useView.getState().versionId));
});

useView.subscribe((view, before) => {
  const { id, doc } = useBuild.getState();
  if (id && view.versionId !== before.versionId) ask(shownDoc(doc, view.versionId));
});

/**
 * The document as it is now with its report in full: waits while it is worked out, so that no file is of what was there
 * before. Rejects with why there is none.
 */
export function answered(): Promise<{ report: Report; doc: BuildDoc }> {
  const { id } = useBuild.getState();
  return new Promise((resolve, reject) => {
    const settled = ({ report, doc, error, since }: Derived): boolean => {
      if (useBuild.getState().id !== id) reject(new Error('Another build was opened.'));
      else if (since > 0) return false;
      else if (error) reject(new Error(error));
      else if (!report || !doc || report.coarse.length > 0) return false;
      else resolve({ report, doc });
      return true;
    };
    if (settled(useReport.getState())) return;
    const stop = useReport.subscribe((state) => {
      if (settled(state)) stop();
    });
  });
}

/** The pages the report's pieces print on. */
export const askPages = (cut: CutPlan): Promise<Page[]> => client.pages(cut);

/** The picture of a step of the open build. */
export const askStepPicture = (stepId: string): Promise<Drawing | undefined> => client.stepPicture(stepId);

/** A part of the open build, from flat pieces to the solid. */
export const askFolding = (partId: string): Promise<FoldedPiece[]> => client.folding(partId);

/** A picture of the whole of the open build, for the shelf. */
export const askBuildPicture = (width: number, height: number): Promise<string | undefined> =>
  client.buildPicture(width, height);

/** Small pictures of parts of the open build, in their finish. */
export const askPartPictures = (
  partIds: readonly string[],
  width: number,
  height: number,
): Promise<PartPicture[]> => client.partPictures(partIds, width, height);

/** A new detail of the open build that fits its part, or why none does. */
export const askStart = (asked: StartAsked): Promise<Result<Feature>> =>
  client.startIn(useBuild.getState().doc, asked);

/** A first light for a part of the open build, or why there is none. */
export const askLights = (partId: string, asked: LightsAsked): Promise<Result<FittedLights>> =>
  client.startLights(useBuild.getState().doc, partId, asked);
