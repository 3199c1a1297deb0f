import { expect } from 'chai';
import fc from 'fast-check';
import { checkOf, expectCured, make, contextOf, partOf, reportOf } from '../../parts/testing/worn.test';
import { partReport } from '../../parts';
import { drilledRow } from '../../parts/drilling';
import { ovalOf } from '../held/walls';
import { meshVolume } from '../../geometry';
import { radiusAt, roundRoom } from './hollow';
import { feature } from './testing/onWall';
import { solidOf } from '../../panel';

const helmetGirths = [
  { zMm: 0, girthMm: 760 },
  { zMm: 60, girthMm: 730 },
  { zMm: 110, girthMm: 600 },
  { zMm: 145, girthMm: 330 },
];

const girths = [
  { zMm: 0, girthMm: 300 },
  { zMm: 50, girthMm: 300 },
  { zMm: 110, girthMm: 90 },
];

describe('a bought thing, opened up', () => {
  it('round by its girths is the cylinder and the frustum of the handbook', () => {
    const [r, s] = [300 / (2 * Math.PI), 90 / (2 * Math.PI)];
    // Walls of 2 mm, square to the case: tube, cone at the middle of its wall, and two discs.
    const slant = Math.hypot(60, r - s);
    const volume =
      Math.PI * (r * r - (r - 2) ** 2) * 50 +
      Math.PI * (r + s - (2 * 60) / slant) * slant * 2 +
      2 * Math.PI * ((r - 2) ** 2 + (s - 2) ** 2);
    const { made } = make('donor', { shape: 'round', girths, wallMm: 2 });
    // A polygon of 48 sides holds 0.3 % less.
    expect(meshVolume(solidOf(made.laid).mesh) / volume).to.be.closeTo(1, 0.01);
    expect(radiusAt(girths, 80)).to.be.closeTo((r + s) / 2, 1e-9);
  });

  it('has as much room inside as a wall less all round, nowhere through the case', () => {
    const room = roundRoom(girths, 3);
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: -5, max: 115, noNaN: true }),
        (x, y) => {
          const depth = room.depthAt({ x, y });
          if (depth === undefined) return;
          for (const d of [0, depth / 2, depth]) {
            const at = room.toSpace({ x, y }, d);
            expect(Math.hypot(at.x, at.y)).to.be.at.most(radiusAt(girths, at.z) - 3 + 1e-6);
          }
          expect(y).to.be.within(3, 107);
        },
      ),
    );
    expect(room.depthAt({ x: 0, y: 25 })).to.be.closeTo(300 / Math.PI - 6, 1e-9);
  });

  it('described rooms that reach through the case are reported, and one press keeps them within', () => {
    const rooms = [{ acrossMm: 30, upMm: 45, wideMm: 40, highMm: 40, deepMm: 60 }];
    const reported = expectCured('donor', { rooms }, 'room-in');
    expect(reported.title).to.include('reaches through');
    const cured = make('donor', { rooms });
    const [room] = cured.made.rooms;
    // 36 deep outside, walls of 2.
    expect(room!.depthAt(room!.middle)).to.be.at.most(32);
  });

  it('weighs what the scale said, and wants opening, priming and closing', () => {
    const { made } = make('donor', { massG: 123, screws: 6 });
    expect(made.model.ballast.reduce((sum, b) => sum + b.massG, 0)).to.equal(123);
    expect(made.model.work.map((w) => w.step)).to.deep.equal(['open', 'prime', 'close']);
    expect(made.model.work[0]!.detail).to.include('6 screws');
    expect(made.model.work[0]!.eachMin).to.equal(9);
  });

  it('what ran on the mains is a stop; protection that was cut is said to protect nobody', () => {
    expect(checkOf(make('donor', { power: 'mains' }), 'mains')!.severity).to.equal('stop');
    expect(checkOf(make('donor', { guards: 'yes' }), 'guards')!.title).to.include('protects nobody');
    expect(checkOf(make('donor'), 'mains')).to.equal(undefined);
  });

  it('has walls that are there: drilled and printed, cut from no sheet, and weighing nothing more', () => {
    const part = partOf(
      'donor',
      {},
      {
        features: [
          feature('lamps', 'front', {
            count: 2,
            colour: 'amber',
            body: '5mm',
            pitchMm: 30,
            shows: 'hole',
            awayMm: 5,
          }),
          feature('hole', 'right', { diameterMm: 16, count: 1, ringMm: 40 }),
          feature('switch', 'top', { switchId: 'toggle' }),
        ],
      },
    );
    const report = partReport(part, contextOf());
    expect(report.pieces).to.deep.equal([]);
    expect(report.areaMm2).to.equal(0);
    expect(report.foamG).to.equal(0);
    const holes = report.templates.flatMap((t) => t.holes.map((h) => `${t.id} ${h.diameterMm}`));
    expect(holes).to.have.members(['front 5', 'front 5', 'right 16', 'top 6']);
    const drill = report.work.find((w) => w.step === 'case-holes')!;
    expect(drill.count).to.equal(4);
    expect(drill.detail).to.include('1 of 16 mm (3 mm, then a step drill or hole saw to 16 mm)');
    expect(drill.cautions).to.include('drill');
  });

  it('as a band between two girths covered in foam, is the flat arc of the sheet-metal handbook', () => {
    const report = partReport(
      partOf(
        'donor',
        { shape: 'round', girths, wallMm: 2 },
        {
          features: [feature('overlay', 'band-2', { insetMm: 0, foamMm: 2, lapMm: 0 })],
        },
      ),
      contextOf(),
    );
    const [band] = report.pieces;
    // Outside of the case at either end, and the layer that keeps its length 1 mm further out along the normal.
    const [r, s] = [300 / (2 * Math.PI), 90 / (2 * Math.PI)];
    const slant = Math.hypot(60, r - s);
    const out = (60 / slant) * 1;
    const lengths = band!.edges.map((e) => e.lengthMm).sort((a, b) => b - a);
    expect(lengths[0]).to.be.closeTo(2 * Math.PI * (r + out), 1.2);
    expect(lengths[1]).to.be.closeTo(2 * Math.PI * (s + out), 0.8);
    // Radial line method: an arc of radius slant·r/(r − s), through 2π·sin of the half angle.
    const big = ((r + out) * slant) / (r - s);
    const small = ((s + out) * slant) / (r - s);
    const area = ((Math.PI * (r - s)) / slant) * (big ** 2 - small ** 2);
    expect(band!.areaMm2 / area).to.be.closeTo(1, 0.01);
  });
});

