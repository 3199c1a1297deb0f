import { expect } from 'chai';
import { resolveBody } from '../body';
import type { BuildDoc, Part } from '../document';
import { newBuild, newPart } from '../parts';
import { derive } from '../report';
import { onHead } from './onHead';

const wearer = { name: 'Tamsin', underLayerMm: 2, measures: [] };
const build = (parts: Part[]): BuildDoc => ({ ...newBuild('T', '2026-03-01', wearer), parts });
const helmet = newPart('h', wearer, 'helmet');
/** Something on the crown, moved ahead of it. */
const attached = (form: string, alongMm: number): BuildDoc =>
  build([
    helmet,
    { ...newPart('b', wearer, form), mount: { to: 'part', part: 'h', anchor: 'crown', alongMm } },
  ]);

describe('what the head carries', () => {
  it('is every part that hangs on it: moved ahead, a box takes the middle along by its share of the mass', () => {
    const [near, far] = [0, 60].map((mm) => derive(attached('box', mm)));
    expect(near!.onHead[0]!.partIds).to.deep.equal(['h', 'b']);
    const [h, b] = near!.parts.map((p) => p.weight.massG);
    expect(near!.onHead[0]!.massG).to.be.closeTo(h! + b!, 1e-6);
    expect(far!.onHead[0]!.aheadMm - near!.onHead[0]!.aheadMm).to.be.closeTo((60 * b!) / (h! + b!), 1e-6);
    expect(Math.abs(near!.onHead[0]!.asideMm)).to.be.lessThan(1);
  });

  it('tips to the side something is hung on, and is levelled by lead on the other (law of the lever)', () => {
    const doc = build([helmet]);
    const report = derive(doc);
    const body = resolveBody([]);
    const [own] = report.parts;
    // 100 g of lead 80 mm to the right of the middle of the helmet.
    const leaded = {
      ...own!,
      weight: {
        ...own!.weight,
        massG: own!.weight.massG + 100,
        at: {
          ...own!.weight.at,
          x: (own!.weight.at.x * own!.weight.massG + 100 * 80) / (own!.weight.massG + 100),
        },
      },
    };
    const [tipped] = onHead([leaded], body);
    const [level] = onHead([own!], body);
    expect(tipped!.asideMm * tipped!.massG - level!.asideMm * level!.massG).to.be.closeTo(8000, 0.5);
    const { lead } = tipped!;
    expect(lead).to.not.equal(undefined);
    const offMm = Math.hypot(tipped!.aheadMm, tipped!.asideMm);
    expect(lead!.massG * lead!.armMm).to.be.closeTo(tipped!.massG * offMm, 1e-6);
    // 9.80665 m/s² is standard gravity (ISO 80000-3).
    expect(tipped!.momentNm).to.be.closeTo(tipped!.massG * offMm * 9.80665e-6, 1e-9);
  });

  it('raises a finding where it tires the neck, and none where it is light', () => {
    const reported = (doc: BuildDoc): string | undefined =>
      derive(doc).findings.find((f) => f.id === 'neck:h')?.why;
    expect(reported(build([helmet]))).to.equal(undefined);
    expect(reported(attached('haft', 200))).to.include('would level it');
  });
});
