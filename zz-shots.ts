import { Workbench, chromiumFlags } from './e2e/harness';
import { chromium } from 'playwright-core';
const bench = await Workbench.open();
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();

await page.goto(bench.url + '/build/demo-lampwarden-arms/shape'); await page.waitForTimeout(6000);
await page.getByRole('button', { name: /finial/ }).first().click(); await page.waitForTimeout(5000);
await page.screenshot({ path: '/tmp/pp/finial.png' });
await page.goto(bench.url + '/build/demo-lampwarden-arms/make'); await page.waitForTimeout(5000);
await page.getByText(/finial: bevel/).first().click(); await page.waitForTimeout(2500);
await page.screenshot({ path: '/tmp/pp/bevelstep.png' });
await page.keyboard.press('u'); await page.waitForTimeout(1500);
await page.screenshot({ path: '/tmp/pp/inches.png' });
await browser.close(); await bench.stop(); process.exit(0);
