import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { go, noGraveFaults, onWorkbench, saved, type Workbench } from './harness';

/** From flat pieces to sheets, on the real bench. */
describe('the cutting bench', function () {
  this.timeout(150_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  before(() => page.setDefaultTimeout(60_000));

  const nesting = () => page.getByRole('group', { name: 'Nesting' });
  const sheets = async (): Promise<number> =>
    Number(/Sheets: (\d+)/.exec((await page.getByRole('heading', { name: /^Sheets: / }).textContent())!)![1]);

  it('nests true shapes until it is stopped, keeps the best over a reload, and goes back to boxes', async () => {
    await go(page, bench, 'cut', 'demo-lampwarden-harness');
    const boxes = await sheets();
    await nesting()
      .getByText(/Laid by boxes/)
      .waitFor();
    await nesting().getByRole('button', { name: 'Nest true shapes' }).click();
    await nesting()
      .getByText(/\d+ sheets, \d+ % used, after \d+ tries; by area \d+ at least/)
      .waitFor();
    await page.waitForTimeout(4000);
    await noGraveFaults(page);
    await nesting().getByRole('button', { name: 'Stop and keep the best' }).click();
    await nesting()
      .getByText(/^Nested/)
      .waitFor();
    const nested = await sheets();
    expect(nested).to.be.at.most(boxes);
    await saved(page);
    await page.reload();
    await nesting()
      .getByText(/^Nested/)
      .waitFor();
    expect(await sheets()).to.equal(nested);
    await nesting().getByRole('button', { name: 'Back to boxes' }).click();
    await nesting()
      .getByText(/Laid by boxes/)
      .waitFor();
    expect(await sheets()).to.equal(boxes);
    await page.getByRole('button', { name: 'Undo' }).click();
    await nesting()
      .getByText(/^Nested/)
      .waitFor();
    await saved(page);
  });
});