describe('a bought thing by its outline', () => {
  const outline = [
    [-40, 0],
    [40, 0],
    [40, 50],
    [0, 90],
    [-40, 50],
  ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm!, node: 'corner' }));
  const report = partReport(
    partOf('donor', { shape: 'outline', outline, deepMm: 30, wallMm: 2 }),
    contextOf(),
  );

  it('has a front and a back by it, and a strip as long as its rim', () => {
    const areas = Object.fromEntries(report.templates.map((t) => [t.id, t.areaMm2]));
    const area = 80 * 50 + (80 * 40) / 2;
    expect(areas['front']).to.be.closeTo(area, 1e-3);
    expect(areas['back']).to.be.closeTo(area, 1e-3);
    const rim = 80 + 2 * 50 + 2 * Math.hypot(40, 40);
    const side = report.templates.find((t) => t.id === 'side')!;
    const long = Math.max(...side.edges.map((e) => e.lengthMm));
    expect(long / rim).to.be.closeTo(1, 0.005);
  });

  it('faces outwards all round, and is as large as it was drawn', () => {
    const { mesh } = report.solid;
    const xs = mesh.points.map((p) => p.x);
    const ys = mesh.points.map((p) => p.y);
    expect(Math.max(...xs) - Math.min(...xs)).to.be.within(78, 80.5);
    expect(Math.max(...ys)).to.be.closeTo(15, 1e-6);
    expect(Math.min(...ys)).to.be.closeTo(-15, 1e-6);
    expect(meshVolume(mesh)).to.be.above(0);
  });

  it('says where it runs back along itself', () => {
    expect(report.checks.map((c) => c.id)).to.not.include('folds-side');
    const spiked = [...outline.slice(0, 3), { xMm: 0, yMm: 400, node: 'corner' }, ...outline.slice(4)];
    expect(make('donor', { shape: 'outline', outline: spiked }).checks.map((c) => c.id)).to.include(
      'folds-side',
    );
  });

  it('has as much room as its outline less a wall, and none in a corner that is cut away', () => {
    const { made } = make('donor', { shape: 'outline', outline, deepMm: 30, wallMm: 2 });
    const room = made.rooms.find((r) => r.id === 'inside')!;
    expect(room.depthAt({ x: 0, y: 40 })).to.be.closeTo(26, 1e-9);
    expect(room.depthAt({ x: 36, y: 80 })).to.equal(undefined);
    expect(room.depthAt({ x: 38.5, y: 20 })).to.equal(undefined);
    for (const d of [0, 13, 26]) expect(Math.abs(room.toSpace({ x: 0, y: 40 }, d).y)).to.be.at.most(13);
  });
});

