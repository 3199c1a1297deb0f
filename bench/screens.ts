import { chromium, type Page } from 'playwright-core';
import { chromiumFlags, go, saved, type, Workbench } from '../e2e/harness';
import { report } from './history';

/**
 * Watches React by the hook it leaves for tools: how often it writes to the page, and the components it went through
 * for that; and tasks that hold up the page. Told to the page as text, as it is run there.
 */
const WATCH = `(() => {
  window.watched = { commits: 0, renders: 0, longest: 0 };
  const isNew = (fiber) => {
    const old = fiber.alternate;
    return !old || fiber.memoizedProps !== old.memoizedProps || fiber.memoizedState !== old.memoizedState;
  };
  const walk = (fiber) => {
    for (let child = fiber.child; child; child = child.sibling) {
      const component = typeof child.type === 'function' || (child.type && child.type.$$typeof);
      if (component && (child.flags & 1) && isNew(child)) watched.renders++;
      if (!child.alternate || child.alternate.child !== child.child) walk(child);
    }
  };
  window.__REACT_DEVTOOLS_GLOBAL_HOOK__ = {
    renderers: new Map(),
    supportsFiber: true,
    inject: () => 1,
    onCommitFiberUnmount() {},
    onPostCommitFiberRoot() {},
    onCommitFiberRoot(id, { current }) {
      watched.commits++;
      if (!current.alternate || current.alternate.child !== current.child) walk(current);
    },
  };
  new PerformanceObserver((list) => {
    for (const { duration } of list.getEntries()) watched.longest = Math.max(watched.longest, duration);
  }).observe({ type: 'longtask', buffered: true });
})()`;

interface Watched {
  commits: number;
  renders: number;
  longest: number;
}

const watched = (page: Page): Promise<Watched> =>
  page.evaluate(() => ({ ...(window as unknown as { watched: Watched }).watched }));

const forget = (page: Page): Promise<void> =>
  page.evaluate(() => {
    Object.assign((window as unknown as { watched: Watched }).watched, {
      commits: 0,
      renders: 0,
      longest: 0,
    });
  });

/** What is waited for after something was done, until the page is at rest, ms. */
const REST_MS = 4000;
const EDITS = 100;

async function heapMb(page: Page): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  await session.detach();
  return usedSize / 2 ** 20;
}

interface Screens {
  /** Each station of the harness, opened by its address with nothing in the page before. */
  opened: { station: string; shownMs: number; longestMs: number; scriptKb: number }[];
  /** One value typed on the bracers. */
  edit: { commits: number; renders: number };
  /** Of the page, before and after a hundred values typed. */
  heapMb: [number, number];
}

async function screens(stations: readonly string[]): Promise<Screens> {
  const bench = await Workbench.open();
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => localStorage.setItem('fomrik-tour', 'done'));
    await page.addInitScript(WATCH);
    let scriptKb = 0;
    page.on('response', (answer) => {
      if (answer.url().endsWith('.js') && answer.request().resourceType() === 'script')
        void answer.body().then(
          (body) => (scriptKb += body.length / 1000),
          () => undefined,
        );
    });
    const opened: Screens['opened'] = [];
    for (const station of stations) {
      await page.goto('about:blank');
      scriptKb = 0;
      const from = performance.now();
      await go(page, bench, station, 'demo-lampwarden-harness');
      const shownMs = performance.now() - from;
      await page.waitForTimeout(REST_MS);
      opened.push({ station, shownMs, longestMs: (await watched(page)).longest, scriptKb });
    }
    await page.goto('about:blank');
    await go(page, bench, 'shape');
    await page.waitForTimeout(REST_MS);
    const before = await heapMb(page);
    await forget(page);
    await type(page, 'Ease in girth', '21');
    await saved(page);
    await page.waitForTimeout(REST_MS);
    const { commits, renders } = await watched(page);
    for (let i = 0; i < EDITS; i++) await type(page, 'Ease in girth', String(15 + (i % 10)));
    await saved(page);
    await page.waitForTimeout(REST_MS);
    return { opened, edit: { commits, renders }, heapMb: [before, await heapMb(page)] };
  } finally {
    await browser.close();
    await bench.close();
  }
}

/** What the page costs the browser, line by line. */
export async function reportScreens(): Promise<void> {
  const shown = await screens(['brief', 'body', 'shape', 'inside', 'cut', 'make', 'log']);
  for (const { station, shownMs, longestMs, scriptKb } of shown.opened) {
    report(`browser, harness opened at ${station}`, shownMs, 'ms');
    report(`browser, at ${station}: the longest task`, longestMs, 'ms', 100);
    report(`browser, at ${station}: script read`, scriptKb, 'kB', 1200);
  }
  report('browser, a value typed: written to the page', shown.edit.commits, 'times', 3);
  report('browser, the same: components gone through', shown.edit.renders, 'of them', 80);
  const [before, after] = shown.heapMb;
  report('browser, memory of the page before a hundred edits', before, 'MB');
  report('browser, the same after them', after, 'MB', 2 * before);
}
