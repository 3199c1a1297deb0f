import { firstOf } from '@fomrik/core/units';
import type { BuildDoc, LogEntry, Pin } from '@fomrik/core/document';
import type { Report } from '@fomrik/core/report';
import { toast } from 'sonner';
import { create } from 'zustand';
import { DeriveClient } from '../workers/deriveClient';
import { api } from './api';
import { useBuild } from './build';
import { newId } from './newId';
import { sendOrKeep, whenSent } from './outbox';

interface Notes {
  pins: Pin[];
  log: LogEntry[];
  /** The pin that figures are compared with. */
  pinned: Pin | undefined;
  pinnedReport: Report | undefined;
}

export const useNotes = create<Notes>(() => ({
  pins: [],
  log: [],
  pinned: undefined,
  pinnedReport: undefined,
}));

const client = new DeriveClient(
  (pinnedReport, doc) => {
    if (useNotes.getState().pinned?.doc === doc) useNotes.setState({ pinnedReport });
  },
  (message) => void toast.error(`The pinned state cannot be worked out: ${message}`),
);

export function comparePin(pin: Pin | undefined): void {
  useNotes.setState({ pinned: pin, pinnedReport: undefined });
  if (pin) client.ask(pin.doc);
}

/** Fetches pins and log of the open build; an answer that comes after another was opened is dropped. */
async function fetchNotes(id: string): Promise<{ pins: Pin[]; broken: string[] } | undefined> {
  const [{ pins, broken }, log] = await Promise.all([api.pins(id), api.log(id)]);
  if (useBuild.getState().id !== id) return undefined;
  useNotes.setState({ pins, log });
  return { pins, broken };
}

export async function loadNotes(id: string): Promise<void> {
  useNotes.setState({ pins: [], log: [], pinned: undefined, pinnedReport: undefined });
  const notes = await fetchNotes(id);
  const last = notes?.pins.at(-1);
  if (last) comparePin(last);
  if (notes && notes.broken.length > 0)
    toast.error(`Pins that cannot be read any more are left out: ${notes.broken.join(', ')}.`);
}

/** Another device wrote into the log or pinned something. */
export const refreshNotes = (id: string): void => void fetchNotes(id).catch(() => undefined);

const pinName = (doc: BuildDoc): string => {
  const foams = [...new Set(doc.parts.map((p) => `${firstOf(p.stack).nominalMm} mm`))];
  return foams.length > 0 ? foams.join(', ') : 'empty';
};

/** Remembers the present state and compares with it from now on. */
export async function pinNow(): Promise<void> {
  const { id, doc } = useBuild.getState();
  const pin: Pin = { id: newId('pin'), name: pinName(doc), pinnedAt: new Date().toISOString(), doc };
  try {
    await api.putPin(id, pin);
    useNotes.setState(({ pins }) => ({ pins: [...pins, pin] }));
    comparePin(pin);
    toast(`Pinned “${pin.name}”. Figures now show their difference from it.`);
  } catch (error) {
    toast.error(`Not pinned: ${(error as Error).message}`);
  }
}

export async function unpin(pin: Pin): Promise<void> {
  const { id } = useBuild.getState();
  try {
    await api.removePin(id, pin.id);
    useNotes.setState(({ pins }) => ({ pins: pins.filter((p) => p.id !== pin.id) }));
    if (useNotes.getState().pinned?.id === pin.id) comparePin(undefined);
  } catch (error) {
    toast.error(`Not unpinned: ${(error as Error).message}`);
  }
}

const withEntry = (log: readonly LogEntry[], entry: LogEntry): LogEntry[] =>
  [...log.filter((e) => e.id !== entry.id), entry].sort((a, b) => a.at.localeCompare(b.at));

/**
 * Writes an entry, or lets it wait in this browser while the server is away.
 * @returns whether it is safe: written or kept.
 */
export async function writeLog(entry: LogEntry, photos: Blob[] = []): Promise<boolean> {
  const { id } = useBuild.getState();
  try {
    const sent = await sendOrKeep(id, entry, photos);
    if (!sent) toast('The server is away: the entry waits in this browser and goes out later.');
    else if (useBuild.getState().id === id) useNotes.setState(({ log }) => ({ log: withEntry(log, sent) }));
    return true;
  } catch (error) {
    toast.error(`Not written: ${(error as Error).message}`);
    return false;
  }
}

whenSent((buildId, entry) => {
  if (useBuild.getState().id === buildId) useNotes.setState(({ log }) => ({ log: withEntry(log, entry) }));
});

export async function eraseLog(entry: LogEntry): Promise<void> {
  try {
    await api.removeLog(useBuild.getState().id, entry.id);
    useNotes.setState(({ log }) => ({ log: log.filter((e) => e.id !== entry.id) }));
    toast('Entry erased.', { action: { label: 'Undo', onClick: () => void writeLog(entry) } });
  } catch (error) {
    toast.error(`Not erased: ${(error as Error).message}`);
  }
}
