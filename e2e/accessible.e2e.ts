import { AxeBuilder } from '@axe-core/playwright';
import { expect } from 'chai';
import type { Browser, Page } from 'playwright-core';
import { go, launch, openPage, troubled, Workbench } from './harness';

/** WCAG 2 A and AA by axe-core, on every screen, with findings showing. */
describe('every screen can be used by everyone', function () {
  this.timeout(60_000);
  let bench: Workbench;
  let browser: Browser;
  let page: Page;

  before(async () => {
    bench = await Workbench.open();
    browser = await launch();
    page = await openPage(await browser.newContext({ viewport: { width: 1280, height: 800 } }), []);
  });
  after(async () => {
    await browser.close();
    await bench.close();
  });

  const check = async (): Promise<void> => {
    const { violations } = await new AxeBuilder({ page }).analyze();
    const grave = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
    expect(
      grave.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`),
    ).to.deep.equal([]);
  };

  it('the shelf', async () => {
    await page.goto(bench.url);
    await page.getByText('Lampwarden bracers', { exact: true }).waitFor();
    await check();
  });

  for (const station of ['brief', 'body', 'shape', 'inside', 'cut', 'make', 'log']) {
    it(`the ${station} station`, async () => {
      await go(page, bench, station, troubled);
      await page.waitForTimeout(700);
      await check();
    });
  }

  it('fits a tablet held upright without sideways scrolling', async () => {
    await page.setViewportSize({ width: 1024, height: 768 });
    await go(page, bench, 'shape', troubled);
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(over).to.be.at.most(0);
  });
});
