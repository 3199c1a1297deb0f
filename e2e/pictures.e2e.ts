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

  it('colours are kept for the shop by a name, and taken for a part of another build', async () => {
    await page.getByLabel('Name of these colours').fill('Signal red');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await page.getByText('Signal red is kept.').waitFor();
    await go(page, bench, 'shape', 'demo-lampwarden-gull');
    await openGroup(page, 'Finish');
    await page.getByRole('button', { name: 'Signal red', exact: true }).click();
    const most = page.getByLabel('Most of it', { exact: true });
    await most.waitFor();
    expect(await most.inputValue()).to.equal('#b02020');
    await saved(page);
    await page.getByRole('button', { name: 'Remove Signal red from the shop' }).click();
    await page.getByText('Signal red is removed.').waitFor();
    await page.getByRole('button', { name: 'Signal red', exact: true }).waitFor({ state: 'detached' });
  });

  it('in the dark only what is lit is seen, with the same part by day beside it', async () => {
    await go(page, bench, 'shape', bracers);
    const solid = page.locator('[aria-label="Solid view"] canvas');
    const light = async (): Promise<number> => {
      const { data } = await sharp(await solid.screenshot())
        .greyscale()
        .raw()
        .toBuffer({ resolveWithObject: true });
      return data.reduce((sum, v) => sum + v, 0) / data.length;
    };
    await solid.waitFor();
    await page.waitForTimeout(800);
    const day = await light();
    await page.getByRole('button', { name: 'In the dark', exact: true }).click();
    await page.getByText('Lights off', { exact: true }).waitFor();
    await page.getByRole('figure').filter({ hasText: 'Lights off' }).locator('img').waitFor();
    await page.waitForTimeout(1500);
    expect(await light()).to.be.lessThan(0.35 * day);
    // Amber lamps, and what they cast.
    expect(await pixelsOf(page, [255, 176, 46])).to.be.greaterThan(30);
    await page.getByRole('button', { name: 'In the dark', exact: true }).click();
  });

  it('a picture is saved from the side that is looked at, as large as asked, on its background', async () => {
    await page.getByRole('button', { name: 'Take a picture' }).click();
    await page.getByLabel('Size, pixels').selectOption('1080 × 1080');
    await page.getByLabel('Background').selectOption('dark');
    await page.getByLabel('With its dimensions').check();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Save picture' }).click(),
    ]);
    const { data, info } = await sharp(readFileSync(await file.path()))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).to.deep.equal([1080, 1080]);
    expect([...data.subarray(0, 3)]).to.deep.equal([0x14, 0x18, 0x1a]);
    await page.keyboard.press('Escape');
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
    await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLInputElement>('input[type=range]')].some(
        (own) => own.labels?.[0]?.textContent === 'From flat pieces to the solid' && own.value === '1',
      ),
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

  it('a step is seen going together', async () => {
    await go(page, bench, 'make', bracers);
    await page
      .getByRole('list', { name: 'Steps' })
      .getByRole('button', { name: /glue|bend|heat/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'See it go together' }).click();
    const slider = page.getByLabel('From flat pieces to the solid');
    await slider.waitFor();
    const solid = page.locator('[aria-label="Solid view"] canvas');
    await page.waitForTimeout(1200);
    const begun = await solid.screenshot();
    await page.getByRole('button', { name: 'Play how it goes together' }).click();
    await page.waitForFunction(() => {
      const own = [...document.querySelectorAll<HTMLInputElement>('input[type=range]')].find(
        (r) => r.labels?.[0]?.textContent === 'From flat pieces to the solid',
      );
      return own !== undefined && Number(own.value) >= Number(own.max) - 0.006;
    });
    expect((await solid.screenshot()).equals(begun)).to.equal(false);
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