describe('foam round a bought tube', () => {
  it('is its girth at the layer that keeps its length, and as much longer as it overlaps', () => {
    const tube = [
      { zMm: 0, girthMm: 200 },
      { zMm: 80, girthMm: 200 },
    ];
    const wide = (lapMm: number) => {
      const [piece] = partReport(
        partOf(
          'donor',
          { shape: 'round', girths: tube, wallMm: 2 },
          { features: [feature('overlay', 'band-1', { insetMm: 0, foamMm: 2, lapMm })] },
        ),
        contextOf(),
      ).pieces;
      const xs = piece!.outline.map((p) => p.x);
      return { mm: Math.max(...xs) - Math.min(...xs), marks: piece!.marks };
    };
    // Steiner: the girth and 2π times half of 2 mm.
    expect(wide(0).mm).to.be.closeTo(200 + 2 * Math.PI, 0.3);
    expect(wide(15).mm - wide(0).mm).to.be.closeTo(15, 1e-6);
    expect(wide(15).marks.map((m) => m.text)).to.deep.equal(['overlap 15 mm']);
  });
});

describe('girths that are all at one height', () => {
  it('are reported, and something stands there all the same', () => {
    const flat = [
      { zMm: 0, girthMm: 10 },
      { zMm: 0, girthMm: 10 },
    ];
    for (const [form, more] of [
      ['donor', { shape: 'round' }],
      ['donor-helmet', { peakMm: 0 }],
    ] as const) {
      const made = make(form, { girths: flat, ...more });
      expect(made.made.templates.length, form).to.be.above(0);
      expect(made.checks.map((c) => c.id)).to.include('one-height');
    }
  });
});

describe('holes in a case', () => {
  it('in a row for a slot stay inside it, leave a web, and are two or more where the slot is longer than wide', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 3, max: 30, noNaN: true }),
        fc.double({ min: 3.5, max: 20, noNaN: true }),
        (a, b) => {
          const { count, diameterMm } = drilledRow(a, b);
          const [long, wide] = [Math.max(a, b), Math.min(a, b)];
          expect(diameterMm).to.be.at.most(wide);
          expect(count * diameterMm + (count - 1)).to.be.at.most(long + 1e-9);
          if (long >= 2 * wide) expect(count).to.be.at.least(2);
        },
      ),
    );
  });

  it('a lever gets a slot along its switch, a bush a round hole', () => {
    const made = (switchId: string) =>
      partReport(
        partOf('donor', {}, { features: [feature('switch', 'front', { switchId })] }),
        contextOf(),
      ).templates.find((t) => t.id === 'front')!;
    const slot = made('slide').marks.find((m) => m.kind === 'slot')!;
    const xs = slot.points.map((p) => p.x);
    const ys = slot.points.map((p) => p.y);
    expect(Math.max(...xs) - Math.min(...xs)).to.be.closeTo(4, 1e-6);
    expect(Math.max(...ys) - Math.min(...ys)).to.be.closeTo(8, 1e-6);
    expect(slot.text).to.include('up is on');
    expect(made('toggle').holes.map((h) => h.diameterMm)).to.deep.equal([6]);
    expect(made('reed').holes).to.deep.equal([]);
  });
});

describe('a bought helmet, worn', () => {
  it('keeps its girths when it is drawn out oval', () => {
    for (const share of [0, 0.2, 0.6]) {
      const { x, y } = ovalOf(share);
      expect(y / x).to.be.closeTo(1 + share, 1e-9);
      const steps = 20000;
      const girth = Array.from({ length: steps }, (_, k) => (2 * Math.PI * k) / steps).reduce(
        (sum, t) => sum + (Math.hypot(x * Math.sin(t), y * Math.cos(t)) * 2 * Math.PI) / steps,
        0,
      );
      expect(girth).to.be.closeTo(2 * Math.PI, 1e-4);
    }
  });

  it('has bands whose templates measure what the tape did', () => {
    const report = reportOf('donor-helmet', { girths: helmetGirths });
    const given = helmetGirths.map((g) => g.girthMm);
    report.templates
      .filter((t) => t.edges.length === 4 && t.id.startsWith('band'))
      .forEach((t, i) => {
        const long = t.edges.map((e) => e.lengthMm).sort((a, b) => b - a);
        expect(long[0]).to.be.closeTo(given[i]!, 0.002 * given[i]!);
        expect(long[1]).to.be.closeTo(given[i + 1]!, 0.002 * given[i + 1]!);
      });
  });

  it('looks down from its peak, so that lamps in it shine on the face', () => {
    const report = partReport(
      partOf(
        'donor-helmet',
        {},
        {
          features: [
            feature('lamps', 'peak', {
              count: 1,
              colour: 'white',
              body: '5mm',
              pitchMm: 20,
              shows: 'hole',
              awayMm: 5,
            }),
          ],
        },
      ),
      contextOf(),
    );
    const [lamp] = report.items;
    expect(lamp!.normal.z).to.be.closeTo(-1, 1e-6);
    expect(lamp!.at.y).to.be.above(0);
    expect(report.zone).to.equal('head');
    // A case lies flat in no bag, whatever is laid on it.
    expect(report.packed.how).to.equal('as it is');
  });
});
