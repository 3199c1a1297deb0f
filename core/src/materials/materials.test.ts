import { expect } from 'chai';
import { catalogue } from './catalogue';
import { closures } from './closures';
import { ledBodies, leds } from './lamps';
import { foamSheet } from './stock';

describe('what can be bought', () => {
  it('has foams within the densities and moduli remembered, each figure saying how sure it is', () => {
    // Trade table, from memory: EVA and mats 40–120 kg/m³, polyethylene foam 30–45; moduli 1–6 MPa.
    for (const foam of catalogue.foams.filter((f) => f.kind === 'foam')) {
      expect(foam.densityKgM3.value, foam.id).to.be.within(30, 120);
      expect(foam.modulusMPa.value, foam.id).to.be.within(1, 6);
      expect(foam.densityKgM3.provenance, foam.id).to.equal('memory');
      const sizes = foam.sheets.map((s) => s.nominalMm);
      expect(
        [...sizes].sort((a, b) => a - b),
        foam.id,
      ).to.deep.equal(sizes);
    }
  });

  it('has holders no thinner than the cells in them (IEC 60086-2 maximum sizes)', () => {
    const diameter: Record<string, number> = {
      aaa: 10.5,
      aa: 14.5,
      cr2032: 3.2,
      '9v': 17.5,
      // IEC 61960-3: 18.x mm by name; the protection board and its sleeve add half a millimetre (from memory).
      '18650': 18.9,
      // No norm: two flat cells and their case, from memory.
      'usb-bank': 10,
    };
    for (const pack of catalogue.packs) {
      expect(pack.thickMm, pack.id).to.be.at.least(diameter[pack.cell.id]!);
      const loads = pack.cell.capacity.map((p) => p.loadA);
      const capacities = pack.cell.capacity.map((p) => p.capacityAh);
      expect([...loads].sort((a, b) => a - b)).to.deep.equal(loads);
      expect(
        [...capacities].sort((a, b) => b - a),
        'capacity falls with load',
      ).to.deep.equal(capacities);
    }
  });

  it('lets what was measured come before what is remembered', () => {
    const own = {
      foamId: 'dense-eva',
      nominalMm: 6,
      sheets: 3,
      measuredMm: 6.6,
      neutralFraction: 0.44,
      pricePerSheet: 11,
    };
    const sheet = foamSheet(catalogue.foams, [own], 'dense-eva', 6);
    expect(sheet.thicknessMm).to.deep.equal({ value: 6.6, provenance: 'measured' });
    expect(sheet.neutralFraction).to.deep.equal({ value: 0.44, provenance: 'measured' });
    expect([sheet.price.value, sheet.inStock]).to.deep.equal([11, 3]);
    expect(foamSheet(catalogue.foams, [own], 'dense-eva', 8).thicknessMm.provenance).to.equal('practice');
    expect(sheet.sold).to.equal(true);
    const odd = foamSheet(catalogue.foams, [], 'dense-eva', 7);
    expect([odd.sold, odd.thicknessMm.value]).to.deep.equal([false, 7]);
    expect(
      foamSheet(catalogue.foams, [{ foamId: 'dense-eva', nominalMm: 7, sheets: 1 }], 'dense-eva', 7).sold,
    ).to.equal(true);
    expect(foamSheet(catalogue.foams, [], 'granite', 6).sold).to.equal(false);
  });

  it('has closures with a range of gap and lamps whose rim is wider than the hole', () => {
    for (const closure of Object.values(closures)) expect(closure.maxGapMm).to.be.at.least(closure.minGapMm);
    for (const body of Object.values(ledBodies)) expect(body.rimMm).to.be.greaterThan(body.bodyMm);
    for (const led of Object.values(leds)) expect(led.forwardV, led.colour).to.be.within(1.6, 3.6);
  });
});
