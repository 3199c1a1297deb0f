import { expect } from 'chai';
import { packs } from '../materials/packs';
import { packRoom, pocketDepthMm } from './room';
import { awgDiameterMm, wireLengthMm, wireOhm } from './wire';

const aaa3 = packs.find((p) => p.id === '3xaaa')!;

describe('room for a pack', () => {
  it('counts the pocket only when it is cut', () => {
    expect(packRoom(aaa3, { aroundDeg: 0, alongMm: 120 }, 8, 6, false)).to.deep.equal({
      needMm: 13,
      haveMm: 8,
      onWristBone: false,
    });
    expect(packRoom(aaa3, { aroundDeg: 0, alongMm: 120 }, 8, 6, true).haveMm).to.equal(12);
    expect(pocketDepthMm(1)).to.equal(0);
  });

  it('knows both knobs of the wrist', () => {
    for (const aroundDeg of [70, 90, 270, 300]) {
      expect(packRoom(aaa3, { aroundDeg, alongMm: 40 }, 8, 6, true).onWristBone, String(aroundDeg)).to.equal(
        true,
      );
    }
    for (const aroundDeg of [0, 180])
      expect(packRoom(aaa3, { aroundDeg, alongMm: 40 }, 8, 6, true).onWristBone).to.equal(false);
    expect(packRoom(aaa3, { aroundDeg: 90, alongMm: 120 }, 8, 6, true).onWristBone).to.equal(false);
  });
});

describe('wire', () => {
  it('agrees with the ASTM B258 table', () => {
    // Published table values: AWG 36 0.1270 mm, AWG 24 0.5106 mm, AWG 0000 (n = −3) 11.684 mm.
    expect(awgDiameterMm(36)).to.be.closeTo(0.127, 1e-9);
    expect(awgDiameterMm(24)).to.be.closeTo(0.5106, 1e-4);
    expect(awgDiameterMm(-3)).to.be.closeTo(11.684, 1e-3);
    // AWG 24 copper is 84.2 Ω per km in handbook tables.
    expect(wireOhm(1e6, 24)).to.be.closeTo(84.2, 0.3);
  });

  it('counts both conductors and a loop at pack and switch', () => {
    const at = (x: number) => ({ x, y: 0, z: 0 });
    expect(wireLengthMm(at(0), at(50), [at(100), at(130), at(160)])).to.equal(2 * (50 + 50 + 60 + 160));
    expect(wireLengthMm(at(0), at(50), [])).to.equal(0);
  });
});
