import { type BuildDoc, mergeDocs } from '@fomrik/core/document';
import { toast } from 'sonner';
import { create } from 'zustand';
import { api, type ApiError, type SavedBuild } from './api';
import { adoptDoc, keepHistory, openDoc, useBuild } from './build';
import type { KeptCopy } from './saving/database';
import { copiesOfBuild, forgetCopy, keepCopy } from './saving/kept';
import { useOutbox } from './outbox';
import { lastKnown, remember } from './saving/lastKnown';
import { Session, type SaveStatus, type SessionPorts } from './saving/session';
import { openTabs, thisTab } from './saving/tab';

export type { SaveState } from './saving/session';

/** A copy in this browser that was not picked up by itself, and why it cannot be, where it cannot. */
export interface Leftover extends KeptCopy {
  broken?: string;
}

interface Saving extends SaveStatus {
  leftovers: Leftover[];
}

export const useSaving = create<Saving>(() => ({
  state: 'saved',
  version: 0,
  message: '',
  keptHere: true,
  leftovers: [],
}));

/** The open build's session, and those of builds that were left before the server had everything. */
const sessions = new Map<string, Session>();

const shows = (session: Session): boolean =>
  sessions.get(session.id) === session && useBuild.getState().id === session.id;

/** The checks are fetched only when there is something to check. */
const door = () => import('@fomrik/core/files/buildFile');

/** The document both sides began from, where the server still has it. */
function baseOf(id: string, version: number): Promise<BuildDoc | undefined> {
  return api.revision(id, version).then(
    (r) => r.doc,
    () => undefined,
  );
}

const ports: SessionPorts = {
  save: (id, baseVersion, doc) => api.save(id, baseVersion, doc),
  load: (id) => api.load(id),
  revision: baseOf,
  keep: async (buildId, baseVersion, doc, keptAt) =>
    keepCopy({ buildId, tab: await thisTab(), baseVersion, doc, keptAt }),
  forget: async (id) => forgetCopy(id, await thisTab()),
  sound: async (doc) => (await door()).upgradeDoc(doc).ok,
  onStatus: (session) => {
    const { id, doc, savedDoc, status } = session;
    if (status.state === 'saved' && doc === savedDoc)
      void remember({ id, version: status.version, updatedAt: new Date().toISOString(), doc });
    if (shows(session)) {
      const { leftovers } = useSaving.getState();
      useSaving.setState({ ...session.status, leftovers }, true);
    } else if (!session.dirty) {
      session.end();
      if (sessions.get(session.id) === session) sessions.delete(session.id);
    }
  },
  onTakenIn: (session, base, theirs) => {
    if (!shows(session)) return;
    adoptDoc(session.doc, (past) => {
      const { doc, clashes } = mergeDocs(base, past, theirs);
      return clashes.length === 0 ? doc : undefined;
    });
    toast('Changes saved on another device are in this build now.');
  },
};

export const saveNow = async (): Promise<void> => {
  await sessions.get(useBuild.getState().id)?.saveNow();
};

/** Another device saved a build, or this one did. */
export const heardOf = (id: string, version: number): void => void sessions.get(id)?.heard(version);

/** What is left over of a build in this browser: this tab's own copy first, then those of tabs that are closed. */
async function leftIn(
  id: string,
): Promise<{ own: KeptCopy | undefined; closed: KeptCopy[]; provenance: boolean }> {
  const [copies, tab, open] = await Promise.all([copiesOfBuild(id), thisTab(), openTabs()]);
  return {
    own: copies.find((c) => c.tab === tab),
    closed: copies.filter((c) => c.tab !== tab && !open?.has(c.tab)),
    provenance: open !== undefined,
  };
}

const sameDoc = (a: BuildDoc, b: BuildDoc): boolean => JSON.stringify(a) === JSON.stringify(b);

async function begin(id: string, loaded: SavedBuild, copy: KeptCopy | undefined): Promise<Session> {
  if (!copy) return new Session(id, loaded.doc, loaded.doc, loaded.version, ports);
  if (copy.baseVersion === loaded.version)
    return new Session(id, copy.doc, loaded.doc, loaded.version, ports);
  const base = await baseOf(id, copy.baseVersion);
  // Without what both began from, everything that differs is asked.
  return new Session(id, copy.doc, base ?? ({} as BuildDoc), copy.baseVersion, ports);
}

/**
 * Loads a build and picks up changes that never reached the server. Nothing is opened once `signal` is aborted.
 * @returns whether any were picked up.
 */
