import { spawn } from 'node:child_process';
import { chromium } from 'playwright-core';
import { chromiumFlags } from './e2e/harness';
const port = 4711;
const child = spawn(process.execPath, ['server/dist/main.js', '--data', '/tmp/shotdata', '--seed', 'demo', '--web', 'web/dist', '--port', String(port)], { stdio: 'ignore' });
await new Promise((r) => setTimeout(r, 4000));
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const at = async (path: string, name: string, then?: () => Promise<void>): Promise<void> => {
  await page.goto(`http://127.0.0.1:${port}/build/${path}`);
  await page.waitForTimeout(6000);
  try { await then?.(); } catch (e) { console.log(name, String(e).slice(0, 300)); }
  await page.waitForTimeout(2500);
  await page.screenshot({ path: `/tmp/${name}.png` });
};
await at('demo-lampwarden-harness/shape', 's1', async () => { await page.getByRole('tab', { name: /fit/i }).first().click({ timeout: 5000 }); });
await at('demo-lampwarden-bracers/inside', 's2');
await browser.close();
child.kill();
