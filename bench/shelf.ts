import { chromium } from 'playwright-core';
import { chromiumFlags, Workbench } from '../e2e/harness';

/** Milliseconds from the list's arrival to a drawn shelf of so many builds, median over `runs`, in the real browser. */
export async function shelfMs(builds: number, runs: number): Promise<number> {
  const bench = await Workbench.open();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
  try {
    const file = await (await fetch(`${bench.url}/api/builds/demo-lampwarden-bracers/file`)).text();
    for (let i = 0; i < builds; i++)
      await fetch(`${bench.url}/api/import`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: file,
      });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const times: number[] = [];
    for (let i = 0; i < runs; i++) {
      const arrived = page
        .waitForResponse((r) => r.url().endsWith('/api/builds'))
        .then(() => performance.now());
      await page.goto(bench.url);
      const from = await arrived;
      await page
        .getByRole('link', { name: /Lampwarden/ })
        .first()
        .waitFor();
      times.push(performance.now() - from);
    }
    return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;
  } finally {
    await browser.close();
    await bench.close();
  }
}
