import type { BuildDoc } from '@fomrik/core/document';
import { newBuild, newPart } from '@fomrik/core/parts';
import { chance } from '@fomrik/core/units';
import { expect } from 'chai';
import { ApiError } from '../api';
import { Session, type SessionPorts } from './session';

/** So many edits on each device; FOMRIK_EDITS=2000 for a long run. */
const edits = Number(process.env['FOMRIK_EDITS'] ?? 60);
const seed = Number(process.env['FOMRIK_SEED'] ?? 20261130);

const wearer = { name: 'Tam', underLayerMm: 2, measures: [] };
const start: BuildDoc = {
  ...newBuild('Quay light', '2026-03-01', wearer),
  parts: ['a', 'b', 'c'].map((id) => newPart(id, wearer, 'bracer')),
};

const later = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

describe('three devices on one build', function () {
  this.timeout(60_000 + edits * 100);

  it('lose nothing of what any of them changed, and end alike, over a network that fails now and then', async () => {
    const roll = chance(seed);
    const server = { version: 1, doc: start };
    const revisions = new Map([[1, start]]);
    const devices: Session[] = [];
    const wait = (): Promise<void> => later(roll() * 4);
    const ports = (own: number): SessionPorts => ({
      save: async (id, baseVersion, doc) => {
        await wait();
        if (roll() < 0.1) throw new ApiError(0, 'away', 'lost on the way there');
        if (server.version !== baseVersion)
          throw new ApiError(409, 'stale', 'Saved elsewhere.', {
            id,
            ...structuredClone(server),
            updatedAt: '',
          });
        server.version++;
        server.doc = structuredClone(doc);
        revisions.set(server.version, server.doc);
        const { version } = server;
        devices.forEach((d, i) => i !== own && void wait().then(() => d.heard(version)));
        await wait();
        if (roll() < 0.1) throw new ApiError(0, 'away', 'lost on the way back');
        return { version };
      },
      load: async (id) => {
        await wait();
        if (roll() < 0.1) throw new ApiError(0, 'away', 'lost');
        return { id, ...structuredClone(server), updatedAt: '' };
      },
      revision: async (_id, version) => {
        await wait();
        return structuredClone(revisions.get(version));
      },
      keep: () => Promise.resolve(true),
      forget: () => Promise.resolve(true),
      sound: () => Promise.resolve(true),
      onStatus: () => undefined,
      onTakenIn: () => undefined,
    });
    for (const i of [0, 1, 2]) devices.push(new Session('A', start, start, 1, ports(i)));
    const ticked: string[] = [];
    const work = async (device: Session, part: string): Promise<void> => {
      for (let n = 1; n <= edits; n++) {
        const { doc } = device;
        const step = `${part}-${n}`;
        ticked.push(step);
        device.change({
          ...doc,
          parts: doc.parts.map((p) => (p.id === part ? { ...p, name: `${part} ${n}` } : p)),
          make: { ...doc.make, done: { ...doc.make.done, [step]: '2026-03-01T10:00:00.000Z' } },
        });
        void device.saveNow();
        await wait();
      }
    };
    await Promise.all(devices.map((device, i) => work(device, 'abc'[i]!)));
    for (let rest = 0; rest < 400; rest++) {
      await Promise.all(devices.map((d) => d.saveNow()));
      await Promise.all(devices.map((d) => d.heard(server.version)));
      if (devices.every((d) => !d.dirty && d.status.version === server.version)) break;
      await later(5);
    }
    for (const d of devices) {
      d.end();
      expect(d.status.state, `seed ${seed}`).to.equal('saved');
      expect(d.doc, `seed ${seed}`).to.deep.equal(server.doc);
    }
    expect(server.doc.parts.map((p) => p.name)).to.deep.equal(['a', 'b', 'c'].map((id) => `${id} ${edits}`));
    expect(Object.keys(server.doc.make.done)).to.have.members(ticked);
  });
});
