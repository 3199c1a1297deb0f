import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { go, troubled, type Workbench, onWorkbench, noGraveFaults } from './harness';

/** WCAG 2 A and AA by axe-core, on every screen, with findings showing. */
describe('every screen can be used by everyone', function () {
  this.timeout(180_000);
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

  for (const [width, height] of [
    [1280, 800],
    [1024, 768],
    [820, 1180],
  ] as const)
    it(`fits ${width} × ${height} without sideways scrolling or anything cut off, at every station`, async () => {
      await page.setViewportSize({ width, height });
      for (const station of ['brief', 'body', 'shape', 'inside', 'cut', 'make', 'log']) {
        await go(page, bench, station, troubled);
        await page.getByRole('main').waitFor();
        const over = await page.evaluate(() => ({
          page: document.documentElement.scrollWidth - window.innerWidth,
          bar: [...document.querySelectorAll('header, footer')].map((e) => e.scrollWidth - e.clientWidth),
          main: document.querySelector('main')!.scrollWidth - document.querySelector('main')!.clientWidth,
        }));
        expect(over.page, station).to.be.at.most(0);
        expect(Math.max(...over.bar), `${station}: bars`).to.be.at.most(1);
        expect(over.main, `${station}: bench`).to.be.at.most(1);
      }
    });

  it('keeps what was noticed in a drawer where it is narrow', async () => {
    await page.setViewportSize({ width: 820, height: 1180 });
    await go(page, bench, 'shape', troubled);
    const tales = page.getByRole('complementary', { name: 'Tell-tales' });
    expect(await tales.isVisible()).to.equal(false);
    await page.getByRole('button', { name: /^Noticed \d+/ }).click();
    await tales.waitFor();
  });
});
