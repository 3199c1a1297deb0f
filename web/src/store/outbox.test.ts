import 'fake-indexeddb/auto';
import type { LogEntry } from '@fomrik/core/document';
import { expect } from 'chai';
import { sendOrKeep, sendWaiting, useOutbox, whenSent } from './outbox';

const entry = (id: string): LogEntry => ({
  id,
  at: '2026-03-01T10:00:00.000Z',
  subject: `entry ${id}`,
  note: '',
  planned: null,
  actual: null,
  unit: '',
});

describe('entries that wait for the server', () => {
  const real = globalThis.fetch;
  let answer: (path: string) => Response | undefined;
  const asked: string[] = [];
  const sent: string[] = [];
  before(() => whenSent((_, e) => void sent.push(e.id)));
  beforeEach(() => {
    asked.splice(0);
    sent.splice(0);
    globalThis.fetch = (path, request) => {
      asked.push(String(path));
      const said = answer(String(path));
      if (!said) return Promise.reject(new TypeError('away'));
      return Promise.resolve(said.status === 200 ? new Response(String(request?.body)) : said);
    };
  });
  afterEach(() => void (globalThis.fetch = real));
  const waiting = (): string[] => useOutbox.getState().waiting.map((w) => w.id);
  const ok = (): Response => new Response('{}', { status: 200 });

  it('go out one after another when it answers, again and again', async () => {
    for (const id of ['a', 'b']) {
      answer = () => undefined;
      expect(await sendOrKeep('build', entry(id))).to.equal(undefined);
      expect(waiting()).to.deep.equal([id]);
      answer = ok;
      // By itself, a while later: the second as well as the first.
      const late = Date.now() + 8000;
      const there = (): boolean => waiting().length === 0 && sent.includes(id);
      while (!there() && Date.now() < late) await new Promise((r) => setTimeout(r, 50));
      expect(waiting()).to.deep.equal([]);
    }
    expect(sent).to.deep.equal(['a', 'b']);
  }).timeout(30_000);

  it('stay with the reason when they are not accepted, hold up no other, and are sent again only when asked', async () => {
    answer = () => undefined;
    await sendOrKeep('gone', entry('c'));
    await sendOrKeep('build', entry('d'));
    answer = (path) =>
      path.includes('/gone/')
        ? new Response('{"error":{"code":"not-found","message":"There is no such build."}}', { status: 404 })
        : ok();
    await sendWaiting();
    expect([waiting(), sent]).to.deep.equal([['c'], ['d']]);
    expect(useOutbox.getState().refused).to.deep.equal({ c: 'There is no such build.' });
    asked.splice(0);
    await sendWaiting();
    expect(asked).to.deep.equal([]);
    answer = ok;
    await sendWaiting(true);
    expect([waiting(), useOutbox.getState().refused]).to.deep.equal([[], {}]);
  });
});
