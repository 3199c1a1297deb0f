import { type BuildDoc, mergeDocs, share } from '@fomrik/core/document';
import type { ApiError, SavedBuild } from '../api';

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'away' | 'conflict' | 'refused';

/** How a build stands with the server. */
export interface SaveStatus {
  state: SaveState;
  version: number;
  message: string;
  /** Whether this browser keeps what the server has not taken; storage may be full or forbidden. */
  keptHere: boolean;
  /** The other version, when someone else saved meanwhile. */
  theirs?: SavedBuild;
}

/** What a session reaches the world by. */
export interface SessionPorts {
  save: (id: string, baseVersion: number, doc: BuildDoc) => Promise<{ version: number }>;
  load: (id: string) => Promise<SavedBuild>;
  /** What was saved as a version, where the server still has it. */
  revision: (id: string, version: number) => Promise<BuildDoc | undefined>;
  /** Of what was changed when: kept again, it is no newer. */
  keep: (id: string, baseVersion: number, doc: BuildDoc, changedAt: string) => Promise<boolean>;
  forget: (id: string) => Promise<boolean>;
  /** Whether a document that was brought together is one that can be saved. */
  sound: (doc: BuildDoc) => Promise<boolean>;
  onStatus: (session: Session) => void;
  /** The session's document was replaced by one in which `theirs` was taken in; both began from `base`. */
  onTakenIn: (session: Session, base: BuildDoc, theirs: BuildDoc) => void;
}

/** Refusals that pass: not paired any more, too slow, too many at once. */
const passing = new Set([401, 408, 429]);

const SAVE_AFTER_MS = 400;
const RETRY_MS = 3000;
/** A browser takes no longer than this to keep a copy, or it is reported that it keeps none yet. */
const KEEP_WAIT_MS = 2000;

/** What is true of changes that the server has not taken. */
const keptWhere = (kept: boolean): string =>
  kept
    ? 'changes are kept in this browser.'
    : 'this browser keeps nothing either: leave the page open until they are saved.';

/**
 * One build's way to the server. It holds its own id, document and version from its beginning to its end, so that
 * nothing of another build that is opened meanwhile can get into it.
 */
export class Session {
  status: SaveStatus;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private busy: Promise<void> | undefined;
  private ended = false;
  /** When the maker changed the document last, ISO. */
  private changedAt = new Date().toISOString();
  /** What the browser keeps, and what it is to keep; nothing when the server has all. */
  private kept: BuildDoc | undefined;
  private toKeep: BuildDoc | undefined;
  private keeping: Promise<void> | undefined;
  private newestHeard = 0;
  /** Documents that were sent and never answered: the server may have taken one of them. */
  private unanswered: BuildDoc[] = [];

  constructor(
    readonly id: string,
    public doc: BuildDoc,
    /** What the server has as `version`. */
    public savedDoc: BuildDoc,
    version: number,
    private readonly ports: SessionPorts,
  ) {
    this.status = { state: doc === savedDoc ? 'saved' : 'unsaved', version, message: '', keptHere: true };
  }

  /** Whether the server lacks anything. */
  get dirty(): boolean {
    return this.doc !== this.savedDoc;
  }

  /** Whether closing the page now would lose something. */
  get atRisk(): boolean {
    return this.dirty && this.kept !== this.doc;
  }

  /** Says no more and sends no more; what is kept in the browser stays. */
  end(): void {
    this.ended = true;
    clearTimeout(this.timer);
  }

  /** The maker changed the document. */
  change(doc: BuildDoc): void {
    this.doc = doc;
    this.changedAt = new Date().toISOString();
    if (!this.dirty && !this.busy && this.status.state !== 'conflict') {
      // Taken back to what the server has before anything else was sent: there is nothing to save.
      clearTimeout(this.timer);
      this.keepHere(undefined);
      this.tell({ state: 'saved', message: '' });
      return;
    }
    this.keepHere(doc);
    if (this.status.state === 'conflict') return;
    this.tell({ state: 'unsaved' });
    this.schedule(SAVE_AFTER_MS);
  }

  /** Sends the newest document; the browser keeps it until the server has acknowledged it. */
  async saveNow(): Promise<void> {
    clearTimeout(this.timer);
    if (this.busy) return this.busy;
    if (!this.dirty || this.ended || this.status.state === 'conflict') return;
    this.busy = this.send(this.doc, this.status.version).finally(() => (this.busy = undefined));
    await this.busy;
    if (this.newestHeard > this.status.version) await this.heard(this.newestHeard);
  }

  private async send(doc: BuildDoc, version: number): Promise<void> {
    this.tell({ state: 'saving' });
    try {
      const answer = await this.ports.save(this.id, version, doc);
      this.savedDoc = doc;
      this.settled(answer.version);
    } catch (error) {
      await this.notSaved(error as ApiError, doc);
    }
  }

  /** The server has `savedDoc` as `version`; goes on with what was changed since. */
  private settled(version: number): void {
    this.unanswered = [];
    if (this.dirty) {
      this.tell({ state: 'unsaved', version, message: '' });
      this.keepHere(this.doc);
      this.schedule(SAVE_AFTER_MS);
    } else {
      this.keepHere(undefined);
      this.tell({ state: 'saved', version, message: '' });
    }
  }

