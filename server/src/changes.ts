import { EventEmitter } from 'node:events';

/** What was saved of a build: its document, or its log and pins. */
export interface BuildChange {
  buildId: string;
  /** The document's new version; nothing when it was the log or a pin. */
  version?: number;
}

/** Tells whoever watches a build that something of it was saved. */
export class Changes {
  private readonly hub = new EventEmitter().setMaxListeners(0);

  tell(change: BuildChange): void {
    this.hub.emit(change.buildId, change);
  }

  /** @returns what ends the watching. */
  watch(buildId: string, heard: (change: BuildChange) => void): () => void {
    this.hub.on(buildId, heard);
    return () => this.hub.off(buildId, heard);
  }
}
