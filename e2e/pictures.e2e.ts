import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import { go, onWorkbench, openGroup, saved, type Workbench } from './harness';

/** How many pixels of the solid are of about a colour, by the canvas itself. */
async function pixelsOf(page: Page, [r, g, b]: [number, number, number]): Promise<number> {
  const shot = await page.locator('[aria-label="Solid view"] canvas').screenshot();
  const { data, info } = await sharp(shot).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const most = Math.max(r, g, b);
  let count = 0;
  for (let i = 0; i < data.length; i += info.channels) {
    const seen = [data[i]!, data[i + 1]!, data[i + 2]!];
    const size = Math.max(...seen, 1);
    // Of that hue, whatever the light makes of it.
    if (size > 30 && [r, g, b].every((c, k) => Math.abs(seen[k]! / size - c / most) < 0.14)) count += 1;
  }
  return count;
}

describe('pictures of what is made', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  const bracers = 'demo-lampwarden-bracers';

  it('parts hang on the rack by pictures of their solids', async () => {
    await go(page, bench, 'shape', bracers);
    const picture = page.getByRole('navigation', { name: 'Rack' }).locator('button img').first();
    await picture.waitFor();
    const shot = await picture.screenshot();
    const { data, info } = await sharp(shot).greyscale().raw().toBuffer({ resolveWithObject: true });
    const dark = data.filter((v) => v < 110).length / (info.width * info.height);
    expect(dark, 'share of the picture that is foam').to.be.within(0.08, 0.9);
  });

  it('colours are chosen, seen on the solid, and follow into steps and shopping; one step of undo each', async () => {
    await openGroup(page, 'Finish');
    await page.getByRole('button', { name: 'Choose colours' }).click();
    const most = page.getByLabel('Most of it', { exact: true });
    await most.fill('#b02020');
    await page.getByText('red #b02020').waitFor();
    expect(await pixelsOf(page, [176, 32, 32])).to.be.lessThan(200);
    await page.getByRole('button', { name: 'Finished', exact: true }).click();
    await page.waitForFunction(
      () => document.querySelector('[aria-pressed="true"][title*="colours"]') !== null,
    );
    await page.waitForTimeout(800);
    expect(await pixelsOf(page, [176, 32, 32])).to.be.greaterThan(2000);
    await saved(page);
    await page.getByLabel('Stations').getByRole('link', { name: /Make/ }).click();
    await page
      .getByText(/paint it red, satin/)
      .first()
      .waitFor();
    await page.getByLabel('Stations').getByRole('link', { name: /Shape/ }).click();
    await page.getByRole('button', { name: 'Finished', exact: true }).click();
  });

  it('flat pieces fold into the solid by a slider, and play', async () => {
    await page.getByRole('button', { name: 'Fold', exact: true }).click();
    const slider = page.getByLabel('From flat pieces to the solid');
    await slider.waitFor();
    const solid = page.locator('[aria-label="Solid view"] canvas');
    await slider.fill('1');
    await page.waitForTimeout(1500);
    const together = await solid.screenshot();
    await slider.fill('0');
    await page.waitForTimeout(600);
    expect((await solid.screenshot()).equals(together)).to.equal(false);
    await slider.fill('0.97');
    await page.getByRole('button', { name: 'Play how it goes together' }).click();
    await page.waitForFunction(
      () =>
        (document.querySelector('[aria-label="From flat pieces to the solid"]') as HTMLInputElement).value ===
        '1',
    );
    const whole = await solid.screenshot();
    await page.getByLabel('Apart', { exact: true }).fill('0.8');
    await page.waitForTimeout(600);
    expect((await solid.screenshot()).equals(whole), 'drawn apart').to.equal(false);
    await page.getByRole('button', { name: 'Fold', exact: true }).click();
    await slider.waitFor({ state: 'detached' });
  });

  it('a section cuts through the part and the wearer', async () => {
    await page.getByRole('button', { name: 'Section', exact: true }).click();
    const section = page.getByRole('figure', { name: 'Section' });
    await section.waitFor();
    await page.waitForFunction(() =>
      [...document.querySelectorAll('figure[aria-label="Section"] svg path')]
        .slice(0, 2)
        .every((p) => (p.getAttribute('d') ?? '').length > 100),
    );
    const before = await section.locator('path').nth(1).getAttribute('d');
    await section.getByRole('slider').fill('0.6');
    await page.waitForFunction(
      (was) => document.querySelectorAll('figure[aria-label="Section"] path')[1]?.getAttribute('d') !== was,
      before,
    );
    await page.getByRole('button', { name: 'Flat', exact: true }).click();
  });

  it('every step has its picture', async () => {
    await go(page, bench, 'make', bracers);
    const step = page.getByLabel('The step');
    await step.getByRole('img', { name: /^Picture:/ }).waitFor();
    for (let i = 0; i < 6; i++) {
      await page
        .getByRole('list', { name: 'Steps' })
        .getByRole('button')
        .nth(i * 3)
        .click();
      const title = await step.getByRole('heading', { level: 2 }).innerText();
      await step.getByRole('img', { name: `Picture: ${title}` }).waitFor();
      expect(
        await step
          .getByRole('img', { name: `Picture: ${title}` })
          .locator('path')
          .count(),
      ).to.be.greaterThan(1);
    }
  });

  it('the build book comes as a file, while the page goes on', async () => {
    await go(page, bench, 'cut', bracers);
    const [file] = await Promise.all([
      page.waitForEvent('download', { timeout: 120_000 }),
      page.getByRole('button', { name: 'Build book, PDF' }).click(),
    ]);
    expect(file.suggestedFilename()).to.match(/book\.pdf$/);
    const bytes = readFileSync(await file.path());
    expect(bytes.subarray(0, 5).toString()).to.equal('%PDF-');
    expect(bytes.length).to.be.within(50_000, 10e6);
  });
});
