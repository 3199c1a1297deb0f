import type { BuildDoc } from '@fomrik/core/document';
import { create } from 'zustand';
import { api, ApiError, type SavedBuild } from './api';
import { keepHistory, openDoc, useBuild } from './build';
import { safeStorage } from './safeStorage';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'away' | 'conflict' | 'refused';

interface Saving {
  state: SaveState;
  version: number;
  message: string;
  /** Whether this browser keeps what the server has not taken; storage may be full or forbidden. */
  keptHere: boolean;
  /** The other version, when someone else saved meanwhile. */
  theirs?: SavedBuild;
}

export const useSaving = create<Saving>(() => ({
  state: 'saved',
  version: 0,
  message: '',
  keptHere: true,
}));

const SAVE_AFTER_MS = 400;
const RETRY_MS = 3000;

const localKey = (id: string): string => `fomrik:unsaved:${id}`;

interface Unsaved {
  baseVersion: number;
  doc: BuildDoc;
}

let savedDoc: BuildDoc | undefined;
let timer: ReturnType<typeof setTimeout> | undefined;
let busy = false;

/** Keeps a document in this browser. @returns whether it could; storage may be full or forbidden. */
function keepLocally(id: string, doc: BuildDoc): boolean {
  const kept: Unsaved = { baseVersion: useSaving.getState().version, doc };
  return safeStorage.setItem(localKey(id), JSON.stringify(kept));
}

const forgetLocally = (id: string): void => void safeStorage.removeItem(localKey(id));

/** What is true of changes that the server has not taken. */
const keptWhere = (kept: boolean): string =>
  kept
    ? 'changes are kept in this browser.'
    : 'this browser keeps nothing either: leave the page open until they are saved.';

/** What this browser kept, lifted to the present schema; the checks are fetched only when there is something to check. */
async function localCopy(id: string): Promise<Unsaved | undefined> {
  try {
    const text = safeStorage.getItem(localKey(id));
    if (text === null) return undefined;
    const kept = JSON.parse(text) as Unsaved;
    const { upgradeDoc } = await import('@fomrik/core/files/buildFile');
    const read = upgradeDoc(kept.doc);
    return read.ok ? { ...kept, doc: read.value } : undefined;
  } catch {
    return undefined;
  }
}

function schedule(ms: number): void {
  clearTimeout(timer);
  timer = setTimeout(() => void saveNow(), ms);
}

/** Sends the newest document; keeps it in this browser until the server has acknowledged it. */
export async function saveNow(): Promise<void> {
  clearTimeout(timer);
  const { id, doc } = useBuild.getState();
  const { version, state } = useSaving.getState();
  if (!id || doc === savedDoc || busy || state === 'conflict') return;
  busy = true;
  useSaving.setState({ state: 'saving' });
  try {
    const answer = await api.save(id, version, doc);
    if (useBuild.getState().id !== id) return;
    savedDoc = doc;
    const current = useBuild.getState().doc === doc;
    useSaving.setState({ state: current ? 'saved' : 'unsaved', version: answer.version, message: '' });
    if (current) forgetLocally(id);
    else {
      keepLocally(id, useBuild.getState().doc);
      schedule(SAVE_AFTER_MS);
    }
  } catch (error) {
    const failure = error as ApiError;
    if (failure.status === 409 && failure.current)
      useSaving.setState({ state: 'conflict', message: failure.message, theirs: failure.current });
    else if (failure.status >= 400 && failure.status < 500)
      useSaving.setState({ state: 'refused', message: failure.message });
    else {
      const why = failure.status === 0 ? 'The server is away;' : `${failure.message} Meanwhile`;
      const keptHere = keepLocally(id, useBuild.getState().doc);
      useSaving.setState({ state: 'away', keptHere, message: `${why} ${keptWhere(keptHere)}` });
      schedule(RETRY_MS);
    }
  } finally {
    busy = false;
  }
}

/** Loads a build and picks up changes that never reached the server. @returns whether any were picked up. */
export async function openBuild(id: string): Promise<boolean> {
  const loaded = await api.load(id);
  const local = await localCopy(id);
  savedDoc = loaded.doc;
  useSaving.setState({ state: 'saved', version: loaded.version, message: '' });
  useSaving.setState(
    ({ state, version, message, keptHere }) => ({ state, version, message, keptHere }),
    true,
  );
  if (!local || JSON.stringify(local.doc) === JSON.stringify(loaded.doc)) {
    forgetLocally(id);
    openDoc(id, loaded.doc);
    return false;
  }
  openDoc(id, local.doc);
  if (local.baseVersion === loaded.version) {
    useSaving.setState({ state: 'unsaved' });
    schedule(0);
  } else {
    useSaving.setState({
      state: 'conflict',
      message: 'This build was saved elsewhere while changes here had not been saved.',
      theirs: loaded,
    });
  }
  return true;
}

/** Settles a conflict: keep mine (saved over theirs; theirs stays in the revisions) or take theirs. */
export function settleConflict(keep: 'mine' | 'theirs'): void {
  const { theirs } = useSaving.getState();
  if (!theirs) return;
  const { id } = useBuild.getState();
  savedDoc = theirs.doc;
  useSaving.setState({ state: 'saved', version: theirs.version, message: '' });
  if (keep === 'theirs') {
    forgetLocally(id);
    useBuild.setState({ doc: theirs.doc });
    return;
  }
  useSaving.setState({ state: 'unsaved' });
  schedule(0);
}

useBuild.subscribe((state, before) => {
  if (state.doc === before.doc || state.id !== before.id) return;
  if (state.doc === savedDoc) {
    // Taken back to what the server has before anything else was sent: there is nothing to save.
    if (busy || useSaving.getState().state === 'conflict') return;
    clearTimeout(timer);
    forgetLocally(state.id);
    keepHistory();
    useSaving.setState({ state: 'saved', message: '' });
    return;
  }
  keepLocally(state.id, state.doc);
  keepHistory();
  if (useSaving.getState().state !== 'conflict') {
    useSaving.setState({ state: 'unsaved' });
    schedule(SAVE_AFTER_MS);
  }
});

window.addEventListener('online', () => void saveNow());
