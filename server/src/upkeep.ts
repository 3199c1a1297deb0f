import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { copyOfToday } from './copies';
import type { Queue } from './oneAtATime';
import { OutOfSight } from './outOfSight';
import { PictureStore } from './pictureStore';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Thrown-away builds are erased after so many days. */
const TRASH_DAYS = 30;

/** What is done by itself at the start and then every hour: the day's copy, and what is past its time goes. */
async function round(db: DataSource, queue: Queue, dataDir: string): Promise<void> {
  await queue.run(() => copyOfToday(db, dataDir));
  const now = new Date();
  await queue.run(async () => {
    await new OutOfSight(db).emptyTrash(new Date(now.getTime() - TRASH_DAYS * DAY_MS));
    await new PictureStore(db).sweep(now);
  });
}

/** Begins the upkeep; a round that fails is logged and tried again an hour later. @returns what ends it. */
export function keepUp(db: DataSource, queue: Queue, dataDir: string, log: Logger): () => void {
  const go = (): void => void round(db, queue, dataDir).catch((err: unknown) => log.error({ err }, 'upkeep'));
  void queue.run(() => new OutOfSight(db).eraseUnfinished()).then(go, go);
  const timer = setInterval(go, HOUR_MS);
  return () => clearInterval(timer);
}
