import { AxeBuilder } from '@axe-core/playwright';
import { expect } from 'chai';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type BrowserContext, type Locator, type Page } from 'playwright-core';

const root = new URL('..', import.meta.url).pathname;

/** Debian's Chromium, quiet, with WebGL in software; pages themselves are drawn faster without it. */
export const chromiumFlags = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-gpu-rasterization',
  '--js-flags=--max-semi-space-size=64',
  '--use-angle=swiftshader',
  '--enable-unsafe-swiftshader',
];

export const launch = (): Promise<Browser> =>
  chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });

function freePort(): Promise<number> {
  return new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
}

/** The real, built server on its own data, seeded with the demo; may be stopped and started again. */
export class Workbench {
  private child: ChildProcess | undefined;
  private constructor(
    readonly data: string,
    readonly port: number,
  ) {}

  static async open(): Promise<Workbench> {
    const bench = new Workbench(mkdtempSync(join(tmpdir(), 'fomrik-e2e-')), await freePort());
    await bench.start();
    return bench;
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Starts it, where it is not running. */
  start(): Promise<void> {
    if (this.child?.exitCode === null && this.child.signalCode === null) return Promise.resolve();
    const args = [
      'server/dist/main.js',
      '--data',
      this.data,
      '--port',
      String(this.port),
      '--seed',
      'demo',
      '--web',
      'web/dist',
    ];
    const child = spawn(process.execPath, args, { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] });
    this.child = child;
    return new Promise((resolve, reject) => {
      child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
      child.stdout.on('data', (chunk: Buffer) => {
        if (chunk.toString().includes('http://')) resolve();
      });
    });
  }

  stop(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const child = this.child!;
    if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
    return new Promise((resolve) => {
      child.removeAllListeners('exit');
      child.once('exit', () => resolve());
      child.kill(signal);
    });
  }

  async close(): Promise<void> {
    await this.stop();
    rmSync(this.data, { recursive: true, force: true });
  }
}

/** A page that fails the test when the application reports an error of its own. */
async function openPage(context: BrowserContext, errors: string[]): Promise<Page> {
  const page = await context.newPage();
  page.on('pageerror', (error) => errors.push(error.message));
  page.setDefaultTimeout(60_000);
  return page;
}

/** What a suite works with. */
export interface Tools {
  bench: Workbench;
  context: BrowserContext;
  page: Page;
  /** One more page of the same browser, watched like the first. */
  open: () => Promise<Page>;
}

/** A fresh workbench and browser for the suite it is called in; an error of the application fails the suite. */
export function onWorkbench(begin: (tools: Tools) => void): void {
  const errors: string[] = [];
  let bench: Workbench;
  let browser: Browser;
  before(async () => {
    bench = await Workbench.open();
    browser = await launch();
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      acceptDownloads: true,
      // What a device keeps for when the server is away is tried in a suite of its own.
      serviceWorkers: 'block',
    });
    const open = (): Promise<Page> => openPage(context, errors);
    begin({ bench, context, page: await open(), open });
  });
  after(async () => {
    await browser.close();
    await bench.close();
    expect(errors).to.deep.equal([]);
  });
}

/** No serious fault by WCAG 2 A and AA, as axe-core sees it. */
export async function noGraveFaults(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).analyze();
  const grave = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
  expect(grave.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)).to.deep.equal(
    [],
  );
}

export const calm = 'demo-lampwarden-bracers';
export const troubled = 'demo-lampwarden-bracers-troubled';

/** Goes to a station of a build and waits until its figures are there: from another station of it as a maker does, by its tab. */
export async function go(page: Page, bench: Workbench, station: string, build = calm): Promise<void> {
  const at = `/build/${build}/`;
  const tab = page.locator(`nav[aria-label="Stations"] a[href^="${at}${station}"]`);
  if (new URL(page.url()).pathname.startsWith(at) && (await tab.count()) > 0) await tab.click();
  else await page.goto(`${bench.url}${at}${station}`);
  await page.locator('[data-figure="massG"]').getByText(/\d/).first().waitFor();
  // The station's own code may still be on its way: without it nothing is there once the server is stopped.
  await page.locator('main').getByText('Loading…', { exact: true }).waitFor({ state: 'detached' });
}

/** Opens a station as it is opened first, with nothing in the page that was there before. */
export async function openAnew(page: Page, bench: Workbench, station: string, build = calm): Promise<void> {
  await page.goto('about:blank');
  await go(page, bench, station, build);
}

