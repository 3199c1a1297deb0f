import { type BuildDoc, type CutPlan, featureIdsOf, share } from '@fomrik/core/document';
import { freeName } from '@fomrik/core/parts';
import { type Page, planPages, printedPieces } from '@fomrik/core/pattern';
import {
  createDeriver,
  type LightsAsked,
  type Report,
  type StartAsked,
  startIn,
  startLightsIn,
} from '@fomrik/core/report';
import { besideOf } from '@fomrik/core/carry';
import { arrivals, foldedPart, type FoldedPiece } from '@fomrik/core/folding';
import { finishedPicture, stepPicture } from '@fomrik/core/stepPicture';
import { byId } from '@fomrik/core/units';
import { type Drawing, partPicture, type PixelPicture, pngUrl } from '@fomrik/core/view';
import { transfer } from 'comlink';
import { createSender, type Sent } from './difference';

let previous: BuildDoc | undefined;
let report: Report | undefined;
let day = '';
let deriver = createDeriver();
const send = createSender<Report>();

export const derive = {
  /** Another build is opened: nothing that was found of the one before is said of it. */
  forget(): void {
    previous = undefined;
    report = undefined;
    deriver = createDeriver({ today: day });
  },
  /**
   * The report of a document; parts that did not change since the last call are not worked out again.
   * Parts that are not done in full after `withinMs` stay coarse, and are named in the report; 0 answers coarsely at once.
   */
  derive(doc: BuildDoc, today: string, withinMs: number): Sent<Report> {
    if (today !== day) {
      deriver = createDeriver({ today });
      day = today;
    }
    previous = previous ? share(previous, doc) : doc;
    const until = performance.now() + withinMs;
    report = deriver(previous, { coarse: withinMs === 0, goOn: () => performance.now() < until });
    const { sent, buffers } = send(report);
    return transfer(sent, buffers);
  },
  /** The pages the build last derived prints on. */
  pages: (cut: CutPlan): Page[] => (report ? planPages(printedPieces(report), cut) : []),
  /** The picture of a step of the build last derived. */
  stepPicture(stepId: string): Drawing | undefined {
    const step = report && byId(report.steps, stepId);
    return step && stepPicture(step, report!);
  },
  /** A part of the build last derived, from flat pieces to the solid. */
  folding(partId: string): FoldedPiece[] {
    const made = report && byId(report.parts, partId);
    if (!made) return [];
    const wires = report!.circuits.flatMap((c) =>
      c.runs.filter((r) => r.partId === partId).map((r) => r.points),
    );
    return [...foldedPart(made), ...arrivals(made, { beside: besideOf(report!.parts, partId), wires })];
  },
  /** A picture of the whole of the build last derived, in its finish, as a PNG in a data URL. */
  buildPicture(width: number, height: number): string | undefined {
    if (!report || !previous || report.parts.length === 0) return undefined;
    return pngUrl(finishedPicture(report.body, report.parts, previous.parts, width, height));
  },
  /** Small pictures of parts of the build last derived, in their finish; those that are not known yet are left out. */
  partPictures(partIds: readonly string[], width: number, height: number): PartPicture[] {
    const { parts = [] } = previous ?? {};
    return partIds.flatMap((id) => {
      const made = report && byId(report.parts, id);
      return made ? [{ id, picture: partPicture(made, byId(parts, id)?.scheme, width, height) }] : [];
    });
  },
  /** A new detail that fits a part. */
  startIn: (doc: BuildDoc, asked: StartAsked) => startIn(doc, asked),
  /** A first light that fits a part; names that are taken are not given again. */
  startLights(doc: BuildDoc, partId: string, asked: LightsAsked) {
    const taken = [...featureIdsOf(doc), ...doc.circuits.map((c) => c.id)];
    const free = (base: string): string => {
      const name = freeName(taken, base);
      taken.push(name);
      return name;
    };
    return startLightsIn(doc, partId, free, asked);
  },
};

export interface PartPicture {
  id: string;
  picture: PixelPicture;
}

export type DeriveApi = typeof derive;
