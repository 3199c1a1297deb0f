import { expect } from 'chai';
import type { CDPSession, Page } from 'playwright-core';
import { chromium } from 'playwright-core';
import {
  chromiumFlags,
  drag,
  go,
  noGraveFaults,
  onWorkbench,
  openDetail,
  resting,
  saved,
  shows,
  type Workbench,
} from './harness';

/** Every kind of grip is dragged, and what it stands for follows; then all of it by keyboard, and by touch. */
describe('the bench by hand', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  const harness = 'demo-lampwarden-harness';
  const value = async (label: string): Promise<number> =>
    Number.parseFloat(await page.getByLabel(label, { exact: true }).inputValue());
  const choose = (part: RegExp): Promise<void> =>
    page.getByRole('navigation', { name: 'Rack' }).getByRole('button', { name: part }).click();

  it('a length and an angle are dragged on the solid, and their dimension is drawn while they are held', async () => {
    await go(page, bench, 'shape', harness);
    await choose(/^Greaves/);
    const edge = page.locator('[data-handle="endMm"]');
    const before = await value('Upper edge');
    await drag(edge, 0, 30, async () => (await value('Upper edge')) !== before);
    expect(await value('Upper edge')).to.be.below(before);
    await edge.hover();
    await page.locator('svg[data-dimension="endMm"]').waitFor();
    const seam = await value('Seam off the middle');
    await drag(
      page.locator('[data-handle="seamDeg"]'),
      26,
      0,
      async () => (await value('Seam off the middle')) !== seam,
    );
    expect(await value('Seam off the middle')).to.not.equal(seam);
    await page.getByRole('button', { name: 'Undo' }).click();
    await shows(page, 'Seam off the middle', String(seam));
  });

  it('focusing a field draws its dimension on solid and flat; dragging the one on the flat moves the number', async () => {
    await choose(/^Beacon helm/);
    await page.getByLabel('Skirt', { exact: true }).focus();
    await page.locator('svg[data-dimension="skirtMm"]').waitFor();
    const grip = page.locator('[data-flat-grip="skirtMm"]');
    await grip.waitFor();
    const before = await value('Skirt');
    const pxPerMm = await grip.evaluate((e: SVGCircleElement) => e.ownerSVGElement!.getScreenCTM()!.a);
    const { x, y, width, height } = (await grip.boundingBox())!;
    // Held by the pointer the field keeps its focus.
    await page.mouse.move(x + width / 2, y + height / 2);
    await page.mouse.down();
    await page.mouse.move(x + width / 2, y + height / 2 + 14, { steps: 5 });
    await page.mouse.up();
    for (let i = 0; i < 40 && (await value('Skirt')) === before; i++) await page.waitForTimeout(100);
    // Measured on the drawing itself: as far as the pointer went, along the dimension and no further.
    const moved = (await value('Skirt')) - before;
    expect(Math.abs(moved)).to.be.within(1, 14 / pxPerMm + 1.5);
    await page.keyboard.press('Control+z');
    await saved(page);
  });

  it('a dimension under the pointer marks its field', async () => {
    await page.locator('[data-handle="crestMm"]').hover();
    await page.locator('[data-field="crestMm"].bg-wash').waitFor();
  });

  it('a detail is moved on the flat piece, by pointer and by arrow keys, and snaps to the middle', async () => {
    await go(page, bench, 'shape', 'demo-lampwarden-bracers');
    const grip = page.locator('[data-flat-feature="bracer-1.row-1"]');
    const lamps = await openDetail(page, { kind: 'lamps' });
    const up = async (): Promise<number> =>
      Number.parseFloat(await lamps.getByLabel('From its lower edge', { exact: true }).inputValue());
    const before = await up();
    await drag(grip, 0, -18, async () => (await up()) !== before);
    expect(await up()).to.be.above(before);
    const now = await up();
    await grip.focus();
    await page.keyboard.press('Shift+ArrowDown');
    for (let i = 0; i < 40 && (await up()) === now; i++) await page.waitForTimeout(100);
    expect(now - (await up())).to.be.within(8, 12);
    const across = lamps.getByLabel('From its left edge', { exact: true });
    expect(await across.locator('..').textContent()).to.match(/50 %/);
    // Where it was: a row dragged more than once may hang over the edge.
    await lamps.getByLabel('From its lower edge', { exact: true }).fill(String(before));
    await page.keyboard.press('Enter');
    await saved(page);
  });

  it('a value of a detail has its dimension, and a grip that is moved', async () => {
    const lamps = await openDetail(page, { kind: 'lamps' });
    const spacing = lamps.getByLabel('Spacing', { exact: true });
    const mm = async (): Promise<number> => Number.parseFloat(await spacing.inputValue());
    await spacing.focus();
    await page.locator('[data-flat-dimension="pitchMm"]').waitFor();
    const before = await mm();
    const grip = page.locator('[data-handle^="pitchMm@"]');
    await grip.focus();
    await page.locator('svg[data-dimension="pitchMm"]').waitFor();
    await page.keyboard.press('ArrowUp');
    for (let i = 0; i < 40 && (await mm()) === before; i++) await page.waitForTimeout(100);
    expect(await mm()).to.equal(before + 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    for (let i = 0; i < 40 && (await mm()) !== before; i++) await page.waitForTimeout(100);
    expect(await mm()).to.equal(before);
    await saved(page);
  });

  it('a trim is dragged from its edge to another, on the flat', async () => {
    await go(page, bench, 'shape', harness);
    await choose(/^Pauldrons/);
    const trim = await openDetail(page, { id: 'pauldron-1.rim' });
    const edge = (): Promise<string> => trim.getByLabel('Edge', { exact: true }).inputValue();
    const before = await edge();
    const grip = page.locator('[data-flat-feature="pauldron-1.rim"][data-flat-point="0"]');
    await drag(grip, 0, -70, async () => (await edge()) !== before);
    expect(await edge()).to.not.equal(before);
    await page.getByRole('button', { name: 'Undo' }).click();
    for (let i = 0; i < 40 && (await edge()) !== before; i++) await page.waitForTimeout(100);
    expect(await edge()).to.equal(before);
    await go(page, bench, 'shape', 'demo-lampwarden-bracers');
  });

  it('details are copied to another part and removed, each in one step', async () => {
    const count = (): Promise<number> => page.locator('li[data-kind="lamps"]').count();
    const before = await count();
    await page.keyboard.press('Escape');
    await openDetail(page, { kind: 'lamps' });
    await page.locator('h1').click();
    await page.keyboard.press('Control+c');
    await page.keyboard.press('Control+v');
    for (let i = 0; i < 40 && (await count()) === before; i++) await page.waitForTimeout(100);
    expect(await count()).to.equal(before + 1);
    await page.keyboard.press('Delete');
    for (let i = 0; i < 40 && (await count()) !== before; i++) await page.waitForTimeout(100);
    expect(await count()).to.equal(before);
    await saved(page);
  });

  it('panes are dragged at their divider and remembered, and one fills the bench', async () => {
    const divider = page.getByRole('separator', { name: /Between the solid/ });
    const wide = async (): Promise<number> => (await resting(page.locator('canvas'))).width;
    const before = await wide();
    await drag(divider, 80, 0, async () => Math.abs((await wide()) - before) > 40);
    const after = await wide();
    expect(after - before).to.be.within(40, 120);
    await page.reload();
    await page.locator('canvas').waitFor();
    expect(await wide()).to.be.closeTo(after, 6);
    await page.keyboard.press('f');
    for (let i = 0; i < 40 && (await wide()) < 600; i++) await page.waitForTimeout(100);
    expect(await wide()).to.be.above(600);
    await page.keyboard.press('f');
    for (let i = 0; i < 40 && (await wide()) > 600; i++) await page.waitForTimeout(100);
    expect(await wide()).to.be.closeTo(after, 6);
  });

  it('what is selected is in the address, and is found again by it', async () => {
    await openDetail(page, { kind: 'pack' });
    expect(new URL(page.url()).searchParams.get('detail')).to.match(/^bracer-1\.pack/);
    await page.reload();
    await page.locator('li[data-kind="pack"] [aria-expanded="true"]').waitFor();
  });

  it('all by keyboard: a station, a view, a value, a grip, a new detail, its removal, and back', async () => {
    await go(page, bench, 'brief', 'demo-lampwarden-bracers');
    const { keyboard } = page;
    await page.locator('h1').click();
    await keyboard.press('3');
    await page.locator('[data-handle="endMm"]').waitFor();
    await keyboard.press('v');
    await page
      .getByLabel('View', { exact: true })
      .getByRole('button', { name: 'Front', pressed: true })
      .waitFor();
    const here = (): Promise<string> =>
      page.evaluate(
        () =>
          document.activeElement?.getAttribute('aria-label') ??
          (document.activeElement as HTMLInputElement | null)?.labels?.[0]?.innerText ??
          (document.activeElement as HTMLElement | null)?.innerText ??
          '',
      );
    const tabTo = async (what: RegExp, back = false): Promise<void> => {
      for (let i = 0; i < 160; i++) {
        if (what.test(await here())) return;
        await keyboard.press(back ? 'Shift+Tab' : 'Tab');
      }
      throw new Error(`${String(what)} is not reached by Tab`);
    };
    await tabTo(/^Ease in girth$/);
    const ease = await value('Ease in girth');
    await keyboard.press('ArrowUp');
    await shows(page, 'Ease in girth', `${ease + 1} mm`);
    await tabTo(/^Elbow edge from wrist: drag/, true);
    const edge = await value('Elbow edge from wrist');
    await keyboard.press('ArrowUp');
    await shows(page, 'Elbow edge from wrist', `${edge + 1} mm`);
    const holes = (): Promise<number> => page.locator('li[data-kind="hole"]').count();
    const before = await holes();
    await tabTo(/^Hole$/);
    await keyboard.press('Enter');
    for (let i = 0; i < 80 && (await holes()) === before; i++) await page.waitForTimeout(100);
    expect(await holes()).to.equal(before + 1);
    await keyboard.press('Delete');
    for (let i = 0; i < 80 && (await holes()) !== before; i++) await page.waitForTimeout(100);
    expect(await holes()).to.equal(before);
    for (let i = 0; i < 4; i++) await keyboard.press('Control+z');
    await shows(page, 'Ease in girth', `${ease} mm`);
    await keyboard.press('?');
    await page.getByRole('dialog', { name: 'Keys' }).waitFor();
    await tabTo(/^Take the tour$/);
    await keyboard.press('Enter');
    await page.getByRole('dialog', { name: 'Tour' }).waitFor();
    await noGraveFaults(page);
    await keyboard.press('Escape');
    await page.getByRole('dialog', { name: 'Tour' }).waitFor({ state: 'detached' });
    await saved(page);
  });

  it('by touch on an upright tablet: a part, the inspector, a value, a grip', async () => {
    const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: chromiumFlags });
    const context = await browser.newContext({
      viewport: { width: 820, height: 1180 },
      hasTouch: true,
      serviceWorkers: 'block',
    });
    const tablet = await context.newPage();
    tablet.setDefaultTimeout(60_000);
    const cdp: CDPSession = await context.newCDPSession(tablet);
    const touch = async (type: string, x?: number, y?: number): Promise<void> => {
      await cdp.send('Input.dispatchTouchEvent', {
        type: type as 'touchStart',
        touchPoints: x === undefined ? [] : [{ x, y: y! }],
      });
    };
    try {
      await go(tablet, bench, 'shape', harness);
      await tablet
        .getByRole('navigation', { name: 'Rack' })
        .getByRole('button', { name: /^Greaves/ })
        .tap();
      await tablet.getByRole('button', { name: /^Inspector \(/ }).tap();
      const field = tablet.getByLabel('Upper edge', { exact: true });
      await field.tap();
      await field.fill('300');
      await field.press('Enter');
      await tablet.getByRole('button', { name: /^Inspector \(/ }).tap();
      const grip = tablet.locator('[data-handle="endMm"]');
      await grip.waitFor();
      await tablet.waitForTimeout(2500);
      const { x, y, width, height } = (await grip.boundingBox())!;
      expect(Math.min(width, height), 'as large as a finger wants').to.be.at.least(28);
      const [px, py] = [x + width / 2, y + height / 2];
      await touch('touchStart', px, py);
      for (let i = 1; i <= 6; i++) await touch('touchMove', px, py + i * 6);
      await touch('touchEnd');
      await tablet.getByRole('button', { name: /^Inspector \(/ }).tap();
      for (let i = 0; i < 40 && (await field.inputValue()) === '300 mm'; i++)
        await tablet.waitForTimeout(100);
      expect(Number.parseFloat(await field.inputValue())).to.be.below(300);
      const small = await tablet.evaluate(() =>
        [...document.querySelectorAll<HTMLElement>('button, a, input, select')]
          .filter(
            (e) => e.offsetParent !== null && !e.closest('.sr-only') && !e.classList.contains('sr-only'),
          )
          .map((e) => ({ name: e.getAttribute('aria-label') ?? e.innerText, box: e.getBoundingClientRect() }))
          .filter(({ box }) => box.width > 2 && (box.width < 24 || box.height < 24))
          .map(({ name }) => name),
      );
      expect(small, 'targets under 24 px').to.deep.equal([]);
    } finally {
      await browser.close();
    }
  });
});
