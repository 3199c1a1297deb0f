import { expect } from 'chai';
import type { LogEntry } from '../document';
import { spentOf } from './spent';

const entry = (actual: number | null, unit: string, sort?: LogEntry['sort']): LogEntry => ({
  id: `e${actual}${unit}`,
  at: '2026-11-26T10:00:00Z',
  subject: 'foam',
  note: '',
  planned: null,
  actual,
  unit,
  ...(sort && { sort }),
});

describe('receipts', () => {
  it('are added in the currency of the build; others, and what is no receipt, are not', () => {
    const log = [
      entry(12.5, 'EUR', 'bought'),
      entry(7.25, 'EUR', 'bought'),
      entry(9, 'USD', 'bought'),
      entry(400, 'EUR'),
      entry(null, 'EUR', 'bought'),
    ];
    expect(spentOf(log, 'EUR')).to.deep.equal({ receipts: 2, total: 19.75, other: 1 });
    expect(spentOf([], 'EUR')).to.deep.equal({ receipts: 0, total: 0, other: 0 });
  });
});
