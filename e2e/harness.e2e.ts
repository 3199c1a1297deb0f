import { expect } from 'chai';
import type { Page } from 'playwright-core';
import {
  go,
  noGraveFaults,
  onWorkbench,
  openDrawer,
  openGroup,
  saved,
  shows,
  type,
  type Workbench,
} from './harness';

const build = 'demo-lampwarden-harness';

/** Worn armour of many forms: body, parts, stretch, fit and thickness, in the real interface. */
describe('a harness of many forms', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  before(async () => {
    await go(page, bench, 'shape', build);
  });

  const rack = () => page.getByRole('navigation', { name: 'Rack' });

  it('shows the helmet in gores with its stretch, and what the slit lets see', async () => {
    await rack()
      .getByRole('button', { name: /^Beacon helm/ })
      .click();
    await page
      .getByRole('button', { name: /^gore 8, gore seam/ })
      .first()
      .waitFor({ state: 'attached' });
    await page.getByRole('button', { name: /^All \d+ figures/ }).click();
    expect(await page.getByRole('complementary', { name: 'Inspector' }).innerText()).to.include(
      'sees to each side',
    );
    await page.getByRole('button', { name: 'Stretch' }).click();
    await noGraveFaults(page);
  });

  it('says the collar does not pass the head and opens it with one press', async () => {
    await rack()
      .getByRole('button', { name: /Gorget/ })
      .click();
    const finding = page.locator('[data-rule="head"]');
    expect(await finding.innerText()).to.match(/leaves a \d+ mm opening at tier 3; this head needs 582 mm/);
    await finding.getByRole('button', { name: 'Open the back seam' }).click();
    await finding.waitFor({ state: 'detached' });
    await saved(page);
  });

  it('lights up the mate of a seam', async () => {
    await rack()
      .getByRole('button', { name: /Breastplate/ })
      .click();
    const centre = page.getByRole('button', { name: /^right half, centre/ });
    await centre.focus();
    await page
      .getByText(/centre/)
      .first()
      .waitFor();
    expect(await centre.getAttribute('aria-label')).to.match(/meets b left/);
  });

  it('adds a part by its place and flattens it with darts', async () => {
    await rack().getByRole('button', { name: 'Part', exact: true }).click();
    await page.getByRole('menuitem', { name: /Knee cop/ }).click();
    await page.getByRole('button', { name: /^cop, lower edge/ }).waitFor({ state: 'attached' });
    await type(page, 'Dome', '70');
    await openGroup(page, 'Flattening');
    await type(page, 'Darts at most', '0');
    await page.locator('[data-rule="stretch"]').waitFor();
    expect(await page.locator('[data-rule="stretch"]').innerText()).to.match(/must stretch \d+ %/);
    await page
      .locator('[data-rule="stretch"]')
      .getByRole('button', { name: /Allow 2 darts/ })
      .click();
    await shows(page, 'Darts at most', '2');
  });

  it('advises a thickness across the build and takes it at once', async () => {
    await openDrawer(page, 'Thickness trial');
    await page.getByRole('button', { name: 'Take all' }).click();
    await page.getByRole('region', { name: 'Thickness across the build' }).waitFor({ state: 'detached' });
  });

  it('measures head to foot: tabs, figure, estimates', async () => {
    await go(page, bench, 'body', build);
    await page.getByRole('tab', { name: 'Leg' }).click();
    await type(page, 'Calf girth', '15 1/2"');
    await shows(page, 'Calf girth', '393.7 mm');
    await page.getByRole('button', { name: 'Remove Knee girth, use the estimate' }).click();
    await page.getByText('est. from calf girth').first().waitFor();
    await page.getByRole('button', { name: 'Everything worn' }).click();
    await page.locator('canvas').first().waitFor();
    await noGraveFaults(page);
  });

  it('reads a scan as a tape would and takes the measures', async () => {
    await page.getByRole('button', { name: 'Try the simulated scanner' }).click();
    await page.getByText(/Waist girth: 8\d\d mm/).waitFor();
    await page.getByRole('button', { name: 'Use these' }).click();
    await page.getByRole('tab', { name: 'Trunk' }).click();
    const waist = Number.parseFloat(await page.getByLabel('Waist girth', { exact: true }).inputValue());
    expect(waist).to.be.closeTo(812, 12);
  });

  it('brings measures in from CSV, or says which line is wrong', async () => {
    const upload = (text: string) =>
      page
        .getByLabel('Measures as CSV')
        .setInputFiles({ name: 'm.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
    await upload('waistGirth,82cm\nelbow thing,3\n');
    await page.getByText(/Line 2: I do not know a measure called “elbow thing”/).waitFor();
    await upload('waistGirth,82cm\n');
    await shows(page, 'Waist girth', '820 mm');
    await saved(page);
  });

  it('takes a groove test once per foam and keeps it', async () => {
    await go(page, bench, 'cut', build);
    const row = page.getByRole('row', { name: /^6 mm light EVA/ });
    const field = row.getByLabel('Groove test');
    await field.fill('80');
    await field.press('Enter');
    expect(await row.innerText(), 'out of range is said at the field').to.match(/60/);
    await field.fill('4.4 mm');
    await field.press('Enter');
    await row.getByText('measured').first().waitFor();
    await saved(page);
    await page.reload();
    await row.getByText('measured').first().waitFor();
    expect(await field.inputValue()).to.equal('4.4 mm');
  });

  it('reads a scan of a head, asks nothing when its unit is plain, and offers its three measures', async () => {
    await go(page, bench, 'body', build);
    const rings = Array.from({ length: 40 }, (_, r) => (r / 39) * Math.PI);
    const context = 48;
    const points = rings.flatMap((polar) =>
      Array.from({ length: context }, (_, i) => {
        const a = (i / context) * 2 * Math.PI;
        return [
          7.6 * Math.sin(polar) * Math.cos(a),
          9.7 * Math.sin(polar) * Math.sin(a),
          11 * Math.cos(polar),
        ];
      }),
    );
    const faces = rings.slice(1).flatMap((_, r) =>
      Array.from({ length: context }, (_, i) => {
        const [a, b] = [r * context + i, r * context + ((i + 1) % context)];
        return `f ${a + 1} ${b + 1} ${b + context + 1}\nf ${a + 1} ${b + context + 1} ${a + context + 1}`;
      }),
    );
    await page.getByLabel('Body or head scan as OBJ, STL or PLY').setInputFiles({
      name: 'head.obj',
      mimeType: 'text/plain',
      buffer: Buffer.from([...points.map((p) => `v ${p.join(' ')}`), ...faces].join('\n')),
    });
    await page.getByText(/Head length: 19\d mm/).waitFor();
    expect(await page.getByLabel('Unit, as it looks').inputValue()).to.equal('cm');
    await page.getByRole('button', { name: 'Cancel' }).click();
  });

  it('prints every piece of every part', async () => {
    await go(page, bench, 'cut', build);
    await page.getByRole('group', { name: /^Sheet 1/ }).waitFor();
    const sheets = await page.getByRole('group', { name: /^Sheet \d+/ }).count();
    expect(sheets).to.be.greaterThan(2);
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Pattern, PDF' }).click(),
    ]);
    expect(await file.failure()).to.equal(null);
  });
});
