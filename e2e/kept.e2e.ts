import { expect } from 'chai';
import type { BrowserContext, Page } from 'playwright-core';
import { calm, go, launch, onWorkbench, saved, shows, type, type Workbench, away, openAnew } from './harness';

/** What is typed, written or photographed is never lost: away servers, closed tabs, two devices, failing workers. */
describe('nothing is lost', function () {
  this.timeout(240_000);
  let bench: Workbench;
  let page: Page;
  let open: () => Promise<Page>;
  onWorkbench((tools) => {
    ({ bench, page } = tools);
    page.setDefaultTimeout(20_000);
    open = async () => {
      const tab = await tools.open();
      tab.setDefaultTimeout(20_000);
      return tab;
    };
  });

  // Tried once more, the server runs again and what is typed is new.
  let tries = 0;
  beforeEach(async () => {
    tries++;
    await bench.start();
    for (const left of page.context().pages()) if (left !== page) await left.close();
  });

  const girth = 'Ease in girth';
  const fresh = (from: number): string => String(from + tries);
  const about = (of: Page) => of.getByLabel('About', { exact: true });
  const noteOf = (of: Page) => of.getByLabel('What it is');

  it('brings two devices together that change different things', async () => {
    const other = await open();
    await go(page, bench, 'shape');
    await go(other, bench, 'brief');
    const ease = fresh(10);
    const note = `Bring ${tries} spare cells`;
    await type(page, girth, ease);
    await saved(page);
    await noteOf(other).fill(note);
    await noteOf(other).blur();
    await saved(other);
    await page.getByRole('link', { name: /Brief/ }).click();
    await page.waitForFunction(
      (wanted) => [...document.querySelectorAll('textarea')].some((t) => t.value === wanted),
      note,
    );
    await page.getByRole('link', { name: /Shape/ }).click();
    await shows(page, girth, `${ease} mm`);
    // Undo here takes back what was done here, and leaves what was done there.
    await page.keyboard.press('Control+z');
    await saved(page);
    await page.getByRole('link', { name: /Brief/ }).click();
    expect(await noteOf(page).inputValue()).to.equal(note);
    await other.close();
  });

  it('keeps the changes of a tab that was closed while the server was away, and picks them up', async () => {
    const tab = await open();
    await go(tab, bench, 'shape');
    await bench.stop();
    const ease = fresh(30);
    await type(tab, girth, ease);
    await away(tab);
    await tab.close({ runBeforeUnload: false });
    await bench.start();
    await page.goto('about:blank');
    await page.goto(`${bench.url}/build/${calm}/shape`);
    await page.getByText('Picked up changes').waitFor();
    await shows(page, girth, `${ease} mm`);
    await saved(page);
  });

  it('asks about the copy of another tab when the build was changed since, and adds it as one step', async () => {
    const tab = await open();
    await tab.route('**/live', (route) => route.abort());
    await go(tab, bench, 'shape');
    await tab.route(`**/api/builds/${calm}`, (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    const [first, second] = [fresh(40), fresh(50)];
    await type(tab, girth, first);
    await shows(tab, girth, `${first} mm`);
    await away(tab);
    const other = await open();
    await other.route(`**/api/builds/${calm}`, (route) =>
      route.request().method() === 'PUT' ? route.abort() : route.continue(),
    );
    await go(other, bench, 'shape');
    await type(other, girth, second);
    await away(other);
    await tab.close();
    await other.close();
    await openAnew(page, bench, 'shape');
    const copies = page.getByRole('alert').filter({ hasText: 'never saved' });
    await copies.nth(1).waitFor();
    expect(await copies.count()).to.equal(2);
    await copies.first().getByRole('button', { name: 'Add them' }).click();
    await shows(page, girth, `${second} mm`);
    await copies.first().getByRole('button', { name: 'Delete' }).click();
    await copies.waitFor({ state: 'detached' });
    await saved(page);
  });

  it('lets an entry of the log wait with its photograph, shows it, and sends it', async () => {
    await go(page, bench, 'log');
    await bench.stop();
    await page.getByLabel('Add photos').setInputFiles({
      name: 'tear.png',
      mimeType: 'image/png',
      buffer: Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        'base64',
      ),
    });
    await page.getByText('One photo waits').waitFor();
    await about(page).fill('Strap tore');
    await page.getByRole('button', { name: 'Write' }).click();
    const waiting = page.getByLabel('Entries that wait');
    await waiting.getByText('Strap tore').waitFor();
    await page.getByRole('button', { name: /waiting to be sent/ }).waitFor();
    await bench.start();
    await waiting.waitFor({ state: 'detached', timeout: 30_000 });
    await page.getByRole('button', { name: 'Photo of Strap tore, open large' }).waitFor();
    await about(page).fill('Half a thought');
    await page.reload();
    await about(page).waitFor();
    expect(await about(page).inputValue()).to.equal('Half a thought');
    await about(page).fill('');
  });

  it('says so where a worker is missing, and goes on when it is asked again', async () => {
    const tab = await open();
    await tab.addInitScript(() => {
      const Real = Worker;
      const page = window as unknown as { broken: boolean };
      page.broken = true;
      window.Worker = class extends Real {
        constructor(url: string | URL, options?: WorkerOptions) {
          super(page.broken ? '/assets/no-such-worker.js' : url, options);
        }
      };
    });
    await tab.goto(`${bench.url}/build/${calm}/shape`);
    const reported = tab.getByRole('alert').filter({ hasText: 'could not be calculated' });
    await reported.getByText('It could not be loaded').waitFor();
    expect(await tab.getByText('No problems here').count()).to.equal(0);
    await tab.evaluate(() => void ((window as unknown as { broken: boolean }).broken = false));
    await reported.getByRole('button', { name: 'Try again' }).click();
    await tab.getByLabel(girth, { exact: true }).waitFor();
    await reported.waitFor({ state: 'detached' });
    await tab.close();
  });

  it('shows names as they are, whatever is written in them, on every station', async () => {
    const name = '<img src=x onerror="window.caught=1">';
    const tab = await open();
    await go(tab, bench, 'brief');
    await tab.getByLabel('Name of the build').fill(name);
    await tab.getByLabel('Name of the build').blur();
    await saved(tab);
    for (const station of ['brief', 'body', 'shape', 'inside', 'cut', 'make', 'log']) {
      await go(tab, bench, station);
      await tab.getByRole('heading', { name }).waitFor();
    }
    await tab.goto(bench.url);
    await tab.getByText(name).waitFor();
    expect(await tab.evaluate(() => (window as { caught?: number }).caught)).to.equal(undefined);
    await tab.close();
  });
});

/** A tablet that was here before opens the build it last had, works on it, and brings it home. */
describe('a tablet while the server is away', function () {
  this.timeout(240_000);
  let bench: Workbench;
  onWorkbench((tools) => ({ bench } = tools));

  // Tried once more where a slow machine has not kept all files in time.
  beforeEach(() => bench.start());

  /** Loads the page anew; a busy machine may not wake what keeps the application in time, and a maker tries again. */
  const again = async (tablet: Page): Promise<void> => {
    for (let tries = 0; ; tries++)
      try {
        await tablet.reload();
        return;
      } catch (error) {
        if (tries === 5) throw error;
        await tablet.waitForTimeout(2000);
      }
  };

  it('opens the build it last had, takes ticks and sends them later', async () => {
    const browser = await launch();
    const context: BrowserContext = await browser.newContext({ viewport: { width: 820, height: 1180 } });
    const tablet = await context.newPage();
    tablet.setDefaultTimeout(20_000);
    await go(tablet, bench, 'make');
    await tablet.waitForFunction(async () => {
      const { active } = (await navigator.serviceWorker.getRegistration()) ?? {};
      return active?.state === 'activated' && (await (await caches.open('files')).keys()).length > 50;
    });
    await tablet.reload();
    await tablet.getByLabel('The step').waitFor();
    await tablet.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await bench.stop();
    await again(tablet);
    await tablet.getByLabel('The step').waitFor();
    await tablet.getByRole('button', { name: 'Done', exact: true }).click();
    await away(tablet);
    await again(tablet);
    await tablet.getByLabel('The step').waitFor();
    await bench.start();
    await saved(tablet);
    const kept = (await (await fetch(`${bench.url}/api/builds/${calm}`)).json()) as {
      doc: { make: { done: Record<string, string> } };
    };
    expect(Object.keys(kept.doc.make.done)).to.have.length.greaterThan(0);
    await browser.close();
  });
});
