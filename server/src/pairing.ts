import { createHash, randomBytes, randomInt, randomUUID, timingSafeEqual } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { DeviceEntity, type DeviceRow } from './entities/device';
import { HttpError, notFound } from './errors';
import type { Queue } from './oneAtATime';

export interface Code {
  code: string;
  until: Date;
}

export type Device = Omit<DeviceRow, 'tokenHash'>;

const CODE_MS = 10 * 60_000;
const MOST_TRIES = 5;
/** A device is noted as seen at most so often. */
const SEEN_MS = 60_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Lets devices of the local network in: by a code of six digits once, by a cookie from then on. */
export class Pairing {
  private open: (Code & { tries: number }) | undefined;

  constructor(
    private readonly db: DataSource,
    /** Its writes wait in it, so that none is taken back with somebody else's transaction. */
    private readonly queue: Queue,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** A new code in place of the one before; it is good for ten minutes, five tries and one device. */
  begin(): Code {
    const code = String(randomInt(0, 1_000_000)).padStart(6, '0');
    this.open = { code, until: new Date(this.now().getTime() + CODE_MS), tries: 0 };
    return { code, until: this.open.until };
  }

  /**
   * Lets a device in that knows the code. @returns what its cookie says from now on.
   * @throws HttpError 403 when the code is wrong, too old, used or tried too often.
   */
  async pair(code: string, name: string): Promise<string> {
    const { open } = this;
    const dead = (why: string): HttpError =>
      new HttpError(403, 'wrong-code', `${why} Make a new one on the computer that runs Fomrik.`);
    if (!open) throw dead('There is no code that is good now.');
    if (open.until <= this.now()) throw dead('This code is older than ten minutes.');
    if (open.tries >= MOST_TRIES) throw dead('This code was tried five times.');
    open.tries++;
    const [given, wanted] = [hashOf(code), hashOf(open.code)].map((h) => Buffer.from(h, 'hex')) as [
      Buffer,
      Buffer,
    ];
    if (!timingSafeEqual(given, wanted))
      throw new HttpError(
        403,
        'wrong-code',
        `This is not the code; ${MOST_TRIES - open.tries} tries are left.`,
      );
    this.open = undefined;
    const token = randomBytes(32).toString('base64url');
    const at = this.now().toISOString();
    const device: DeviceRow = { id: randomUUID(), name, tokenHash: hashOf(token), pairedAt: at, seenAt: at };
    await this.queue.run(() => this.db.getRepository(DeviceEntity).insert(device));
    return token;
  }

  /** Whether a cookie is one of a device that was let in and not sent away since. */
  async knows(token: string | undefined): Promise<boolean> {
    if (!token) return false;
    const devices = this.db.getRepository(DeviceEntity);
    const device = await devices.findOneBy({ tokenHash: hashOf(token) });
    if (!device) return false;
    if (this.now().getTime() - Date.parse(device.seenAt) > SEEN_MS)
      await this.queue.run(() => devices.update({ id: device.id }, { seenAt: this.now().toISOString() }));
    return true;
  }

  async devices(): Promise<Device[]> {
    const rows = await this.db.getRepository(DeviceEntity).find({ order: { pairedAt: 'ASC' } });
    return rows.map(({ tokenHash, ...device }) => device);
  }

  async sendAway(id: string): Promise<void> {
    const { affected } = await this.queue.run(() => this.db.getRepository(DeviceEntity).delete({ id }));
    if (affected === 0) throw notFound('device');
  }
}
