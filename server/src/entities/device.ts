import { EntitySchema } from 'typeorm';

/** A device of the workshop that was let in. */
export interface DeviceRow {
  id: string;
  name: string;
  /** SHA-256 of what its cookie says: the cookie itself is nowhere but on the device. */
  tokenHash: string;
  pairedAt: string;
  seenAt: string;
}

export const DeviceEntity = new EntitySchema<DeviceRow>({
  name: 'device',
  columns: {
    id: { type: 'text', primary: true },
    name: { type: 'text' },
    tokenHash: { type: 'text' },
    pairedAt: { type: 'text' },
    seenAt: { type: 'text' },
  },
});
