import { expect } from 'chai';
import type { Page } from 'playwright-core';
import {
  calm,
  go,
  noGraveFaults,
  onWorkbench,
  openDetail,
  openDrawer,
  openGroup,
  saved,
  type Workbench,
} from './harness';

const helm = 'demo-lampwarden-harbour';

/** Drawn shapes, what was made before, what is probed and what the shoulders carry, on the real bench. */
describe('details and what is there already', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  const sheets = async (): Promise<number> =>
    Number.parseFloat((await page.locator('[data-figure="sheets"]').first().textContent())!);

  it('a shape is drawn on the bench while it is selected, and is cut as it is drawn', async () => {
    await go(page, bench, 'shape', calm);
    await openGroup(page, 'Details');
    await page
      .getByRole('group', { name: 'Add a detail' })
      .getByRole('button', { name: 'Draw a shape', exact: true })
      .click();
    const drawn = page.getByRole('group', { name: /^Outline, drawn: 4 points/ });
    await drawn.waitFor();
    const first = drawn.getByRole('button', { name: /^Point 1: / });
    const before = (await first.getAttribute('aria-label'))!;
    await first.focus();
    await page.keyboard.press('Shift+ArrowDown');
    await page.waitForFunction(
      (was) => document.querySelector('[aria-label^="Point 1: "]')?.getAttribute('aria-label') !== was,
      before,
    );
    await page.getByRole('button', { name: 'Flat', exact: true }).click();
    const piece = page.locator('[data-piece*="drawn-shape"]').first();
    await piece.waitFor();
    await page.getByLabel('It is', { exact: true }).selectOption('engraved');
    await piece.waitFor({ state: 'detached' });
    await saved(page);
    await noGraveFaults(page);
  });

  it('what is drawn on the solid is named by kind, not by every value it may have', async () => {
    const group = page.getByRole('group', { name: 'Draw on the solid' });
    const names = await group.getByRole('button').allTextContents();
    expect(names).to.include.members(['Draw a score', 'Draw a groove', 'Draw a hose']);
    expect(names.filter((n) => /acrylic|holes|EVA/.test(n))).to.deep.equal([]);
  });

  it('a part that is there already, or printed, is cut from no sheet, and comes back by undo', async () => {
    await page.keyboard.press('Escape');
    const before = await sheets();
    const rack = page.getByRole('navigation', { name: 'Rack' });
    /** Until as many sheets are laid out as before, or fewer. */
    const sheetsAre = (how: 'fewer' | 'as before'): Promise<unknown> =>
      page.waitForFunction(
        ([was, fewer]) => {
          const now = Number.parseFloat(document.querySelector('[data-figure="sheets"]')?.textContent ?? '');
          return fewer ? now < was : now === was;
        },
        [before, how === 'fewer'] as const,
      );
    await openGroup(page, 'How it is made');
    for (const { label, rackSays, shown } of [
      {
        label: 'It is there already',
        rackSays: 'there already',
        shown: page.getByLabel('Years old', { exact: true }),
      },
      {
        label: 'Its shell is printed',
        rackSays: 'printed',
        shown: page.getByText(/^\d+ g and \d+ g of support, .* on the bed/),
      },
    ]) {
      await page.getByRole('checkbox', { name: label }).check();
      await shown.waitFor();
      await rack.getByText(rackSays).waitFor();
      await sheetsAre('fewer');
      await page.getByRole('button', { name: 'Undo' }).click();
      await rack.getByText(rackSays).waitFor({ state: 'detached' });
      await sheetsAre('as before');
      await saved(page);
    }
  });

  it('a helmet’s walls are probed before they are drilled, and the plan says so until each cut is known', async () => {
    await go(page, bench, 'make', helm);
    await page
      .getByText(/probe \d+ places before they are drilled/)
      .first()
      .waitFor();
    await go(page, bench, 'shape', helm);
    await openDrawer(page, 'Fit');
    await page.getByText(/^Breath: the mouth is free/).waitFor();
    await page.getByText(/^Hearing: /).waitFor();
    await noGraveFaults(page);
  });

  it('what was found out about a detail is written beside it with its photograph, and is there where it is made', async () => {
    await go(page, bench, 'inside', calm);
    const pack = await openDetail(page, { kind: 'pack' });
    const photo = page.getByRole('button', { name: /^Photo of .*pack.*, open large$/i });
    await pack.getByLabel('Note', { exact: true }).fill('Rubs the seam at its lid');
    await pack.getByLabel('Note', { exact: true }).blur();
    await pack.getByLabel('Photograph it').setInputFiles({
      name: 'lid.png',
      mimeType: 'image/png',
      buffer: Buffer.from(
        'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
        'base64',
      ),
    });
    await photo.waitFor();
    await saved(page);
    await go(page, bench, 'make', calm);
    await page.getByRole('button', { name: /fit lamps, switch and pack/ }).click();
    const noted = page.getByRole('region', { name: 'Noted of its details' });
    await noted.getByText('Rubs the seam at its lid').waitFor();
    await photo.waitFor();
    await noGraveFaults(page);
    // The photograph came in one step, the note in another.
    await page.keyboard.press('Control+z');
    await photo.waitFor({ state: 'detached' });
    await noted.getByText('Rubs the seam at its lid').waitFor();
    await page.keyboard.press('Control+z');
    await noted.waitFor({ state: 'detached' });
    await saved(page);
  });
});
