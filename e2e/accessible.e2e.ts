import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { go, troubled, type Workbench, onWorkbench, noGraveFaults } from './harness';

/** WCAG 2 A and AA by axe-core, on every screen, with findings showing. */
describe('every screen can be used by everyone', function () {
  this.timeout(60_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));

  it('the shelf', async () => {
    await page.goto(bench.url);
    await page.getByText('Lampwarden bracers', { exact: true }).waitFor();
    await noGraveFaults(page);
  });

  for (const station of ['brief', 'body', 'shape', 'inside', 'cut', 'make', 'log']) {
    it(`the ${station} station`, async () => {
      await go(page, bench, station, troubled);
      await page.waitForTimeout(700);
      await noGraveFaults(page);
    });
  }

  it('fits a tablet held upright without sideways scrolling', async () => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await go(page, bench, 'shape', troubled);
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over).to.be.at.most(0);
  });
});
