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

  for (const station of ['brief', 'body', 'shape', 'inside', 'cut', 'make', 'log'])
    it(`the ${station} station, which fits every size of screen without sideways scrolling or anything cut off`, async () => {
      await page.setViewportSize({ width: 1280, height: 800 });
      await go(page, bench, station, troubled);
      await page.waitForTimeout(700);
      await noGraveFaults(page);
      for (const [width, height] of [
        [1280, 800],
        [1024, 768],
        [820, 1180],
      ] as const) {
        await page.setViewportSize({ width, height });
        const measured = () =>
          page.evaluate(() => ({
            page: document.documentElement.scrollWidth - window.innerWidth,
            bar: [...document.querySelectorAll('header, footer')].map((e) => e.scrollWidth - e.clientWidth),
            main: document.querySelector('main')!.scrollWidth - document.querySelector('main')!.clientWidth,
          }));
        // Pictures follow a new size a moment later.
        let over = await measured();
        for (let looks = 0; looks < 20 && Math.max(over.page, over.main, ...over.bar) > 1; looks++) {
          await page.waitForTimeout(100);
          over = await measured();
        }
        expect(over.page, `${width}`).to.be.at.most(0);
        expect(Math.max(...over.bar), `${width}: bars`).to.be.at.most(1);
        expect(over.main, `${width}: bench`).to.be.at.most(1);
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
