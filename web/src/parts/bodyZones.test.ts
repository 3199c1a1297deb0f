import { resolveBody } from '@fomrik/core/body/estimate';
import { figure } from '@fomrik/core/body/figure';
import { levels } from '@fomrik/core/body/sections';
import { formKinds } from '@fomrik/core/forms/kinds';
import { expect } from 'chai';
import { zonesAt } from './bodyZones';

describe('pointing at the body', () => {
  const body = resolveBody([]);
  const at = levels(body);

  it('reaches every form from some spot of the bare figure', () => {
    const zones = new Set(
      figure(body).parts.flatMap(({ name, mesh }) => mesh.points.flatMap((p) => zonesAt(body, name, p))),
    );
    for (const form of Object.values(formKinds)) expect([...zones], form.label).to.include(form.zone);
  });

  it('knows the joints from the limbs beside them', () => {
    const knee = body.kneeHeight.valueMm;
    expect(zonesAt(body, 'right thigh', { x: 90, y: 0, z: knee + 20 })[0]).to.equal('knee');
    expect(zonesAt(body, 'right thigh', { x: 90, y: 0, z: knee + 250 })).to.deep.equal(['thigh']);
    expect(zonesAt(body, 'left lowerLeg', { x: -90, y: 0, z: knee - 200 })).to.deep.equal(['lowerLeg']);
    expect(zonesAt(body, 'right upperArm', { x: 250, y: 0, z: at.shoulder - 20 })[0]).to.equal('shoulder');
    expect(zonesAt(body, 'left hand', { x: 0, y: 0, z: 0 })).to.deep.equal(['forearm']);
  });

  it('offers a back frame only from behind', () => {
    expect(zonesAt(body, 'trunk', { x: 0, y: 200, z: at.chest })).to.deep.equal(['torso']);
    expect(zonesAt(body, 'trunk', { x: 0, y: -200, z: at.chest })).to.include('back');
    expect(zonesAt(body, 'trunk', { x: 0, y: 200, z: at.hip })[0]).to.equal('hips');
  });
});
