import { heardOf } from './autosave';
import { api } from './api';
import { refreshNotes } from './notes';

/** What another device has just saved of a build: the new version, or none when it was its log or a pin. */
interface BuildChange {
  buildId: string;
  version?: number;
}

/** The log is fetched anew at most so often; milliseconds. */
const NOTES_AFTER_MS = 300;

/**
 * Hears what other devices save of a build, as long as the page is seen: a browser holds few connections to one server,
 * and hidden tabs are not to use them up. @returns what ends it.
 */
export function watchBuild(id: string): () => void {
  let source: EventSource | undefined;
  let notes: ReturnType<typeof setTimeout> | undefined;
  const hear = (event: MessageEvent<string>): void => {
    const { version } = JSON.parse(event.data) as BuildChange;
    if (version !== undefined) return heardOf(id, version);
    clearTimeout(notes);
    notes = setTimeout(() => refreshNotes(id), NOTES_AFTER_MS);
  };
  const turn = (): void => {
    source?.close();
    source = undefined;
    if (document.visibilityState === 'hidden') return;
    source = new EventSource(api.liveUrl(id));
    source.onmessage = hear;
    // Also after the connection was lost: what was written meanwhile is fetched.
    source.onopen = () => refreshNotes(id);
  };
  turn();
  document.addEventListener('visibilitychange', turn);
  return () => {
    document.removeEventListener('visibilitychange', turn);
    clearTimeout(notes);
    source?.close();
  };
}
