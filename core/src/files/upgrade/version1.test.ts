import { expect } from 'chai';
import { readdirSync, readFileSync } from 'node:fs';
import { type BuildFile, schemaVersion } from '../../document';
import { derive } from '../../report';
import { readBuildFile, upgrade, upgradeDoc, writeBuildFile } from '../buildFile';

const folder = new URL('./fixtures/', import.meta.url);
const names = readdirSync(folder);
type Old = {
  fomrik: number;
  build: Record<string, unknown> & { parts: Record<string, unknown>[] };
  pins: object[];
};
const old = (name: string): Old => JSON.parse(readFileSync(new URL(name, folder), 'utf8')) as Old;
const lifted = (value: unknown): BuildFile => {
  const read = upgrade(value);
  if (!read.ok) throw new Error(`${read.field} ${read.message}`);
  return read.value;
};

describe('files of version 1', () => {
  for (const name of names) {
    describe(name, () => {
      const before = old(name);
      const { build } = lifted(before);

      it('keep every part, its name, form, foam, hands and lights', () => {
        expect(before.fomrik).to.equal(1);
        expect(build.schema).to.equal(schemaVersion);
        build.parts.forEach((part, i) => {
          const was = before.build.parts[i]!;
          expect(part.id).to.equal(was['id']);
          expect(part.name).to.equal(was['name']);
          expect(part.form).to.equal(was['form']);
          expect(part.stack).to.deep.equal([was['foam']]);
          expect(part.lining).to.deep.equal(was['lining']);
          if (part.mount.to === 'wearer' && part.mount.side !== 'middle')
            expect(part.mount.side).to.equal(was['sides']);
          const lights = was['lights'] as {
            rows: { count: number; colour: string }[];
            packId: string;
          } | null;
          const rows = part.features.filter((f) => f.kind === 'lamps');
          expect(rows.map((r) => [r.params['count'], r.params['colour']])).to.deep.equal(
            (lights?.rows ?? []).map((r) => [r.count, r.colour]),
          );
          expect(part.features.find((f) => f.kind === 'pack')?.params['packId']).to.equal(lights?.packId);
        });
        expect(build.circuits).to.have.length(before.build.parts.filter((p) => p['lights']).length);
      });

      it('can be worked out, written, and read again as they are', () => {
        expect(derive(build).parts).to.have.length(build.parts.length);
        const again = readBuildFile(writeBuildFile(lifted(before)));
        expect(again.ok && again.value.build).to.deep.equal(build);
      });
    });
  }

  it('put lamps, pack and switch where they were on the arm', () => {
    const before = old('lampwarden-bracers.fomrik.json');
    const part = derive(lifted(before).build).parts[0]!;
    const lights = before.build.parts[0]!['lights'] as {
      rows: { aroundDeg: number; alongMm: number; pitchMm: number }[];
      packAt: { aroundDeg: number; alongMm: number };
    };
    const turn = (p: { x: number; y: number }): number => (Math.atan2(p.y, p.x) * 180) / Math.PI;
    const off = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);
    const [row] = lights.rows;
    const lamps = part.items.filter((i) => i.lamp);
    lamps.forEach((lamp, i) => {
      expect(off(turn(lamp.at), row!.aroundDeg), lamp.name).to.be.lessThan(6);
      expect(lamp.at.z, lamp.name).to.be.closeTo(row!.alongMm + i * row!.pitchMm, 6);
    });
    const pack = part.items.find((i) => i.source)!;
    expect(pack.at.z).to.be.closeTo(lights.packAt.alongMm, 4);
    expect(off(turn(pack.at), lights.packAt.aroundDeg)).to.be.lessThan(8);
  });

  it('keep the ticks of the plan', () => {
    const before = old('lampwarden-bracers.fomrik.json');
    const make = before.build['make'] as { done: Record<string, string> };
    const { build } = lifted(before);
    // Every step there is, ticked under the name it had.
    const ids = [
      'print',
      'bracer-1:trace',
      'bracer-1:cut',
      'bracer-1:form',
      'bracer-1:solder',
      'bracer-1:test2',
      'wear',
    ];
    make.done = Object.fromEntries(ids.map((id) => [id, '2026-11-03T10:00:00.000Z']));
    const ticked = lifted(before).build;
    expect(Object.keys(ticked.make.done).sort()).to.deep.equal([...ids].sort());
    const steps = new Set(derive(build).steps.map((s) => s.id));
    for (const id of ids) expect(steps.has(id), id).to.equal(true);
  });

  it('turn growth from row to row into rows of their own', () => {
    const before = old('lampwarden-harness.fomrik.json');
    const gorget = before.build.parts.find((p) => p['form'] === 'gorget')!;
    gorget['params'] = {
      ...(gorget['params'] as object),
      tiers: 3,
      tierMm: 20,
      tierGrowMm: 4,
    };
    const part = lifted(before).build.parts.find((p) => p.form === 'gorget')!;
    const rows = part.params['tiers'] as { heightMm: number }[];
    expect(rows).to.have.length(3);
    expect(rows[1]!.heightMm - rows[0]!.heightMm).to.be.closeTo(4, 1e-9);
    expect(rows[2]!.heightMm - rows[1]!.heightMm).to.be.closeTo(4, 1e-9);
  });

  it('lift pins with their builds', () => {
    const before = old('lampwarden-bracers.fomrik.json');
    before.pins = [{ id: 'p', name: 'Before', pinnedAt: '2026-11-02T10:00:00.000Z', doc: before.build }];
    expect(lifted(before).pins[0]!.doc.schema).to.equal(schemaVersion);
  });

  it('name what is wrong in them, by field', () => {
    const before = old('lampwarden-bracers.fomrik.json');
    (before.build['brief'] as Record<string, unknown>)['hoursPerDay'] = 99;
    const read = upgrade(before);
    expect(read.ok).to.equal(false);
    if (!read.ok) expect(read.field).to.match(/hoursPerDay/);
    expect(upgradeDoc({ schema: 1, parts: 'many' }).ok).to.equal(false);
    expect(upgradeDoc({ schema: schemaVersion + 1 }).ok).to.equal(false);
  });
});