/** Opens a group of the inspector, where it is folded. */
export async function openGroup(page: Page, title: string): Promise<Locator> {
  const group = page
    .getByRole('complementary', { name: 'Inspector' })
    .getByRole('region', { name: title, exact: true });
  const head = group.getByRole('heading').getByRole('button').first();
  if ((await head.getAttribute('aria-expanded')) !== 'true') await head.click();
  return group;
}

/** Opens a detail of the part in the inspector, by its id or its kind, and gives its line. */
export async function openDetail(page: Page, which: { id: string } | { kind: string }): Promise<Locator> {
  const line = page
    .locator('id' in which ? `[data-feature="${which.id}"]` : `li[data-kind="${which.kind}"]`)
    .first();
  const head = line.getByRole('button').first();
  // Things put in are folded away where foam is shaped.
  await head.waitFor({ timeout: 3000 }).catch(() => openGroup(page, 'Put in'));
  await head.waitFor();
  if ((await head.getAttribute('aria-expanded')) !== 'true') await head.click();
  return line;
}

/** Adds a part by its menu, opened again where it closed: what is worked out just then may take the focus from it. */
export async function addPart(page: Page, name: RegExp): Promise<void> {
  const item = page.getByRole('menuitem', { name }).first();
  for (let tries = 0; tries < 3 && !(await item.isVisible()); tries++) {
    if (!(await page.getByRole('menu').first().isVisible()))
      await page.getByRole('button', { name: 'Part', exact: true }).click();
    await item.waitFor({ timeout: 20_000 }).catch(() => undefined);
  }
  await item.click();
}

/** Opens a tab of the drawer. */
export async function openDrawer(page: Page, name: string): Promise<void> {
  const tab = page.getByRole('tab', { name, exact: false });
  await tab.waitFor();
  if ((await tab.getAttribute('aria-selected')) !== 'true') await tab.click();
}

/** What a figure of the ledger shows. */
export const figure = async (page: Page, key: string): Promise<string> =>
  page.locator(`[data-figure="${key}"]`).innerText();

/** Types into a labelled field and commits it. */
export async function type(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

export const saved = (page: Page): Promise<void> => page.locator('[data-save="saved"]').waitFor();

/** Waits until the page says that the server is away; says what it says instead. */
export async function away(page: Page): Promise<void> {
  await page
    .locator('[data-save="away"]')
    .waitFor({ timeout: 30_000 })
    .catch(async () => {
      const says = await page.locator('[data-save]').first().getAttribute('data-save');
      throw new Error(`the page says “${says}”, not that the server is away`);
    });
}

/** Waits until a labelled field shows a text. */
export async function shows(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  for (let i = 0; i < 200; i++) {
    if ((await field.inputValue()) === text) return;
    await page.waitForTimeout(50);
  }
  throw new Error(`“${label}” shows “${await field.inputValue()}”, not “${text}”`);
}

/** Where something is once it has stopped moving: solids are framed anew when they have been worked out. */
export async function resting(
  what: Locator,
): Promise<{ x: number; y: number; width: number; height: number }> {
  await what.waitFor();
  for (let last = ''; ;) {
    const box = (await what.boundingBox())!;
    if (JSON.stringify(box) === last) return box;
    last = JSON.stringify(box);
    await what.page().waitForTimeout(500);
  }
}

/** Drags a grip by so many pixels until it took, at most thrice: what is drawn may be laid anew just as it is gripped. */
export async function drag(
  what: Locator,
  right: number,
  down: number,
  took: () => Promise<boolean>,
): Promise<void> {
  const { mouse } = what.page();
  for (let tries = 0; tries < 3; tries++) {
    const { x, y, width, height } = await resting(what);
    await mouse.move(x + width / 2, y + height / 2);
    await mouse.down();
    await mouse.move(x + width / 2 + right, y + height / 2 + down, { steps: 5 });
    await mouse.up();
    for (let looks = 0; looks < 10; looks++) {
      if (await took()) return;
      await what.page().waitForTimeout(200);
    }
  }
}

/** The bracers once more with a log of so many entries, an hour apart; its id. */
export async function withLog(bench: Workbench, entries: number): Promise<string> {
  const text = await (await fetch(`${bench.url}/api/builds/demo-lampwarden-bracers/file`)).text();
  const file = JSON.parse(text) as { log: unknown[] };
  file.log = Array.from({ length: entries }, (_, i) => ({
    id: `entry-${i}`,
    at: new Date(Date.UTC(2026, 0, 1) + i * 3_600_000).toISOString(),
    subject: `Evening ${i + 1}`,
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
  return ((await imported.json()) as { id: string }).id;
}
