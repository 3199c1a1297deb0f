import { chromium, type Page } from 'playwright-core';
import { chromiumFlags, go, Workbench } from '../e2e/harness';

/** Told to the page as text, as it is run there. */
const COUNT_FRAMES = `new Promise((resolve) => {
  const times = [];
  let before = performance.now();
  requestAnimationFrame(function next(now) {
    times.push(now - before);
    before = now;
    if (times.length < 40) requestAnimationFrame(next);
    else resolve(times.slice(5));
  });
})`;

/** Milliseconds from frame to frame while the solid is turned by hand, the median. */
async function turning(page: Page): Promise<number> {
  const box = (await page.locator('[aria-label="Solid view"] canvas').boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height * 0.4];
  await page.mouse.move(x, y);
  await page.mouse.down();
  const frames = page.evaluate<number[]>(COUNT_FRAMES);
  for (let i = 0; i < 80; i++) await page.mouse.move(x + 60 * Math.sin(i / 6), y + 20 * Math.cos(i / 6));
  await page.mouse.up();
  const all = (await frames).sort((a, b) => a - b);
  return all[Math.floor(all.length / 2)]!;
}

/** Frame times of the harness' helmet: grey, in its finish, and in the dark. */
export async function frameTimes(): Promise<{ greyMs: number; finishedMs: number; darkMs: number }> {
  const bench = await Workbench.open();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await go(page, bench, 'shape', 'demo-lampwarden-harness');
    await page.locator('[aria-label="Solid view"] canvas').waitFor();
    await page.waitForTimeout(6000);
    const greyMs = await turning(page);
    await page.getByRole('button', { name: 'Finished', exact: true }).click();
    await page.waitForTimeout(2500);
    const finishedMs = await turning(page);
    await page.getByRole('button', { name: 'In the dark', exact: true }).click();
    await page.waitForTimeout(4000);
    const darkMs = await turning(page);
    return { greyMs, finishedMs, darkMs };
  } finally {
    await browser.close();
    await bench.close();
  }
}
