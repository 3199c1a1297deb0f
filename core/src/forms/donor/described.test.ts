import { expect } from 'chai';
import type { Feature } from '../../document';
import { gridNormals } from '../../panel';
import { partReport } from '../../parts';
import { contextOf, make, partOf } from '../../parts/testing/worn.test';
import { feature } from './testing/onWall';

const pack = (u = 0.5): Feature => ({
  id: 'pack',
  kind: 'pack',
  place: { on: 'room', room: 'inside', acrossMm: (u - 0.5) * 60, alongMm: 0, turnDeg: 0 },
  params: { packId: '9v', pocket: 'none' },
});

describe('a bought thing by its section', () => {
  // A half round, flat behind, seen from above with its front below.
  const outline = [
    { xMm: -40, yMm: 0, node: 'corner' as const },
    { xMm: 0, yMm: -40, node: 'arc' as const },
    { xMm: 40, yMm: 0, node: 'corner' as const },
  ];
  const { made } = make('donor', { shape: 'section', outline, highMm: 120, wallMm: 2 });

  it('has a foot and a top of the half round, and a wall as long as round it', () => {
    const by = (id: string) => made.templates.find((t) => t.id === id)!;
    for (const id of ['top', 'foot']) expect(by(id).areaMm2 / ((Math.PI / 2) * 1600)).to.be.closeTo(1, 0.01);
    // It is unrolled where the tape lies, on the outside.
    expect(by('side').areaMm2 / ((Math.PI * 40 + 80) * 120)).to.be.closeTo(1, 0.01);
  });

  it('faces outwards everywhere, and its top is over its foot', () => {
    for (const { panel } of made.laid) {
      const normals = gridNormals(panel.grid);
      panel.grid.forEach((row, r) =>
        row.forEach((p, c) => {
          const n = normals[r]![c]!;
          if (panel.id === 'side' && p.y > 2) expect(n.x * p.x + n.y * p.y).to.be.above(0);
          if (panel.id === 'top') expect(n.z).to.be.closeTo(1, 1e-9);
          if (panel.id === 'foot') expect(n.z).to.be.closeTo(-1, 1e-9);
        }),
      );
    }
  });

  it('is as deep inside as its chord, the wall taken off', () => {
    const [room] = made.model.rooms;
    // Straight back from the front: 40 less a wall before and behind.
    expect(room!.depthAt({ x: 0, y: 60 })).to.be.closeTo(36, 0.1);
    expect(room!.depthAt({ x: 20, y: 60 })).to.be.closeTo(Math.sqrt(38 ** 2 - 20 ** 2) - 2, 0.3);
    expect(room!.depthAt({ x: 0, y: 1 })).to.equal(undefined);
    const at = room!.toSpace({ x: 10, y: 60 }, 5);
    expect([at.x, at.z]).to.deep.equal([-10, 60]);
    expect(at.y).to.be.closeTo(Math.sqrt(38 ** 2 - 100) - 5, 0.3);
  });
});

