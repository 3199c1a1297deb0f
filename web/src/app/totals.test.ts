import { expect } from 'chai';
import { difference, ledgerFigures, showFigure } from './totals';

const figure = (key: string) => ledgerFigures('EUR').find((f) => f.key === key)!;

describe('ledger figures', () => {
  it('are shown in their own unit and decimals', () => {
    expect(showFigure(207.6, figure('massG'))).to.equal('208');
    expect(showFigure(203_992, figure('foamAreaMm2'))).to.equal('20.4');
    expect(showFigure(596, figure('workMin'))).to.equal('9.9');
    expect(showFigure(null, figure('lightHours'))).to.equal('–');
  });

  it('name the currency of the build', () => {
    expect(ledgerFigures('GBP').find((f) => f.key === 'cost')!.unit).to.equal('GBP');
  });

  it('show differences with their sign, and none when equal as shown', () => {
    expect(difference(12, 10, 0)).to.equal('+2');
    expect(difference(10, 12.4, 1)).to.equal('−2.4');
    expect(difference(10.04, 10, 1)).to.equal('');
    expect(difference(120, 60, 1, 1 / 60)).to.equal('+1');
  });

  it('show nothing where there is nothing to compare', () => {
    expect(difference(null, 3, 0)).to.equal('');
    expect(difference(3, null, 0)).to.equal('');
    expect(difference(3, undefined, 0)).to.equal('');
  });
});
