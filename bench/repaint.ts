import { chromium } from 'playwright-core';
import { chromiumFlags, go, Workbench } from '../e2e/harness';

/** Milliseconds from a nudge of a handle to the first and to the last redrawn piece, medians over `runs`, in the real browser. */
export async function repaintMs(runs: number): Promise<{ firstMs: number; fullMs: number }> {
  const bench = await Workbench.open();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await go(page, bench, 'shape', 'demo-lampwarden-harness');
    await page.getByRole('button', { name: /^Greaves/ }).click();
    const handle = page.locator('[data-handle="endMm"]');
    await handle.waitFor();
    const times: { first: number; full: number }[] = [];
    for (let i = 0; i < runs; i++) {
      await handle.focus();
      const waited = page.evaluate(
        () =>
          new Promise<{ first: number; full: number }>((resolve) => {
            const started = performance.now();
            let first = 0;
            let last = 0;
            const seen = new MutationObserver(() => {
              last = performance.now() - started;
              first ||= last;
            });
            seen.observe(document.querySelector('[data-piece]')!, { subtree: true, attributes: true });
            setTimeout(() => {
              seen.disconnect();
              resolve({ first, full: last });
            }, 900);
          }),
      );
      await page.keyboard.press(i % 2 === 0 ? 'ArrowDown' : 'ArrowUp');
      times.push(await waited);
    }
    const median = (values: number[]): number => values.sort((a, b) => a - b)[Math.floor(values.length / 2)]!;
    return { firstMs: median(times.map((t) => t.first)), fullMs: median(times.map((t) => t.full)) };
  } finally {
    await browser.close();
    await bench.close();
  }
}
