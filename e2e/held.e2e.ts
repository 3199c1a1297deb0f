import { photographed } from '@fomrik/core/picture';
import { expect } from 'chai';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import {
  drag,
  figure,
  go,
  noGraveFaults,
  onWorkbench,
  openDrawer,
  saved,
  shows,
  type,
  type Workbench,
} from './harness';

const build = 'demo-lampwarden-arms';

/** What is held in the hand, from a stick to its cut list, on the real bench. */
describe('the arms on the bench', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  before(async () => {
    await go(page, bench, 'shape', build);
  });

  const rack = () => page.getByRole('navigation', { name: 'Rack' });
  const choose = async (part: string): Promise<void> => {
    await rack()
      .getByRole('button', { name: new RegExp(`^${part}`) })
      .click();
    await page.locator('canvas').waitFor();
  };

  it('nests parts under what they are mounted on, and folds them away', async () => {
    await rack()
      .getByRole('button', { name: /^Wick-pike, lantern/ })
      .waitFor();
    await rack().getByRole('button', { name: 'Fold what is mounted on Wick-pike, shaft' }).click();
    await rack()
      .getByRole('button', { name: /^Wick-pike, lantern/ })
      .waitFor({ state: 'detached' });
    await rack().getByRole('button', { name: 'Unfold what is mounted on Wick-pike, shaft' }).click();
    await rack()
      .getByRole('button', { name: /^Wick-pike, lantern/ })
      .waitFor();
    await noGraveFaults(page);
  });

  it('cures a tang too wide for its hollow handle', async () => {
    await choose('Fog knife, blade');
    await shows(page, 'Tang width', '20 mm');
    await page.getByRole('button', { name: 'Tang 18 mm wide' }).click();
    await shows(page, 'Tang width', '18 mm');
    await page.getByText(/the tang is .* corner to corner/).waitFor({ state: 'detached' });
  });

  it('takes sheets for a thickness, and a layer away again', async () => {
    await type(page, 'Together they should be', '12 mm');
    await page.getByRole('button', { name: 'Take 6 and 6 mm' }).click();
    await page.locator('[data-row="layer-2"]').waitFor();
    await page.locator('[data-row="layer-3"]').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Remove layer 2' }).click();
    await page.locator('[data-row="layer-2"]').waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await page.locator('[data-row="layer-2"]').waitFor();
    await saved(page);
  });

  it('draws an outline: a point is dragged, typed, made smooth, mirrored, and one comes from a file', async () => {
    await choose('Signal pistol, body');
    const drawing = page.getByRole('group', { name: /^Outline, drawn/ });
    await drawing.scrollIntoViewIfNeeded();
    const point = page.getByRole('button', { name: /^Point 2: -8 across, 0 up/ });
    await drag(point, 12, 0, async () => (await point.count()) === 0);
    await point.waitFor({ state: 'detached' });
    await page.getByRole('button', { name: /^Point 1:/ }).focus();
    await page.keyboard.press('ArrowLeft');
    await page.getByRole('button', { name: /^Point 1: -53 across, 0 up/ }).waitFor();
    const folder = mkdtempSync(join(tmpdir(), 'fomrik-outline-'));
    const file = join(folder, 'plate.svg');
    writeFileSync(file, '<svg width="80mm" viewBox="0 0 80 120"><path d="M0 0H80V120H0Z"/></svg>');
    await page.getByLabel('Read SVG or DXF').setInputFiles(file);
    await page.getByText('4 points read from plate.svg, within 0.1 mm.').waitFor();
    await page.getByRole('button', { name: /^Point \d: 40 across, 120 up/ }).waitFor();
    writeFileSync(file, '<svg viewBox="0 0 8 12"><path d="M0 0H8V12H0Z"/></svg>');
    await page.getByLabel('Read SVG or DXF').setInputFiles(file);
    await page.getByLabel('Its unit').selectOption({ label: 'centimetres' });
    await page.getByRole('button', { name: /^Point \d: 40 across, 120 up/ }).waitFor();
    await page.getByRole('button', { name: 'Draw in' }).click();
    await page.getByRole('button', { name: /^Point \d: 35 across, 115 up/ }).focus();
    await page.getByLabel('The line here').selectOption('arc');
    await page.getByLabel('The side from here').selectOption('square');
    await drawing.locator('[data-square]').waitFor();
    await saved(page);
    await noGraveFaults(page);
    for (let i = 0; i < 7; i++) await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: /^Point 2: -8 across, 0 up/ }).waitFor();
    await saved(page);
  });

  it('tells how it balances and hangs, and takes another stick', async () => {
    await choose('Wick-pike, shaft');
    await openDrawer(page, 'Fit');
    const hand = page.getByRole('region', { name: 'In the hand' });
    expect(await hand.innerText()).to.match(/balances 2\d\d mm beyond/);
    const before = await figure(page, 'massG');
    await page.getByRole('button', { name: 'Take 28 mm dowel' }).click();
    await page.getByRole('row', { name: /28 mm dowel \(now\)/ }).waitFor();
    for (let i = 0; i < 50 && (await figure(page, 'massG')) === before; i++) await page.waitForTimeout(100);
    expect(await figure(page, 'massG')).to.not.equal(before);
    await page.keyboard.press('Control+z');
    await page.getByRole('row', { name: /1 in PVC pipe \(now\)/ }).waitFor();
    await page.getByRole('button', { name: /^Ballast in the foot/ }).click();
    await page.getByText(/balances .* is wanted/).waitFor({ state: 'detached' });
    await noGraveFaults(page);
  });

  it('parts it for the luggage and lists the sticks to buy', async () => {
    await go(page, bench, 'brief', build);
    await page.getByRole('button', { name: /^Part it at/ }).click();
    await page.getByText(/long as it travels/).waitFor({ state: 'detached' });
    await saved(page);
    await go(page, bench, 'cut', build);
    const sticks = page.getByRole('region', { name: 'Sticks' });
    expect(await sticks.innerText())
      .to.include('1 in PVC pipe')
      .and.to.include('the fewest there can be');
    await sticks.getByRole('img', { name: /^Stick 1: .*Wick-pike, shaft/ }).waitFor();
    await page.getByRole('img', { name: /^Wrap for a mitre 22\.5 deg/ }).waitFor();
    await noGraveFaults(page);
  });

  it('opens every tab of every part, sticks and boards alike', async () => {
    await go(page, bench, 'shape', build);
    const names = await rack().getByRole('button', { name: / · / }).allInnerTexts();
    expect(names.length).to.be.greaterThan(3);
    for (const text of names.slice(0, 5)) {
      await choose(text.split('\n')[0]!);
      const tabs = page.getByLabel('More at this station').getByRole('tab');
      for (let i = 0; i < (await tabs.count()); i++) {
        if ((await tabs.nth(i).getAttribute('aria-selected')) !== 'true') await tabs.nth(i).click();
        await page.getByRole('tabpanel').waitFor();
      }
    }
    expect(await page.getByText('Something went wrong on this screen').count()).to.equal(0);
  });

  it('parts a board along a line: two pieces, letters on both, one step to join them', async () => {
    await choose('Signal pistol, body');
    await page.getByRole('button', { name: 'Flat', exact: true }).click();
    const before = await page.locator('[data-piece]').count();
    await page.getByRole('button', { name: 'Divide it' }).click();
    await page.locator('[data-piece$="-b"]').first().waitFor({ state: 'attached' });
    expect(await page.locator('[data-piece]').count()).to.be.greaterThan(before);
    await page.getByRole('button', { name: /^Remove parting line/ }).click();
    await page.locator('[data-piece$="-b"]').first().waitFor({ state: 'detached' });
    await page.locator('main').getByRole('button', { name: 'Outline', exact: true }).click();
  });

  it('hangs a new head on the chosen stick', async () => {
    await go(page, bench, 'shape', build);
    await choose('Fog knife, handle');
    await rack().getByRole('button', { name: 'Part', exact: true }).click();
    await page.getByRole('menuitem', { name: /^Turned form/ }).click();
    await rack()
      .getByRole('button', { name: /^Turned form/ })
      .waitFor();
    expect(await page.getByLabel('Hangs from').locator('option:checked').innerText()).to.equal(
      'Fog knife, handle',
    );
    await saved(page);
  });

  it('shows how far a frame of pipes sags, and takes a stiffer pipe', async () => {
    await rack().getByRole('button', { name: 'Part', exact: true }).click();
    await page.getByRole('menuitem', { name: /^Frame of pipes/ }).click();
    await rack()
      .getByRole('button', { name: /^Frame of pipes/ })
      .waitFor();
    await openDrawer(page, 'Fit');
    const frame = page.getByRole('region', { name: 'Frame' });
    await frame.getByText(/^Held .*sags/).waitFor();
    const given = async (): Promise<number> =>
      Number((await frame.locator('strong').first().innerText()).replace(/[^\d.]/g, ''));
    const before = await given();
    await frame.getByRole('button', { name: 'Take 40 mm pressure pipe' }).click();
    await frame.getByRole('row', { name: /40 mm pressure pipe \(now\)/ }).waitFor();
    expect(await given()).to.be.lessThan(before);
    await page.getByRole('button', { name: 'Remove Frame of pipes' }).click();
    await saved(page);
  });

  it('takes a picture, marks it to scale, and lays it beneath an outline', async () => {
    await go(page, bench, 'brief', build);
    const book = page.getByRole('region', { name: 'Pictures' });
    const photo = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#876' } })
      .png()
      .toBuffer();
    const input = book.locator('input[type=file]');
    await input.setInputFiles({
      name: 'notes.png',
      mimeType: 'image/png',
      buffer: Buffer.from('no picture'),
    });
    await page.getByText(/notes\.png: This is not a PNG, JPEG or WebP/).waitFor();
    await input.setInputFiles({ name: 'gull.png', mimeType: 'image/png', buffer: photo });
    await book.getByText('Nothing says its size yet: mark a sheet or a known length.').waitFor();
    await book.getByLabel('Known length', { exact: true }).selectOption('typed');
    // The known length runs 160 of its pixels; so does the dashed line.
    await type(page, 'It is', '320 mm');
    await book.getByText(/The dashed line is 320 ± \d/).waitFor();
    await book.getByRole('button', { name: /^Known length, other end/ }).press('Shift+ArrowRight');
    await book.getByText(/The dashed line is 301 ± \d/).waitFor();
    // Handed to a field: taken with its doubt, or refused by its range.
    const give = book.getByRole('group', { name: 'Use this length for a part' });
    await give.getByLabel('The line is').selectOption({ label: 'Fog knife, blade: Length' });
    await give.getByRole('button', { name: 'Apply to the part' }).click();
    await give.getByText(/^Length of Fog knife, blade is 301(\.\d)? mm, ± \d/).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await noGraveFaults(page);
    await saved(page);
    await go(page, bench, 'shape', build);
    await choose('Signal pistol, body');
    const editor = page.getByRole('group', { name: /^Outline, drawn/ });
    const width = async (): Promise<number> => Number(await editor.locator('image').getAttribute('width'));
    await editor.locator('image').waitFor();
    await page.getByLabel('Picture beneath').selectOption({ label: 'gull' });
    await page.waitForFunction(() =>
      document.querySelector('g > image')?.getAttribute('width')?.startsWith('752'),
    );
    // 400 pixels at 320 mm in 170 of them.
    expect(await width()).closeTo((400 * 320) / 170, 1);
    await saved(page);
  });

  it('traces a paper template from a photograph and draws the part by it', async () => {
    // Straight from above: 1,500 / 900 pixels to the millimetre; a plate of 130 × 190 mm beside a sheet of A4.
    const shot = { widthPx: 1600, heightPx: 1200, tiltRad: 0, turnRad: 0, awayMm: 900, focalPx: 1500 };
    const ring = (points: [number, number][]) => points.map(([x, y]) => ({ x, y }));
    const pixels = photographed(
      [
        {
          grey: 250,
          outline: ring([
            [-295, -148.5],
            [-85, -148.5],
            [-85, 148.5],
            [-295, 148.5],
          ]),
        },
        {
          grey: 235,
          outline: ring([
            [60, -80],
            [150, -70],
            [180, 40],
            [120, 60],
            [100, 110],
            [50, 100],
          ]),
        },
      ],
      90,
      { ...shot, noise: 3, shade: 0.15 },
    );
    const template = await sharp(Buffer.from(pixels.data.buffer), {
      raw: { width: shot.widthPx, height: shot.heightPx, channels: 4 },
    })
      .png()
      .toBuffer();
    await go(page, bench, 'brief', build);
    const book = page.getByRole('region', { name: 'Pictures' });
    await book
      .locator('input[type=file]')
      .setInputFiles({ name: 'template.png', mimeType: 'image/png', buffer: template });
    await book.getByText('Nothing says its size yet: mark a sheet or a known length.').waitFor();
    await book.getByLabel('Known length', { exact: true }).selectOption('typed');
    // The known length runs 640 of its pixels.
    await type(page, 'It is', '384 mm');
    await book.getByText(/The dashed line is 384 ± \d/).waitFor();
    await saved(page);
    await go(page, bench, 'shape', build);
    await choose('Signal pistol, body');
    await page.getByLabel('Picture beneath').selectOption({ label: 'template' });
    const found = page.getByRole('group', { name: 'Traced from the picture' });
    await found.getByRole('button', { name: 'Trace its outlines' }).click();
    // The sheet is not marked as one, and so is the largest outline.
    await found.getByRole('button', { name: /^Take 1: 2(09\.\d|10(\.\d)?) ± / }).waitFor();
    const plate = found.getByRole('button', { name: /^Take 2: / });
    const [, across, up] = /Take 2: ([\d.]+) ± [\d.]+ × ([\d.]+) mm/.exec((await plate.textContent())!)!;
    expect(Number(across)).to.be.closeTo(130, 0.7);
    expect(Number(up)).to.be.closeTo(190, 1);
    await plate.click();
    const drawn = page.getByRole('group', {
      name: /^Outline, drawn: [6-9] points|^Outline, drawn: 1\d points/,
    });
    await drawn.waitFor();
    await noGraveFaults(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);
  });

  it('keeps a stunt version: unlit, a part left out, a value of its own, costed beside the hero', async () => {
    await go(page, bench, 'brief', build);
    const versions = page.getByRole('region', { name: 'Versions' });
    await versions.getByRole('button', { name: 'Stunt, unlit' }).click();
    const card = page.locator('[data-version="version-1"]');
    await card.getByLabel('Signal pistol, muzzle ring').uncheck();
    await versions.getByText('Differences: nothing lit; Signal pistol, muzzle ring left out.').waitFor();
    await versions.getByRole('row', { name: /^Stunt, unlit .* g /, exact: false }).waitFor();
    await noGraveFaults(page);
    await go(page, bench, 'shape', build);
    await rack().getByLabel('Version', { exact: true }).selectOption({ label: 'Stunt, unlit' });
    await rack()
      .getByRole('button', { name: /^Signal pistol, muzzle ring/ })
      .waitFor({ state: 'detached' });
    await rack().getByLabel('Edits go to').selectOption({ label: 'this one' });
    await choose('Fog knife, blade');
    await type(page, 'Length', '150 mm');
    await rack().getByLabel('Version', { exact: true }).selectOption({ label: 'as designed' });
    await shows(page, 'Length', '210 mm');
    await rack()
      .getByRole('button', { name: /^Signal pistol, muzzle ring/ })
      .waitFor();
    await rack().getByLabel('Version', { exact: true }).selectOption({ label: 'Stunt, unlit' });
    await shows(page, 'Length', '150 mm');
    await saved(page);
  });
});