describe('what stands in a bought thing', () => {
  const rib = (fate: string, wideMm = 4) => ({ acrossMm: 0, upMm: 45, wideMm, highMm: 60, tallMm: 20, fate });
  const made = (ribs: object[]) =>
    partReport(partOf('donor', { deepMm: 40, ribs } as never, { features: [pack()] }), contextOf());
  const item = (ribs: object[]) => made(ribs).items.find((i) => i.id.startsWith('pack'))!;

  it('is in the way where it must stay, however thin; what comes out is not', () => {
    expect(item([]).fit!.haveMm).to.be.closeTo(36, 1e-6);
    expect(item([rib('stays')]).fit!.haveMm).to.be.closeTo(16, 1e-6);
    expect(item([rib('stays', 1)]).fit!.haveMm).to.be.closeTo(16, 1e-6);
    expect(item([rib('out')]).fit!.haveMm).to.be.closeTo(36, 1e-6);
    expect(item([rib('cut')]).fit!.haveMm).to.be.closeTo(36, 1e-6);
  });

  it('says how much of what may go is cut away for what is put there, and plans it', () => {
    const { checks, work, items } = made([rib('cut')]);
    const { needMm, lengthMm } = items.find((i) => i.id.startsWith('pack'))!.fit!;
    const deep = Math.min(20, needMm - 16);
    expect(deep).to.be.above(0);
    const reported = checks.find((c) => c.id === 'cut-away-1')!;
    expect(reported.title).to.include(`4 × ${Math.ceil(Math.min(60, lengthMm))} mm`);
    expect(reported.excess).to.be.closeTo(deep, 1e-6);
    expect(work.find((w) => w.step === 'cut-away')!.cautions).to.include('boardDust');
    // Beside it nothing is cut.
    const beside = partReport(
      partOf('donor', { wideMm: 200, deepMm: 40, ribs: [rib('cut')] } as never, { features: [pack(1.2)] }),
      contextOf(),
    );
    expect(beside.checks.some((c) => c.id.startsWith('cut-away'))).to.equal(false);
  });
});

describe('a lid on a hinge', () => {
  const drilled = (u: number, hingeAt: string, opens = 'hinge') =>
    partReport(
      partOf('donor', { opens, lid: 'front', hingeAt } as never, {
        features: [
          {
            ...feature('hole', 'front', { diameterMm: 6, count: 1, ringMm: 40 }),
            place: { on: 'panel', panel: 'front', u, v: 0.5, turnDeg: 0 },
          },
        ],
      }),
      contextOf(),
    ).checks.map((c) => c.id);

  it('keeps holes away from the side it hangs at, and from no other', () => {
    // 70 wide: 0.12 is 8.4 mm from the left edge, 5.4 mm to the rim of the hole.
    expect(drilled(0.12, 'left')).to.include('hinge-front');
    expect(drilled(0.12, 'right')).to.not.include('hinge-front');
    expect(drilled(0.88, 'right')).to.include('hinge-front');
    expect(drilled(0.12, 'left', 'screws')).to.not.include('hinge-front');
    expect(drilled(0.3, 'left')).to.not.include('hinge-front');
  });

  it('opens as far as what is fixed inside it swings clear of the wall across from its hinge', () => {
    const opens = (u: number, hingeAt: string): string | undefined =>
      partReport(
        partOf('donor', { opens: 'hinge', lid: 'front', hingeAt, deepMm: 50 } as never, {
          features: [{ ...pack(), place: { on: 'panel', panel: 'front', u, v: 0.5, turnDeg: 0 } }],
        }),
        contextOf(),
      ).checks.find((c) => c.id === 'swing-pack')?.title;
    // By hand: the hinge is 68 mm from the wall across. A 9 V block reaches 66.5 mm along the lid and 19 mm in, so its
    // corner swings round at 69.1 mm: at 5° it is 67.8 mm out, at 10° 68.7 mm; at 62 mm it swings round at 64.8 mm.
    expect(opens(0.76, 'left')).to.include('opens only 5°');
    expect(opens(0.7, 'left')).to.equal(undefined);
    expect(opens(0.76, 'right')).to.equal(undefined);
    expect(opens(0.24, 'right')).to.include('meets the case');
  });

  it('wants a loop of wire where something on it meets something inside', () => {
    const lamps = feature('lamps', 'front', {
      count: 1,
      colour: 'amber',
      body: '5mm',
      pitchMm: 30,
      shows: 'hole',
      awayMm: 5,
    });
    const ids = (features: Feature[]) =>
      partReport(
        partOf('donor', { opens: 'hinge', lid: 'front' } as never, { features }),
        contextOf(),
      ).checks.map((c) => c.id);
    expect(ids([lamps, pack()])).to.include('lid-wires-front');
    expect(ids([lamps])).to.not.include('lid-wires-front');
  });
});
