import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { go, onWorkbench, type Workbench } from './harness';

/** A log longer than a screen likes: its newest entries first drawn, older ones by asking, every one still there. */
describe('a long log', function () {
  this.timeout(120_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));

  it('shows its newest entries, then the older ones as they are asked for', async () => {
    const text = await (await fetch(`${bench.url}/api/builds/demo-lampwarden-bracers/file`)).text();
    const file = JSON.parse(text) as { log: unknown[] };
    file.log = Array.from({ length: 450 }, (_, i) => ({
      id: `entry-${i}`,
      at: new Date(Date.UTC(2026, 0, 1) + i * 3_600_000).toISOString(),
      subject: `Evening ${i + 1}`,
      note: '',
      planned: null,
      actual: 1,
      unit: 'h',
    }));
    const imported = await fetch(`${bench.url}/api/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(file),
    });
    const { id } = (await imported.json()) as { id: string };
    await go(page, bench, 'log', id);
    const entry = (n: number) => page.getByRole('button', { name: `Erase: Evening ${n}`, exact: true });
    await entry(450).waitFor();
    expect(await entry(250).count()).to.equal(0);
    await page.getByRole('button', { name: 'Show 200 older entries of 250' }).click();
    await entry(51).waitFor();
    expect(await entry(50).count()).to.equal(0);
    await page.getByRole('button', { name: 'Show 50 older entries of 50' }).click();
    await entry(1).waitFor();
    expect(await page.getByRole('button', { name: /older entries/ }).count()).to.equal(0);
  });
});
