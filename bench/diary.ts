import { chromium } from 'playwright-core';
import { chromiumFlags, go, Workbench } from '../e2e/harness';

const median = (values: number[]): number => values.sort((a, b) => a - b)[values.length >> 1]!;

/** A log of so many entries: until it is drawn from opening its page, and a letter typed for the next; medians, ms. */
export async function diaryMs(entries: number): Promise<{ shownMs: number; letterMs: number }> {
  const bench = await Workbench.open();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
  try {
    const text = await (await fetch(`${bench.url}/api/builds/demo-lampwarden-bracers/file`)).text();
    const file = JSON.parse(text) as { log: unknown[] };
    file.log = Array.from({ length: entries }, (_, i) => ({
      id: `entry-${i}`,
      at: new Date(Date.UTC(2026, 0, 1) + i * 3_600_000).toISOString(),
      subject: 'Hours at work',
      note: 'Contact cement on the left seam, half an hour of waiting.',
      planned: 2,
      actual: 1 + (i % 20) / 10,
      unit: 'h',
    }));
    const imported = await fetch(`${bench.url}/api/import`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(file),
    });
    const { id } = (await imported.json()) as { id: string };
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => localStorage.setItem('fomrik-tour', 'done'));
    const shown: number[] = [];
    for (let i = 0; i < 3; i++) {
      await page.goto('about:blank');
      const from = performance.now();
      await go(page, bench, 'log', id);
      await page.getByRole('button', { name: 'Erase: Hours at work' }).first().waitFor();
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