  private async notSaved(failure: ApiError, sent: BuildDoc): Promise<void> {
    if (failure.status === 0) this.unanswered.push(sent);
    if (failure.status === 409 && failure.current)
      return this.meet(failure.current as SavedBuild, failure.message);
    this.keepHere(this.doc);
    await this.keptOrLate();
    if (failure.status >= 400 && failure.status < 500 && !passing.has(failure.status)) {
      this.tell({
        state: 'refused',
        message: `${failure.message} Meanwhile ${keptWhere(this.status.keptHere)}`,
      });
      return;
    }
    const why = failure.status === 0 ? 'The server is away;' : `${failure.message} Meanwhile`;
    this.tell({ state: 'away', message: `${why} ${keptWhere(this.status.keptHere)}` });
    this.schedule(RETRY_MS);
  }

  /** Someone else saved: brought together where different parts were changed, asked otherwise. */
  private async meet(theirs: SavedBuild, message: string): Promise<void> {
    await this.findTaken();
    const base = this.savedDoc;
    const other = share(base, theirs.doc);
    const { doc, clashes } = mergeDocs(base, this.doc, other);
    const before = this.doc;
    if (clashes.length > 0 || !(await this.ports.sound(doc))) {
      const what = clashes.length > 0 ? ` Both changed ${clashes.join(', ')}.` : '';
      this.tell({ state: 'conflict', message: message + what, theirs });
      this.keepHere(this.doc);
      return;
    }
    if (this.ended) return;
    // Changed while it was checked: brought together with that as well.
    if (this.doc !== before) return this.meet(theirs, message);
    this.savedDoc = other;
    this.doc = share(other, doc);
    this.ports.onTakenIn(this, base, other);
    this.settled(theirs.version);
  }

  /** Of a save whose answer was lost: when the server took it, both sides began from there. */
  private async findTaken(): Promise<void> {
    if (this.unanswered.length === 0) return;
    const version = this.status.version + 1;
    const taken = await this.ports.revision(this.id, version);
    const mine = taken && this.unanswered.find((sent) => share(sent, taken) === sent);
    this.unanswered = [];
    if (!mine) return;
    this.savedDoc = mine;
    this.tell({ version });
  }

  /** Another device saved this build as `version`. */
  async heard(version: number): Promise<void> {
    this.newestHeard = Math.max(this.newestHeard, version);
    if (this.ended || this.busy || version <= this.status.version || this.status.state === 'conflict') return;
    this.busy = this.takeIn().finally(() => (this.busy = undefined));
    await this.busy;
  }

  private async takeIn(): Promise<void> {
    try {
      const theirs = await this.ports.load(this.id);
      if (!this.ended && theirs.version > this.status.version)
        await this.meet(theirs, 'This build was saved elsewhere while you changed it.');
    } catch {
      // Heard again with the next save, here or there.
    }
    if (this.dirty && this.status.state !== 'conflict') this.schedule(SAVE_AFTER_MS);
  }

  /** Meets a version that was saved since this document began, as if it had come in now. */
  async begin(theirs: SavedBuild): Promise<void> {
    this.busy = this.meet(
      theirs,
      'This build was saved elsewhere while changes here had not been saved.',
    ).finally(() => (this.busy = undefined));
    await this.busy;
  }

  /** Settles a conflict: mine is saved over theirs, which stays in the revisions; or theirs is taken. */
  settle(keep: 'mine' | 'theirs'): SavedBuild | undefined {
    const { theirs } = this.status;
    if (!theirs) return undefined;
    this.savedDoc = theirs.doc;
    if (keep === 'theirs') this.doc = theirs.doc;
    this.settled(theirs.version);
    this.schedule(0);
    return theirs;
  }

  schedule(ms: number): void {
    clearTimeout(this.timer);
    if (!this.ended) this.timer = setTimeout(() => void this.saveNow(), ms);
  }

  /** Writes what the browser is to keep, one after another and only the newest. */
  private keepHere(doc: BuildDoc | undefined): void {
    this.toKeep = doc;
    this.keeping ??= this.writeKept();
  }

  /** Waits for what is being kept, but not for long: a browser that does not answer has not said that it keeps anything. */
  private async keptOrLate(): Promise<void> {
    let late: ReturnType<typeof setTimeout> | undefined;
    const limit = new Promise<'late'>((answer) => {
      late = setTimeout(() => answer('late'), KEEP_WAIT_MS);
    });
    if ((await Promise.race([this.keeping, limit])) === 'late') this.tell({ keptHere: false });
    clearTimeout(late);
  }

  private async writeKept(): Promise<void> {
    try {
      for (;;) {
        const doc = this.toKeep;
        const { version } = this.status;
        const done = doc
          ? await this.ports.keep(this.id, version, doc, this.changedAt)
          : await this.ports.forget(this.id);
        this.kept = done ? doc : undefined;
        if (doc && this.status.keptHere !== done) this.tell({ keptHere: done });
        if (this.toKeep === doc && this.status.version === version) return;
      }
    } finally {
      // At once, so that what is to be kept next is not taken for written; also when the browser refuses.
      this.keeping = undefined;
    }
  }

  private tell(change: Partial<SaveStatus>): void {
    const { theirs, ...rest } = this.status;
    const still = (change.state ?? rest.state) === 'conflict' && theirs;
    this.status = { ...rest, ...(still && { theirs }), ...change };
    if (!this.ended) this.ports.onStatus(this);
  }
}
