import type { BuildDoc } from '@fomrik/core/document';
import { newBuild, newPart } from '@fomrik/core/parts';
import { expect } from 'chai';
import { ApiError, type SavedBuild } from '../api';
import { Session, type SessionPorts } from './session';

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
const empty = newBuild('Quay light', '2026-03-01', wearer);
const base: BuildDoc = { ...empty, parts: ['a', 'b'].map((id) => newPart(id, wearer, 'bracer')) };
const renamed = (doc: BuildDoc, id: string, name: string): BuildDoc => ({
  ...doc,
  parts: doc.parts.map((p) => (p.id === id ? { ...p, name } : p)),
});
const savedAs = (id: string, version: number, doc: BuildDoc): SavedBuild => ({
  id,
  version,
  updatedAt: '2026-03-01T10:00:00.000Z',
  doc,
});

/** A server and a browser whose answers are let out by hand. */
function world() {
  const sent: { id: string; version: number; doc: BuildDoc; answer: (a: number | ApiError) => void }[] = [];
  const kept = new Map<string, { baseVersion: number; doc: BuildDoc }>();
  const server = new Map<string, SavedBuild>();
  const states: string[] = [];
  let full = false;
  const ports: SessionPorts = {
    save: (id, version, doc) =>
      new Promise((resolve, reject) => {
        const answer = (a: number | ApiError): void =>
          typeof a === 'number' ? resolve({ version: a }) : reject(a);
        sent.push({ id, version, doc, answer });
      }),
    load: (id) => Promise.resolve(server.get(id)!),
    revision: () => Promise.resolve(undefined),
    keep: (id, baseVersion, doc) => {
      if (!full) kept.set(id, { baseVersion, doc });
      return Promise.resolve(!full);
    },
    forget: (id) => Promise.resolve(kept.delete(id) || true),
    sound: () => Promise.resolve(true),
    onStatus: ({ status }) => states.push(status.state),
    onTakenIn: () => undefined,
  };
  const fill = (): void => void (full = true);
  return { sent, kept, server, states, ports, fill };
}

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));
const away = new ApiError(0, 'away', 'The server does not answer.');

