import type { LogEntry } from '@fomrik/core/document';
import { toast } from 'sonner';
import { create } from 'zustand';
import { api, ApiError } from './api';
import { database, type WaitingEntry } from './saving/database';

interface Outbox {
  /** Entries of the log, of any build, that the server has not taken, oldest first. */
  waiting: WaitingEntry[];
  /** Of those, how many this browser could not keep: they live as long as the page. */
  unkept: number;
  /** Why the server does not accept an entry, by its id: it is sent again only when it is asked for. */
  refused: Record<string, string>;
}

export const useOutbox = create<Outbox>(() => ({ waiting: [], unkept: 0, refused: {} }));

const RETRY_MS = 5000;

/** Whether trying again later may help: the server is away, busy, or does not know this device just now. */
const passes = ({ status }: ApiError): boolean =>
  status === 0 || status >= 500 || [401, 408, 429].includes(status);

/** Sends one entry: its photographs first, then itself. */
async function send({ buildId, entry, photos }: WaitingEntry): Promise<LogEntry> {
  const contents: string[] = [];
  for (const photo of photos) contents.push((await api.putPicture(photo)).content);
  const all = [...new Set([...(entry.photos ?? []), ...contents])];
  const whole: LogEntry = { ...entry, ...(all.length > 0 && { photos: all }) };
  return api.putLog(buildId, whole);
}

async function keep(item: WaitingEntry): Promise<void> {
  useOutbox.setState(({ waiting }) => ({ waiting: [...waiting.filter((w) => w.id !== item.id), item] }));
  try {
    await (await database()).put('waiting', item);
  } catch {
    useOutbox.setState(({ unkept }) => ({ unkept: unkept + 1 }));
  }
}

async function forget({ id }: WaitingEntry): Promise<void> {
  useOutbox.setState(({ waiting, refused: { [id]: _, ...refused } }) => {
    const left = waiting.filter((w) => w.id !== id);
    return { waiting: left, refused, ...(left.length === 0 && { unkept: 0 }) };
  });
  try {
    await (await database()).delete('waiting', id);
  } catch {
    // What was never kept need not be forgotten.
  }
}

/** Throws an entry away that the server does not accept; the toast puts it back. */
export async function dropWaiting(item: WaitingEntry): Promise<void> {
  await forget(item);
  toast(`“${item.entry.subject}” is deleted.`, {
    action: { label: 'Undo', onClick: () => void keep(item) },
  });
}

let timer: ReturnType<typeof setTimeout> | undefined;
let busy = false;
let onSent: (buildId: string, entry: LogEntry) => void = () => undefined;

/** What is reported each entry that goes out later. */
export const whenSent = (heard: typeof onSent): void => void (onSent = heard);

function sendLater(): void {
  timer ??= setTimeout(() => void sendWaiting(), RETRY_MS);
}

/**
 * Sends what waits, one after another. What the server does not accept stays, with its reason.
 * @param asked whether the maker asked: then what was not accepted is tried as well.
 */
export async function sendWaiting(asked = false): Promise<void> {
  clearTimeout(timer);
  timer = undefined;
  if (busy) return;
  busy = true;
  const { waiting, refused } = useOutbox.getState();
  let away = false;
  for (const item of asked ? waiting : waiting.filter((w) => refused[w.id] === undefined)) {
    try {
      const sent = await send(item);
      await forget(item);
      onSent(item.buildId, sent);
    } catch (error) {
      away = passes(error as ApiError);
      if (away) break;
      const { message } = error as Error;
      useOutbox.setState((now) => ({ refused: { ...now.refused, [item.id]: message } }));
      toast.error(`“${item.entry.subject}” is not accepted: ${message}`);
    }
  }
  busy = false;
  if (away) sendLater();
}

/**
 * Writes an entry of the log, or lets it wait in this browser while the server is away.
 * @returns the entry as it was written; nothing while it waits.
 * @throws ApiError when the server refuses it.
 */
export async function sendOrKeep(
  buildId: string,
  entry: LogEntry,
  photos: Blob[] = [],
): Promise<LogEntry | undefined> {
  const item: WaitingEntry = { id: entry.id, buildId, entry, photos };
  try {
    return await send(item);
  } catch (error) {
    if (!(error instanceof ApiError) || !passes(error)) throw error;
    await keep(item);
    sendLater();
    return undefined;
  }
}

/** Takes up what waited in this browser since it was last open. */
async function takeUp(): Promise<void> {
  try {
    const kept = await (await database()).getAll('waiting');
    useOutbox.setState({ waiting: kept.sort((a, b) => a.entry.at.localeCompare(b.entry.at)) });
  } catch {
    return;
  }
  await sendWaiting();
}

if (typeof window !== 'undefined') {
  window.addEventListener('online', () => void sendWaiting());
  void takeUp();
}
