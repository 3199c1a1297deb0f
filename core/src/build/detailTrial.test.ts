import { expect } from 'chai';
import { applyChanges } from '../findings/finding';
import type { Detail } from '../forms/details/detail';
import { catalogue } from '../materials/catalogue';
import { derive } from './derive';
import { detailTrial } from './detailTrial';
import type { BuildDoc } from './document';
import { newBuild, newPart } from './newBuild';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };

const buildWith = (details: Detail[]): BuildDoc => ({
  ...newBuild('Trim', '2026-03-01', wearer),
  parts: [{ ...newPart('cuff', wearer, 'cuff'), details }],
});
const advice = (doc: BuildDoc): ReturnType<typeof detailTrial> =>
  detailTrial(doc, derive(doc).parts, catalogue);
const trim = (nominalMm: number, face: 'outer' | 'inner' = 'outer'): Detail => ({
  id: 't',
  kind: 'trim',
  pieceId: 'a',
  edgeId: 'bottom',
  face,
  widthMm: 15,
  nominalMm,
  look: 'square',
});

describe('foam of trim and layers', () => {
  it('leaves thin trim alone, and thins what is thicker than bands usually are (common practice, no source)', () => {
    expect(advice(buildWith([trim(2)]))).to.deep.equal([]);
    const [thick] = advice(buildWith([trim(8)]));
    expect(thick!.toMm).to.equal(5);
    expect(thick!.name).to.include('trim on first half');
  });

  it('thins a layer that cannot be formed over the tightest bend, and is content once it is taken', () => {
    const child = {
      ...wearer,
      measures: [{ key: 'stature' as const, valueMm: 1150, source: 'tape' as const, takenOn: '2026-03-01' }],
    };
    const layer: Detail = { id: 'l', kind: 'layer', pieceId: 'a', insetMm: 15, nominalMm: 12 };
    const doc = {
      ...buildWith([]),
      wearer: child,
      parts: [{ ...newPart('cuff', child, 'cuff'), details: [layer] }],
    };
    const [found] = advice(doc);
    expect(found!.reason).to.match(/\d+ % over the tightest bend/);
    expect(advice(applyChanges(doc, [found!.change]))).to.deep.equal([]);
  });

  it('says nothing of rivets, lines or details whose piece is gone', () => {
    expect(advice(buildWith([{ ...trim(8), pieceId: 'gone' } as Detail]))).to.deep.equal([]);
  });
});
