import { expect } from 'chai';
import { forms } from '../forms';
import { resolveBody } from './estimate';
import { figure } from './figure';
import { levels } from './sections';
import { zonesAt } from './zonesAt';

describe('pointing at the body', () => {
  const body = resolveBody([]);
  const at = levels(body);

  it('reaches every form from some spot of the bare figure', () => {
    const found = new Set(
      figure(body).parts.flatMap(({ of, mesh }) => mesh.points.flatMap((p) => zonesAt(body, of, p))),
    );
    for (const form of forms) for (const zone of form.zones) expect([...found], form.label).to.include(zone);
  });

  it('knows the joints from the limbs beside them', () => {
    const knee = body.kneeHeight.valueMm;
    expect(zonesAt(body, 'thigh', { x: 90, y: 0, z: knee + 20 })[0]).to.equal('knee');
    expect(zonesAt(body, 'thigh', { x: 90, y: 0, z: knee + 250 })).to.deep.equal(['thigh']);
    expect(zonesAt(body, 'lowerLeg', { x: -90, y: 0, z: knee - 200 })).to.deep.equal(['lowerLeg']);
    expect(zonesAt(body, 'upperArm', { x: 250, y: 0, z: at.shoulder - 20 })[0]).to.equal('shoulder');
    expect(zonesAt(body, 'hand', { x: 0, y: 0, z: 0 })).to.deep.equal(['hand', 'forearm']);
  });

  it('offers a back frame only from behind', () => {
    expect(zonesAt(body, 'trunk', { x: 0, y: 200, z: at.chest })).to.deep.equal(['torso']);
    expect(zonesAt(body, 'trunk', { x: 0, y: -200, z: at.chest })).to.include('back');
    expect(zonesAt(body, 'trunk', { x: 0, y: 200, z: at.hip })[0]).to.equal('hips');
  });
});
