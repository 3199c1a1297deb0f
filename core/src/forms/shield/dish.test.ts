import { expect } from 'chai';
import fc from 'fast-check';
import { dist3, length3, meshArea, meshVolume } from '../../geometry';
import { gridMesh, skinMesh } from '../../panel';
import { makePart } from '../../parts/made';
import { newPart } from '../../parts/newPart';
import { contextOf, make } from '../../parts/testing/worn.test';
import { ballRadiusMm } from './dish';

const dish = (change: object) => make('shield', { dishMm: 60, sectors: 6, bossMm: 0, ...change });

describe('a dished shield', () => {
  it('is part of a ball: its rim and its middle lie on it, its area is 2πRh (Archimedes)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 900 }),
        fc.integer({ min: 20, max: 150 }),
        fc.integer({ min: 4, max: 12 }),
        (widthMm, dishMm, sectors) => {
          const { laid } = dish({ widthMm, heightMm: widthMm, dishMm, sectors }).made;
          const radius = ballRadiusMm(widthMm / 2, dishMm);
          const centre = { x: 0, y: dishMm - radius, z: widthMm / 2 };
          for (const p of laid[0]!.panel.grid.flat()) expect(dist3(p, centre)).to.be.closeTo(radius, 1e-6);
          const area = laid.reduce((sum, l) => sum + meshArea(gridMesh(l.panel.grid)), 0);
          expect(area).to.be.closeTo(2 * Math.PI * radius * dishMm, area * 0.02);
        },
      ),
      { numRuns: 10 },
    );
  });

  it('is as much foam as a shell of that ball: 2/3 π (R₂³ − R₁³) (1 − cos φ)', () => {
    const { laid } = dish({ widthMm: 470, heightMm: 470 }).made;
    const t = laid[0]!.foam.thicknessMm.value;
    const radius = ballRadiusMm(235, 60);
    const shell = (2 / 3) * Math.PI * ((radius + t) ** 3 - radius ** 3) * (60 / radius);
    const solid = laid.reduce((sum, l) => sum + meshVolume(skinMesh(l).mesh), 0);
    expect(solid).to.be.closeTo(shell, shell * 0.02);
  });

  it('comes apart into sectors whose seams agree, in less stretch the more there are', () => {
    const worst = (sectors: number): number =>
      Math.max(...dish({ sectors, dishMm: 120 }).pieces.map((p) => p.stretch?.worst ?? 0));
    expect(worst(12)).to.be.lessThan(worst(4));
    for (const p of dish({}).pieces) {
      const [a, b] = ['left', 'right'].map((id) => p.edges.find((e) => e.id === id)!);
      expect([a!.joint, b!.joint]).to.deep.equal(['seam', 'seam']);
    }
  });

  it('is a flat board without a dish, and no deeper than half a ball with any', () => {
    expect(make('shield', { dishMm: 0 }).pieces[0]!.id).to.match(/^board/);
    const deep = dish({ widthMm: 200, heightMm: 200, dishMm: 500 }).made.laid;
    const far = Math.max(
      ...deep.flatMap((l) => l.panel.grid.flat().map((p) => length3({ ...p, z: p.z - 100 }))),
    );
    expect(far).to.be.lessThan(101);
  });

  it('of several layers has each lie on the one before, seams over middles', () => {
    const begun = newPart('s', { name: 'Anyone', underLayerMm: 2, measures: [] }, 'shield');
    const { laid, noticed } = makePart(
      { ...begun, params: { ...begun.params, dishMm: 60, bossMm: 0 } },
      contextOf(),
    );
    expect(laid).to.have.length(2 * 6);
    expect(noticed.filter((n) => n.check.id.startsWith('touch-')).map((n) => n.check.title)).to.deep.equal(
      [],
    );
    const turn = (i: number): number => {
      const p = laid[i]!.panel.grid[0]![0]!;
      return Math.atan2(-p.x, 235 - p.z);
    };
    expect(turn(6) - turn(0)).to.be.closeTo(Math.PI / 6, 0.01);
  });
});
