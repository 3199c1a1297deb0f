import {
  type BuildDoc,
  type BuildFile,
  buildRule,
  fileRule,
  type Known,
  type LogEntry,
  logRule,
  type Pin,
  pinRule,
} from '../document';
import { type Kinds, standardKinds } from '../parts';
import { printedKinds } from '../printed';
import { check, type Checked } from '../rule';

/** What documents are made of here. */
const known = (kinds: Kinds): Known => ({ ...kinds, printed: printedKinds });

export const standardBuildRule = buildRule(known(standardKinds));
export const standardPinRule = pinRule(known(standardKinds));
const standardFileRule = fileRule(known(standardKinds));

/** A document of the present schema; `kinds` are what it may be made of. */
export const checkDoc = (value: unknown, kinds: Kinds = standardKinds): Checked<BuildDoc> =>
  check(kinds === standardKinds ? standardBuildRule : buildRule(known(kinds)), value);

/** A file of the present schema. */
export const checkFile = (value: unknown): Checked<BuildFile> => check(standardFileRule, value);

export const checkPin = (value: unknown): Checked<Pin> => check(standardPinRule, value);

/** A run of log entries. */
export const checkLog = (value: unknown): Checked<LogEntry[]> => check(logRule, value);