describe('a build on its way to the server', () => {
  const open: Session[] = [];
  const begun = (id: string, w: ReturnType<typeof world>, doc = base): Session => {
    const session = new Session(id, doc, base, 1, w.ports);
    open.push(session);
    return session;
  };
  afterEach(() => open.splice(0).forEach((s) => s.end()));

  it('keeps its own document when its save fails after another build was opened', async () => {
    const w = world();
    const a = begun('A', w);
    const mine = renamed(base, 'a', 'Of A');
    a.change(mine);
    const saving = a.saveNow();
    const b = begun('B', w);
    b.change(renamed(base, 'a', 'Of B'));
    w.sent[0]!.answer(away);
    await saving;
    await breath();
    expect(w.sent[0]!.id).to.equal('A');
    expect(w.kept.get('A')).to.deep.equal({ baseVersion: 1, doc: mine });
    expect(w.kept.get('B')!.doc.parts[0]!.name).to.equal('Of B');
    const again = a.saveNow();
    expect([w.sent[1]!.id, w.sent[1]!.doc]).to.deep.equal(['A', mine]);
    w.sent[1]!.answer(2);
    await again;
    await breath();
    expect(w.kept.has('A')).to.equal(false);
    expect(a.status).to.include({ state: 'saved', version: 2 });
  });

  it('keeps the time of the change, however often it is kept again while the server is away', async () => {
    const w = world();
    const times: string[] = [];
    const { keep } = w.ports;
    w.ports.keep = (id, version, doc, changedAt) => {
      times.push(changedAt);
      return keep(id, version, doc, changedAt);
    };
    const a = begun('A', w);
    const before = new Date().toISOString();
    a.change(renamed(base, 'a', 'Once'));
    const after = new Date().toISOString();
    for (let i = 0; i < 3; i++) {
      await breath();
      const saving = a.saveNow();
      w.sent[i]!.answer(away);
      await saving;
    }
    await breath();
    expect(times.length).to.be.greaterThan(2);
    expect(new Set(times).size).to.equal(1);
    expect(times[0]! >= before && times[0]! <= after).to.equal(true);
    a.change(renamed(base, 'a', 'Twice'));
    await breath();
    expect(times.at(-1)! > after).to.equal(true);
  });

  it('tells a conflict on itself alone', async () => {
    const w = world();
    const [a, b] = [begun('A', w), begun('B', w)];
    a.change(renamed(base, 'a', 'Mine'));
    const saving = a.saveNow();
    const current = savedAs('A', 2, renamed(base, 'a', 'Theirs'));
    w.sent[0]!.answer(new ApiError(409, 'stale', 'Saved elsewhere.', current));
    await saving;
    expect(a.status.state).to.equal('conflict');
    expect(a.status.theirs).to.equal(current);
    expect(b.status.state).to.equal('saved');
  });

  it('brings different parts together and asks nothing', async () => {
    const w = world();
    const a = begun('A', w);
    a.change(renamed(base, 'a', 'Mine'));
    const saving = a.saveNow();
    w.sent[0]!.answer(
      new ApiError(409, 'stale', 'Saved elsewhere.', savedAs('A', 5, renamed(base, 'b', 'Theirs'))),
    );
    await saving;
    expect(a.doc.parts.map((p) => p.name)).to.deep.equal(['Mine', 'Theirs']);
    const again = a.saveNow();
    expect(w.sent[1]!.version).to.equal(5);
    w.sent[1]!.answer(6);
    await again;
    expect(a.status).to.include({ state: 'saved', version: 6 });
  });

  it('is not in conflict with its own save when only the answer was lost', async () => {
    const w = world();
    const a = begun('A', w);
    const mine = renamed(base, 'a', 'Mine');
    a.change(mine);
    const saving = a.saveNow();
    w.sent[0]!.answer(away);
    await saving;
    const again = a.saveNow();
    const stored = structuredClone(mine);
    w.sent[1]!.answer(new ApiError(409, 'stale', 'Saved elsewhere.', savedAs('A', 2, stored)));
    await again;
    expect(a.status).to.include({ state: 'saved', version: 2 });
    expect(a.dirty).to.equal(false);
  });

  it('keeps what the server refuses, and tries again after the next change', async () => {
    const w = world();
    const a = begun('A', w);
    a.change(renamed(base, 'a', 'Mine'));
    const saving = a.saveNow();
    w.sent[0]!.answer(new ApiError(400, 'invalid', 'No.'));
    await saving;
    expect(a.status.state).to.equal('refused');
    expect(w.kept.get('A')!.doc.parts[0]!.name).to.equal('Mine');
    a.change(renamed(base, 'a', 'Better'));
    void a.saveNow();
    expect(w.sent[1]!.doc.parts[0]!.name).to.equal('Better');
  });

  it('says when this browser keeps nothing, and what closing would lose', async () => {
    const w = world();
    w.fill();
    const a = begun('A', w);
    expect(a.atRisk).to.equal(false);
    a.change(renamed(base, 'a', 'Mine'));
    await breath();
    expect(a.atRisk).to.equal(true);
    const saving = a.saveNow();
    w.sent[0]!.answer(away);
    await saving;
    expect(a.status.keptHere).to.equal(false);
    expect(a.status.message).to.include('leave the page open');
  });

  it('takes in what another device saved, and only once', async () => {
    const w = world();
    const a = begun('A', w);
    w.server.set('A', savedAs('A', 2, renamed(base, 'b', 'Theirs')));
    await a.heard(2);
    expect(a.doc.parts[1]!.name).to.equal('Theirs');
    expect(a.status).to.include({ state: 'saved', version: 2 });
    w.server.set('A', savedAs('A', 2, base));
    await a.heard(2);
    expect(a.doc.parts[1]!.name).to.equal('Theirs');
  });

  it('waits with what it hears until its own save is answered', async () => {
    const w = world();
    const a = begun('A', w);
    a.change(renamed(base, 'a', 'Mine'));
    const saving = a.saveNow();
    await a.heard(3);
    w.server.set('A', savedAs('A', 3, renamed(renamed(base, 'a', 'Mine'), 'b', 'Theirs')));
    w.sent[0]!.answer(2);
    await saving;
    expect(a.doc.parts.map((p) => p.name)).to.deep.equal(['Mine', 'Theirs']);
    expect(a.status.version).to.equal(3);
  });

  it('sends nothing when a change is taken back, and everything when it comes after', async () => {
    const w = world();
    const a = begun('A', w);
    a.change(renamed(base, 'a', 'Mine'));
    a.change(base);
    await a.saveNow();
    expect(w.sent).to.have.length(0);
    a.change(renamed(base, 'a', 'First'));
    const saving = a.saveNow();
    a.change(renamed(base, 'a', 'Second'));
    w.sent[0]!.answer(2);
    await saving;
    expect(a.status.state).to.equal('unsaved');
    void a.saveNow();
    expect([w.sent[1]!.version, w.sent[1]!.doc.parts[0]!.name]).to.deep.equal([2, 'Second']);
  });

  it('settles a conflict either way', async () => {
    for (const keep of ['mine', 'theirs'] as const) {
      const w = world();
      const a = begun('A', w);
      a.change(renamed(base, 'a', 'Mine'));
      await a.begin(savedAs('A', 4, renamed(base, 'a', 'Theirs')));
      expect(a.status.state).to.equal('conflict');
      a.settle(keep);
      expect(a.doc.parts[0]!.name).to.equal(keep === 'mine' ? 'Mine' : 'Theirs');
      expect(a.dirty).to.equal(keep === 'mine');
      expect(a.status.version).to.equal(4);
    }
  });

  it('says that the server is away though the browser does not answer either, and does not say that it keeps anything', async () => {
    const w = world();
    let keep: (done: boolean) => void = () => undefined;
    const session = new Session('a', base, base, 1, {
      ...w.ports,
      keep: () => new Promise((done) => (keep = done)),
    });
    open.push(session);
    session.change(renamed(base, 'a', 'Left'));
    void session.saveNow();
    await breath();
    w.sent[0]!.answer(away);
    await new Promise((done) => setTimeout(done, 2100));
    expect(session.status.state).to.equal('away');
    expect(session.status.keptHere).to.equal(false);
    expect(session.status.message).to.include('keeps nothing either');
    // It answers after all: then it is kept here.
    keep(true);
    await breath();
    expect(session.status.keptHere).to.equal(true);
  });
});