export async function openBuild(id: string, signal: AbortSignal): Promise<boolean> {
  // Left before the server had everything, and still on its way.
  const left = sessions.get(id);
  if (left?.dirty) await left.saveNow();
  const loaded = await api.load(id, signal).catch(async (error: ApiError) => {
    // Away is not gone: what the server was last known to have opens, and is saved when it answers again.
    const known = error.status === 0 ? await lastKnown(id) : undefined;
    if (!known) throw error;
    toast(
      'The server does not answer: this is the build as it was last seen here. Changes wait in this browser.',
    );
    return known;
  });
  void remember(loaded);
  const { own, closed, provenance } = await leftIn(id);
  const picked = own ?? (provenance && closed.length === 1 ? closed[0] : undefined);
  const leftovers: Leftover[] = [];
  let copy: KeptCopy | undefined;
  for (const kept of [...(own ? [own] : []), ...closed]) {
    const read = (await door()).upgradeDoc(kept.doc);
    if (!read.ok) leftovers.push({ ...kept, broken: read.message });
    else if (sameDoc(read.value, loaded.doc)) await forgetCopy(id, kept.tab);
    else if (kept === picked) copy = { ...kept, doc: read.value };
    else leftovers.push({ ...kept, doc: read.value });
  }
  const unsaved = sessions.get(id);
  if (unsaved?.dirty)
    copy = {
      buildId: id,
      tab: await thisTab(),
      baseVersion: unsaved.status.version,
      doc: unsaved.doc,
      keptAt: new Date().toISOString(),
    };
  const session = await begin(id, loaded, copy);
  signal.throwIfAborted();
  unsaved?.end();
  sessions.set(id, session);
  openDoc(id, session.doc);
  useSaving.setState({ ...session.status, leftovers }, true);
  if (!copy) return false;
  await ports.keep(id, copy.baseVersion, copy.doc, copy.keptAt);
  if (copy.tab !== (await thisTab())) await forgetCopy(id, copy.tab);
  if (copy.baseVersion === loaded.version) session.schedule(0);
  else await session.begin(loaded);
  return true;
}

/** Settles a conflict: keep mine (saved over theirs; theirs stays in the revisions) or take theirs. */
export function settleConflict(keep: 'mine' | 'theirs'): void {
  const theirs = sessions.get(useBuild.getState().id)?.settle(keep);
  if (theirs && keep === 'theirs') useBuild.setState({ doc: theirs.doc });
}

const withoutLeftover = ({ tab }: Leftover): void =>
  useSaving.setState(({ leftovers }) => ({ leftovers: leftovers.filter((l) => l.tab !== tab) }));

/** Brings a copy of another tab into the open build as one step of undo; where both changed the same, the copy has it. */
export async function takeLeftover(leftover: Leftover): Promise<void> {
  const { id, doc } = useBuild.getState();
  const base = await baseOf(id, leftover.baseVersion);
  const next = base ? mergeDocs(base, leftover.doc, doc).doc : leftover.doc;
  if (useBuild.getState().id !== id) return;
  useBuild.getState().replace((await ports.sound(next)) ? next : leftover.doc);
  await forgetCopy(id, leftover.tab);
  withoutLeftover(leftover);
}

/** Throws a copy away; the toast puts it back. */
export async function dropLeftover(leftover: Leftover): Promise<void> {
  await forgetCopy(leftover.buildId, leftover.tab);
  withoutLeftover(leftover);
  const putBack = async (): Promise<void> => {
    const { broken, ...copy } = leftover;
    await keepCopy(copy);
    if (useBuild.getState().id === leftover.buildId)
      useSaving.setState(({ leftovers }) => ({ leftovers: [...leftovers, leftover] }));
  };
  toast('The copy is deleted.', { action: { label: 'Undo', onClick: () => void putBack() } });
}

useBuild.subscribe((state, before) => {
  if (state.doc === before.doc || state.id !== before.id) return;
  const session = sessions.get(state.id);
  if (!session || session.doc === state.doc) return;
  session.change(state.doc);
  keepHistory();
});

window.addEventListener('online', () => {
  for (const session of sessions.values()) void session.saveNow();
});

// Closing is asked only while something is neither on the server nor kept in this browser.
window.addEventListener('beforeunload', (event) => {
  const open = [...sessions.values()].some((session) => session.atRisk);
  if (open || useOutbox.getState().unkept > 0) event.preventDefault();
});
