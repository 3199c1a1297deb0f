import { expect } from 'chai';
import type { Part } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';

const wearer = { name: 'Anyone', underLayerMm: 2, measures: [] };

describe('the step that puts a part on another', () => {
  it('says where it goes in plain words', () => {
    const host = { ...newPart('h', wearer, 'box'), name: 'Case' };
    const detail = (anchor: string): string => {
      const part: Part = { ...newPart('s', wearer, 'box'), mount: { to: 'part', part: 'h', anchor } };
      const { steps } = derive({ ...newBuild('T', '2026-03-01', wearer), parts: [host, part] });
      return steps.find((s) => s.id === 's:mount')!.detail;
    };
    expect(detail('panel:back')).to.match(/^On the left wall/);
    expect(detail('panel:face')).to.match(/^On the face/);
  });
});
