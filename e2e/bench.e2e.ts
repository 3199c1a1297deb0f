import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import {
  go,
  noGraveFaults,
  onWorkbench,
  openDetail,
  openDrawer,
  saved,
  shows,
  type,
  type Workbench,
} from './harness';

const build = 'demo-lampwarden-harness';

/** What is laid on the foam, drawn on it, and read off it, on the real bench. */
describe('the shaping bench', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  before(async () => {
    await go(page, bench, 'shape', build);
  });

  const choose = async (part: string): Promise<void> => {
    await page
      .getByRole('navigation', { name: 'Rack' })
      .getByRole('button', { name: new RegExp(part) })
      .click();
    await page.locator('canvas').waitFor();
  };
  const drawn = (piece: string): Locator => page.locator(`[data-piece="${piece}"]`);
  /** Waits until a text somewhere matches. */
  const says = async (where: Locator, what: RegExp): Promise<string> => {
    for (let i = 0; i < 100; i++) {
      const text = await where.innerText();
      if (what.test(text)) return text;
      await page.waitForTimeout(100);
    }
    throw new Error(`“${await where.innerText()}” does not say ${String(what)}`);
  };

  it('trims an edge, mitres it with the next, and cuts both as pieces', async () => {
    await choose('Greaves');
    await page.getByRole('button', { name: /^first half, lower edge/ }).focus();
    await page.getByRole('button', { name: 'Trim an edge' }).click();
    await drawn('greave-1.trim-1').waitFor({ state: 'attached' });
    await page.getByRole('button', { name: /^first half, gap/ }).focus();
    await page.getByRole('button', { name: 'Trim an edge' }).click();
    await page.getByRole('button', { name: /^trim, lower edge, mitred end/ }).waitFor({ state: 'attached' });
    await (await openDetail(page, { id: 'greave-1.trim-1' })).getByLabel('Width').fill('30');
    await page.keyboard.press('Enter');
    await page
      .getByRole('button', { name: /^trim, lower edge, square end, 30\.0 mm/ })
      .waitFor({ state: 'attached' });
    await noGraveFaults(page);
    await page.getByRole('button', { name: 'Remove trim 2' }).click();
    await drawn('greave-1.trim-2').waitFor({ state: 'detached' });
    await saved(page);
  });

  it('refuses a width out of range and keeps what was there', async () => {
    const row = await openDetail(page, { id: 'greave-1.trim-1' });
    await row.getByLabel('Width').fill('400');
    await page.keyboard.press('Enter');
    expect(await row.innerText()).to.match(/4.*120/);
    await page.keyboard.press('Escape');
    expect(await row.getByLabel('Width').inputValue()).to.equal('30 mm');
  });

  it('draws a scored line by pressing on the solid, and it lands on the flat', async () => {
    await choose('Back plate');
    await page.getByRole('button', { name: 'Draw a score' }).click();
    const canvas = (await page.locator('canvas').boundingBox())!;
    const [x, y] = [canvas.x + canvas.width * 0.4, canvas.y + canvas.height * 0.5];
    // The solid may still be on its way: a press beside it draws nothing, so it is pressed again.
    const first = page.getByRole('button', { name: 'Keep the line (1 point)' });
    for (let i = 0; i < 30 && !(await first.isVisible()); i++) {
      await page.mouse.click(x, y - 30);
      await first.waitFor({ timeout: 1000 }).catch(() => undefined);
    }
    await first.waitFor();
    await page.mouse.click(x, y + 30);
    await page.getByRole('button', { name: 'Keep the line (2 points)' }).click();
    await page.locator('[data-kind="line"]').waitFor();
    await page.locator('[data-piece] [data-layer="score"]').first().waitFor({ state: 'attached' });
  });

  it('moves, adds and takes away darts by hand, and the stretch answers', async () => {
    await choose('Pauldrons');
    const list = page.locator('[data-darts="cap"]');
    const before = await says(list, /dart/);
    expect(before).to.match(/1 dart, placed automatically/);
    await list.getByRole('button', { name: /Add a dart/ }).click();
    await says(list, /2 darts, placed by hand/);
    const mouth = page.locator('[data-dart="cap-0-mouth"]');
    await mouth.focus();
    await page.keyboard.press('Delete');
    await says(list, /1 dart, placed by hand/);
    // A coarse answer comes first; the full one counts.
    const settled = async (): Promise<string> => {
      for (let last = ''; ;) {
        const now = await list.innerText();
        if (now === last) return now;
        last = now;
        await page.waitForTimeout(700);
      }
    };
    // The worst stretch is eased to what the foam takes; how far it refolds tells one dart from another.
    const refolds = /refolds within [\d.]+ mm/.exec(await settled())![0];
    const grip = (await page.locator('[data-dart="cap-0-tip"]').boundingBox())!;
    const at = (await page.locator('[data-dart="cap-0-mouth"]').boundingBox())!;
    await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
    await page.mouse.down();
    // Halfway back to the mouth: a shorter dart takes up less.
    await page.mouse.move((grip.x + at.x + at.width) / 2, (grip.y + at.y + at.height) / 2, { steps: 5 });
    await page.mouse.up();
    await says(list, new RegExp(`refolds within (?!${refolds.slice(15)})`));
    await page.keyboard.press('Control+z');
    await says(list, new RegExp(refolds));
    await list.getByRole('button', { name: 'Place them automatically' }).click();
    await says(list, /1 dart, placed automatically/);
  });

  it('slides a seam on the solid', async () => {
    await choose('Greaves');
    const seam = page.locator('[data-handle="seamDeg"]');
    await seam.focus();
    for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowRight');
    await shows(page, 'Seam off the middle', '30');
    await page.getByRole('button', { name: /^second half, seam/ }).waitFor({ state: 'attached' });
  });

  it('tells how it fits: gaps, moving, order of putting on, straps', async () => {
    await openDrawer(page, 'Fit');
    expect(await page.getByLabel('How it sits').innerText()).to.match(/Nearest the body: \d+/);
    expect(await page.getByLabel('Moving').innerText()).to.match(/knee bends/);
    expect(await page.getByLabel('Putting on').innerText()).to.match(
      /Gorget: slipped on over the head .*does not pass/,
    );
    await page.keyboard.press('g');
    expect(
      await page.getByRole('button', { name: 'Gap', exact: true }).getAttribute('aria-pressed'),
    ).to.equal('true');
    await noGraveFaults(page);
    await page.keyboard.press('g');
  });

  it('hangs a new part where the figure is pressed', async () => {
    await page.getByRole('button', { name: 'On the figure' }).click();
    await page.waitForTimeout(1500);
    const canvas = (await page.locator('canvas').boundingBox())!;
    const forms = page.getByRole('group', { name: 'Forms for this place' });
    // Down the middle of the right thigh, until bare body is met.
    for (let y = 0.52; y < 0.72 && (await forms.count()) === 0; y += 0.03) {
      await page.mouse.click(canvas.x + canvas.width * 0.46, canvas.y + canvas.height * y);
      await page.waitForTimeout(300);
    }
    await forms.getByRole('button', { name: 'Thigh' }).click();
    await page
      .getByRole('navigation', { name: 'Rack' })
      .getByRole('button', { name: /^Thigh/ })
      .waitFor();
    await page.getByRole('button', { name: 'On the figure' }).click();
    await type(page, 'Ease in girth', '22');
    await shows(page, 'Ease in girth', '22 mm');
    await saved(page);
  });
});
