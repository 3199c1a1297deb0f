import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { go, onWorkbench, withLog, type Workbench } from './harness';

/** A log longer than a screen likes: its newest entries first drawn, older ones by asking, every one still there. */
describe('a long log', function () {
  this.timeout(120_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));

  it('shows its newest entries, then the older ones as they are asked for', async () => {
    const id = await withLog(bench, 450);
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
