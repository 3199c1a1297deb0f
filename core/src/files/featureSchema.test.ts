import { expect } from 'chai';
import { type Feature, type PieceDarts, schemaVersion } from '../document';
import { newBuild, newPart } from '../parts';
import { readBuildFile, writeBuildFile } from './buildFile';
import { checkDoc } from './schema';

const wearer = { name: 'Tamsin', underLayerMm: 3, measures: [] };
const docWith = (more: { features?: unknown; darts?: unknown; mount?: unknown; params?: unknown }) => ({
  ...newBuild('Checked', '2026-03-01', wearer),
  parts: [{ ...newPart('greave-1', wearer, 'greave'), ...more }],
});
const trouble = (doc: unknown): { field: string; message: string } => {
  const checked = checkDoc(doc);
  return checked.ok
    ? { field: '', message: 'sound' }
    : { field: checked.field ?? '', message: checked.message };
};

const trim: Feature = {
  id: 't',
  kind: 'trim',
  place: { on: 'edges', runs: [{ panel: 'a', edge: 'bottom' }] },
  params: { widthMm: 18, madeOf: 'part', foamMm: 2, look: 'square' },
};
const layer: Feature = {
  id: 'l',
  kind: 'overlay',
  place: { on: 'panel', panel: 'a', u: 0.5, v: 0.5, turnDeg: 0 },
  params: { insetMm: 12, madeOf: 'part', foamMm: 2, lapMm: 0 },
};
const rivets: Feature = {
  id: 'r',
  kind: 'rivets',
  place: { on: 'edges', runs: [{ panel: 'b', edge: 'top' }] },
  params: { insetMm: 10, spacingMm: 40, diameterMm: 9, liftMm: 0 },
};
const line: Feature = {
  id: 's',
  kind: 'line',
  place: {
    on: 'path',
    panel: 'b',
    points: [
      [0, 0.5],
      [1, 0.5],
    ],
  },
  params: { look: 'groove' },
};
const sound = [trim, layer, rivets, line];
const darts: PieceDarts[] = [{ pieceId: 'a', darts: [{ edgeId: 'top', at: 0.4, reach: 0.7 }] }];

describe('features in a build file', () => {
  it('go to the file and back', () => {
    const doc = docWith({ features: sound, darts }) as never;
    const read = readBuildFile(writeBuildFile({ fomrik: schemaVersion, build: doc, pins: [], log: [] }));
    if (!read.ok) throw new Error(`${read.field} ${read.message}`);
    expect(read.value.build.parts[0]!.features).to.deep.equal(sound);
    expect(read.value.build.parts[0]!.darts).to.deep.equal(darts);
  });

  const of = (feature: Feature, change: object): Feature => ({
    ...feature,
    params: { ...feature.params, ...change },
  });
  for (const [what, features, field, says] of [
    ['too wide a trim', [of(trim, { widthMm: 400 })], 'parts.0.features.0.params.widthMm', /120/],
    [
      'a look that is not one',
      [of(trim, { look: 'frilled' })],
      'parts.0.features.0.params.look',
      /square.*rounded/,
    ],
    ['rivets that touch', [of(rivets, { spacingMm: 2 })], 'parts.0.features.0.params.spacingMm', /8/],
    [
      'a line of one point',
      [{ ...line, place: { ...line.place, points: [[0, 0]] } }],
      'parts.0.features.0.place.points',
      /2/,
    ],
    [
      'a point off the piece',
      [
        {
          ...line,
          place: {
            ...line.place,
            points: [
              [0, 0],
              [1.2, 0],
            ],
          },
        },
      ],
      'parts.0.features.0.place.points.1.0',
      /1/,
    ],
    ['a place its kind has not', [{ ...trim, place: layer.place }], 'parts.0.features.0.place', /edges/],
    ['a kind unheard of', [{ ...trim, kind: 'tassel' }], 'parts.0.features.0.kind', /trim/],
    ['two of one name', [layer, layer], 'parts', /two features/],
    ['a field too many', [of(layer, { colour: 'red' })], 'parts.0.features.0.params.colour', /not allowed/],
  ] as const) {
    it(`refuse ${what}, naming the field`, () => {
      const found = trouble(docWith({ features }));
      expect(found.field).to.match(new RegExp(`^${field.replaceAll('.', '\\.')}`));
      expect(found.message).to.match(says);
    });
  }

  it('refuse a dart that reaches too far or starts from no edge', () => {
    const dart = (more: object): string =>
      trouble(
        docWith({ darts: [{ pieceId: 'a', darts: [{ edgeId: 'top', at: 0.4, reach: 0.7, ...more }] }] }),
      ).field;
    expect(dart({ reach: 1.4 })).to.equal('parts.0.darts.0.darts.0.reach');
    expect(dart({ edgeId: 'no edge!' })).to.equal('parts.0.darts.0.darts.0.edgeId');
  });
});

describe('mounts and days in a build file', () => {
  it('hang from a place the form can, on a side the place has', () => {
    expect(trouble(docWith({})).message).to.equal('sound');
    expect(trouble(docWith({ mount: { to: 'wearer', zone: 'head', side: 'middle' } })).message).to.match(
      /greave hangs from lowerLeg, not from head/,
    );
    expect(trouble(docWith({ mount: { to: 'wearer', zone: 'lowerLeg', side: 'middle' } })).message).to.match(
      /pair, left, right/,
    );
    expect(trouble(docWith({ mount: { to: 'stand' } })).message).to.equal('sound');
  });

  it('never hang from themselves', () => {
    const doc = docWith({ mount: { to: 'part', part: 'greave-1', anchor: 'panel:a' } });
    expect(trouble(doc).message).to.match(/mounted on itself/);
  });

  it('refuse a day that is not on the calendar', () => {
    const doc = docWith({});
    const found = trouble({ ...doc, brief: { ...doc.brief, eventDate: '2026-02-31' } });
    expect(found.field).to.equal('brief.eventDate');
    expect(found.message).to.match(/not a day of the calendar/);
  });
});
