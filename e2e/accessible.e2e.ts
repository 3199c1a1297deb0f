import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { wordFaults } from '../core/src/units/testing/plainWords';
import { go, troubled, type Workbench, onWorkbench, noGraveFaults } from './harness';

/** What is not plain English of all that a screen says, in text and to those who only hear it. */
async function wordsOn(page: Page): Promise<string[]> {
  const said = await page.evaluate(() => [
    ...document.body.innerText.split('\n'),
    ...[...document.querySelectorAll('[aria-label], [title]')].flatMap((e) => [
      e.getAttribute('aria-label') ?? '',
      e.getAttribute('title') ?? '',
    ]),
  ]);
  return [...new Set(said.flatMap(wordFaults))];
}

/** Buttons, labels and headings whose words are cut off, with nothing that says them whole. */
const cutLabels = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLElement>('button, label > span, th, h1, h2, h3, [role="tab"]')]
      .filter((e) => e.offsetParent !== null && e.title === '' && e.scrollWidth > e.clientWidth + 1)
      .filter((e) => getComputedStyle(e).overflow !== 'visible')
      .map((e) => e.innerText),
  );

/** Areas that scroll and are too low to work in, or of which two stand in one column; and whether the page itself scrolls. */
async function scrollFaults(page: Page): Promise<string[]> {
  const LEAST_PX = 400;
  const { areas, pageScrolls } = await page.evaluate(() => ({
    areas: [...document.querySelectorAll<HTMLElement>('*')]
      .filter(
        (e) =>
          e.offsetParent !== null &&
          e.tagName !== 'TEXTAREA' &&
          /auto|scroll/.test(getComputedStyle(e).overflowY) &&
          e.scrollHeight > e.clientHeight + 2,
      )
      .map((e) => ({
        name: `${e.tagName} ${e.getAttribute('aria-label') ?? e.className.slice(0, 60)}`,
        high: e.clientHeight,
        left: e.getBoundingClientRect().left,
        right: e.getBoundingClientRect().right,
      })),
    pageScrolls: document.documentElement.scrollHeight > window.innerHeight + 1,
  }));
  return [
    ...areas.filter((a) => a.high < LEAST_PX).map((a) => `${a.name} is ${a.high} px high`),
    ...areas.flatMap((a, i) =>
      areas
        .slice(i + 1)
        .filter((b) => Math.min(a.right, b.right) - Math.max(a.left, b.left) > 20)
        .map((b) => `${a.name} and ${b.name} scroll in one column`),
    ),
    ...(pageScrolls ? ['the page scrolls'] : []),
  ];
}

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
    expect(await wordsOn(page)).to.deep.equal([]);
  });

  for (const station of ['brief', 'body', 'shape', 'inside', 'cut', 'make', 'log'])
    it(`the ${station} station, which fits every size of screen without sideways scrolling or anything cut off`, async () => {
      await page.setViewportSize({ width: 1280, height: 800 });
      await go(page, bench, station, troubled);
      await page.waitForTimeout(700);
      await noGraveFaults(page);
      expect(await wordsOn(page)).to.deep.equal([]);
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
        expect(await cutLabels(page), `${width}: cut off`).to.deep.equal([]);
        expect(await scrollFaults(page), `${width}: scrolling`).to.deep.equal([]);
      }
    });

  it('keeps what was noticed in a drawer where it is narrow', async () => {
    await page.setViewportSize({ width: 820, height: 1180 });
    await go(page, bench, 'shape', troubled);
    const tales = page.getByRole('complementary', { name: 'Inspector' });
    expect(await tales.isVisible()).to.equal(false);
    await page.getByRole('button', { name: /^Inspector \(\d+/ }).click();
    await tales.waitFor();
  });
});
