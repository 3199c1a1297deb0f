import { expect } from 'chai';
import { readdirSync } from 'node:fs';
import type { Field } from '../document';
import { fileExports, makeExport } from '../files/exports';
import { demo } from '../files/testing/demo';
import { fontFile } from '../files/testing/font';
import { standardKinds } from '../parts';
import { wordFaults } from '../units/testing/plainWords';
import { reportOf } from './testing/reportOf';

const demos = readdirSync(new URL('../../../demo/', import.meta.url))
  .filter((f) => f.endsWith('.fomrik.json'))
  .map((f) => f.replace('.fomrik.json', ''));

const faultsIn = (texts: readonly (string | undefined)[]): string[] => [
  ...new Set(texts.flatMap((text) => (text ? wordFaults(text) : []))),
];

const fieldTexts = (fields: readonly Field[]): string[] =>
  fields.flatMap((f) => [
    f.label,
    f.help,
    f.group,
    ...(f.type === 'choice' ? f.choices.map((c) => c.label) : []),
    ...(f.type === 'rows' ? [f.line, ...fieldTexts(f.of)] : []),
  ]);

describe('plain English', function () {
  this.timeout(120_000);

  it('recognises bad wording and lets good wording pass', () => {
    for (const bad of [
      'trace 1 pieces',
      'At the on left wall',
      'Nothing to mind at this station',
      '100 % of the ways it may go are ready',
      'glue the the seams',
      'the pack p1.pack is gone',
    ])
      expect(wordFaults(bad), bad).to.have.length.greaterThan(0);
    for (const good of [
      'trace 11 pieces',
      '1 piece',
      'Kelp bracer: glue the seams.',
      'wiring.csv',
      '1–2 pieces',
      '2.5 mm',
    ])
      expect(wordFaults(good), good).to.deep.equal([]);
  });

  it('is what forms and details say of themselves', () => {
    const { forms, features } = standardKinds;
    const texts = [
      ...[...forms.values()].flatMap((f) => [f.label, f.summary, ...fieldTexts(f.fields)]),
      ...[...features.values()].flatMap((f) => [f.label, f.verb, f.summary, ...fieldTexts(f.fields)]),
    ];
    expect(faultsIn(texts)).to.deep.equal([]);
  });

  for (const name of demos)
    it(`${name}: is what findings, steps, pieces, lists and files say`, async () => {
      const doc = demo(name);
      const report = reportOf(doc);
      const texts = [
        ...report.findings.flatMap((f) => [f.title, f.why, ...f.remedies.map((r) => r.label)]),
        ...report.steps.flatMap((s) => [s.title, s.detail, s.gate, s.waitFor]),
        ...report.parts.flatMap((p) => [
          ...p.pieces.flatMap((piece) => [piece.name, piece.note, ...piece.edges.map((e) => e.name)]),
          ...p.rooms.map((r) => r.name),
          ...p.anchors.map((a) => a.name),
          ...p.figures.map((f) => f.label),
          ...p.fastenings.map((f) => f.where),
        ]),
        ...report.advice.flatMap((a) => [a.name, ...a.reasons]),
        ...report.cost.map((line) => line.what),
      ];
      const source = { doc, report, stamp: new Date(0), font: fontFile, unit: 'mm' as const };
      for (const file of fileExports.filter((f) => f.type.startsWith('text/'))) {
        const made = await makeExport(file, source);
        texts.push(...(typeof made === 'string' ? made.split(/[\r\n,]+/) : []));
      }
      expect(faultsIn(texts)).to.deep.equal([]);
    });
});
