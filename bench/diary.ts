import { chromium } from 'playwright-core';
import { chromiumFlags, go, withLog, Workbench } from '../e2e/harness';

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

/** A log of so many entries: until it is drawn from opening its page, and a letter typed for the next; medians, ms. */
export async function diaryMs(entries: number): Promise<{ shownMs: number; letterMs: number }> {
  const bench = await Workbench.open();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
  try {
    const id = await withLog(bench, entries);
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => localStorage.setItem('fomrik-tour', 'done'));
    const shown: number[] = [];
    for (let i = 0; i < 3; i++) {
      await page.goto('about:blank');
      const from = performance.now();
      await go(page, bench, 'log', id);
      await page
        .getByRole('button', { name: /^Erase/ })
        .first()
        .waitFor();
      shown.push(performance.now() - from);
    }
    await page.getByLabel('About', { exact: true }).focus();
    const letters: number[] = [];
    for (let i = 0; i < 20; i++)
      letters.push(
        await page.evaluate(async () => {
          const from = performance.now();
          document.execCommand('insertText', false, 'a');
          await new Promise((done) => requestAnimationFrame(() => setTimeout(done)));
          return performance.now() - from;
        }),
      );
    return { shownMs: median(shown), letterMs: median(letters) };
  } finally {
    await browser.close();
    await bench.close();
  }
}
