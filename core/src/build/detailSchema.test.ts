import { expect } from 'chai';
import type { Detail, PieceDarts } from '../forms/details/detail';
import { newBuild, newPart } from './newBuild';
import { checkDoc, readBuildFile, writeBuildFile } from './schema';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
const docWith = (more: { details?: unknown; dartsByHand?: unknown }) => ({
  ...newBuild('Checked', '2026-03-01', wearer),
  parts: [{ ...newPart('greave-1', wearer, 'greave'), ...more }],
});
const trouble = (more: { details?: unknown; dartsByHand?: unknown }): { field: string; message: string } => {
  const checked = checkDoc(docWith(more));
  return checked.ok
    ? { field: '', message: 'sound' }
    : { field: checked.field ?? '', message: checked.message };
};

const sound: Detail[] = [
  {
    id: 't',
    kind: 'trim',
    pieceId: 'a',
    edgeId: 'bottom',
    face: 'outer',
    widthMm: 18,
    nominalMm: 2,
    look: 'square',
  },
  { id: 'l', kind: 'layer', pieceId: 'a', insetMm: 12, nominalMm: 2 },
  { id: 'r', kind: 'rivets', pieceId: 'b', edgeId: 'top', insetMm: 10, spacingMm: 40, diameterMm: 9 },
  {
    id: 's',
    kind: 'line',
    pieceId: 'b',
    look: 'groove',
    points: [
      { x: 0, y: 0.5 },
      { x: 1, y: 0.5 },
    ],
  },
];
const darts: PieceDarts[] = [{ pieceId: 'a', darts: [{ edgeId: 'top', at: 0.4, reach: 0.7 }] }];

describe('details in a build file', () => {
  it('go to the file and back', () => {
    const doc = docWith({ details: sound, dartsByHand: darts }) as never;
    const read = readBuildFile(writeBuildFile({ fomrik: 1, build: doc, pins: [], log: [] }));
    if (!read.ok) throw new Error(read.message);
    expect(read.value.build.parts[0]!.details).to.deep.equal(sound);
    expect(read.value.build.parts[0]!.dartsByHand).to.deep.equal(darts);
  });

  it('may be left out, or be none', () => {
    expect(trouble({}).message).to.equal('sound');
    expect(trouble({ details: [], dartsByHand: [] }).message).to.equal('sound');
  });

  for (const [what, change, field, says] of [
    ['too wide a trim', [{ ...sound[0], widthMm: 400 }], 'parts.0.details.0.widthMm', /120/],
    ['a face that is not one', [{ ...sound[0], face: 'under' }], 'parts.0.details.0.face', /outer.*inner/],
    ['rivets that touch', [{ ...sound[2], spacingMm: 2 }], 'parts.0.details.0.spacingMm', /8/],
    ['a line of one point', [{ ...sound[3], points: [{ x: 0, y: 0 }] }], 'parts.0.details.0.points', /2/],
    [
      'a point off the piece',
      [
        {
          ...sound[3],
          points: [
            { x: 0, y: 0 },
            { x: 1.2, y: 0 },
          ],
        },
      ],
      'parts.0.details.0.points.1.x',
      /1/,
    ],
    ['a kind unheard of', [{ id: 'x', kind: 'tassel', pieceId: 'a' }], 'parts.0.details.0.kind', /trim/],
    ['two of one name', [sound[1], sound[1]], 'parts.0.details.1', /duplicate/],
    ['a field too many', [{ ...sound[1], colour: 'red' }], 'parts.0.details.0.colour', /not allowed/],
  ] as const) {
    it(`refuse ${what}, naming the field`, () => {
      const found = trouble({ details: change });
      expect(found.field).to.equal(field);
      expect(found.message).to.match(says);
    });
  }

  it('refuse a dart that reaches too far or starts from no edge', () => {
    const dart = (more: object): string =>
      trouble({ dartsByHand: [{ pieceId: 'a', darts: [{ edgeId: 'top', at: 0.4, reach: 0.7, ...more }] }] })
        .field;
    expect(dart({ reach: 1.4 })).to.equal('parts.0.dartsByHand.0.darts.0.reach');
    expect(dart({ edgeId: 'somewhere' })).to.equal('parts.0.dartsByHand.0.darts.0.edgeId');
  });
});
