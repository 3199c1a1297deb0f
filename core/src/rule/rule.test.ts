import { expect } from 'chai';
import {
  also,
  byKey,
  check,
  day,
  either,
  flag,
  id,
  list,
  nullable,
  object,
  oneOf,
  optional,
  tuple,
  type ValueOf,
  whole,
  within,
} from '.';

const boxRule = object({
  id,
  sizeMm: tuple(within(1, 100), within(1, 100)),
  lid: optional(oneOf('hinged', 'loose')),
  locked: flag,
  made: nullable(day),
  layers: also(list(whole(1, 9), { least: 1, most: 4 }), (layers) =>
    layers.includes(7) ? '{{#label}} has a layer of 7' : undefined,
  ),
  marks: byKey(id, within(0, 1), 2),
  on: either('kind', { shelf: { row: whole(1, 5) }, floor: {} }),
});
type Box = ValueOf<typeof boxRule>;

const box: Box = {
  id: 'a',
  sizeMm: [10, 20],
  made: null,
  layers: [1, 2],
  marks: { left: 0.5 },
  on: { kind: 'shelf', row: 2 },
};

describe('a rule', () => {
  it('lets through what is of its type, as it is', () => {
    for (const good of [
      box,
      { ...box, lid: 'loose', locked: true, made: '2026-02-28' },
      { ...box, on: { kind: 'floor' } },
    ])
      expect(check(boxRule, good)).to.deep.equal({ ok: true, value: good });
  });

  it('names the field of what is not, and what it may be', () => {
    const wrong: [object, string, RegExp][] = [
      [{ ...box, sizeMm: [10, 200] }, 'sizeMm.1', /less than or equal to 100/],
      [{ ...box, sizeMm: [10] }, 'sizeMm', /sizeMm/],
      [{ ...box, lid: 'glued' }, 'lid', /hinged, loose/],
      [{ ...box, locked: false }, 'locked', /locked/],
      [{ ...box, made: '2026-02-30' }, 'made', /not a day of the calendar/],
      [{ ...box, layers: [] }, 'layers', /at least 1/],
      [{ ...box, layers: [7] }, 'layers', /has a layer of 7/],
      [{ ...box, layers: ['2'] }, 'layers.0', /must be a number/],
      [{ ...box, marks: { a: 0, b: 0, c: 0 } }, 'marks', /marks/],
      [{ ...box, on: { kind: 'shelf' } }, 'on.row', /required/],
      [{ ...box, on: { kind: 'ceiling' } }, 'on.kind', /shelf, floor/],
      [{ ...box, colour: 'red' }, 'colour', /not allowed/],
      [{ id: 'a' }, 'sizeMm', /required/],
    ];
    for (const [value, field, says] of wrong) {
      const read = check(boxRule, value);
      expect(read.ok, field).to.equal(false);
      expect(read.field).to.equal(field);
      if (!read.ok) expect(read.message).to.match(says);
    }
  });
});
