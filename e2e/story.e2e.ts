import { expect } from 'chai';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import sharp from 'sharp';
import {
  calm,
  drag,
  figure,
  go,
  noGraveFaults,
  openDetail,
  openDrawer,
  saved,
  shows,
  type,
  type Tools,
  type Workbench,
  onWorkbench,
} from './harness';

/** A maker's whole way from tape measure to log, in one browser, told in order. */
describe('from tape measure to printed pattern', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  let open: Tools['open'];
  onWorkbench((tools) => ({ bench, page, open } = tools));

  const girth = async (): Promise<number> => {
    const text = (await page.getByRole('complementary', { name: 'Inspector' }).innerText()).replace(
      /\n/g,
      ' ',
    );
    return Number(/(\d+)\s*mm(?:\s*[+−]\d+)?\s*girth of the pattern/.exec(text)?.[1]);
  };
  const cuff = (): Promise<string | null> =>
    page.getByRole('button', { name: /^shell, cuff edge/ }).getAttribute('aria-label');
  const download = async (name: string): Promise<string> => {
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name }).click(),
    ]);
    return file.path();
  };

  it('opens the sample build from the shelf', async () => {
    await page.goto(bench.url);
    await page.getByRole('link', { name: 'Lampwarden bracers', exact: true }).click();
    await page.locator('canvas').waitFor();
    expect(await page.getByLabel('Stations').getByRole('link').count()).to.equal(7);
    expect(await figure(page, 'lightHours')).to.match(/^\d/);
  });

  it('carries a wider wrist and forearm through to the flat pattern', async () => {
    const before = await cuff();
    await page.keyboard.press('2');
    await type(page, 'Wrist girth', '17.2cm');
    await page.getByRole('tab', { name: 'Arm' }).click();
    await type(page, 'Widest forearm girth', '11 1/4"');
    await shows(page, 'Widest forearm girth', '285.8 mm');
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: /Shape/ }).click();
    await page.waitForFunction(
      (old) => document.querySelector('[aria-label^="shell, cuff edge"]')?.getAttribute('aria-label') !== old,
      before,
    );
    const mm = (text: string | null): number => Number(/([\d.]+) mm/.exec(text ?? '')![1]);
    expect(mm(await cuff()) - mm(before)).to.be.within(6, 12);
  });

  it('takes the reading back with undo, and forward again', async () => {
    const wide = await cuff();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.waitForFunction(
      (old) => document.querySelector('[aria-label^="shell, cuff edge"]')?.getAttribute('aria-label') !== old,
      wide,
    );
    await page.getByRole('button', { name: 'Redo' }).click();
    await page.getByRole('button', { name: 'Redo' }).click();
    await page.waitForFunction(
      (old) => document.querySelector('[aria-label^="shell, cuff edge"]')?.getAttribute('aria-label') === old,
      wide,
    );
  });

  it('pins 6 mm, tries 10 mm, and shows what that does everywhere', async () => {
    await openDrawer(page, 'Thickness trial');
    const before = await girth();
    await page.getByRole('button', { name: 'Pin', exact: true }).click();
    await page.getByText(/differences from/).waitFor();
    await page.locator('[data-trial="10"]').getByRole('button').click();
    await page
      .locator('[data-figure="massG"]')
      .getByText(/^\+\d+$/)
      .waitFor();
    // Twice k·Δt round the arm: 2π · 0.5 · 4 mm is 12.6 mm more pattern.
    expect((await girth()) - before).to.be.within(12, 14);
    await page.getByRole('button', { name: 'Compare' }).click();
    const table = await page.getByRole('dialog').innerText();
    expect(table).to.include('opening, Lamp bracer').and.to.match(/\+\d/);
    expect(table)
      .to.match(/Pieces that differ \(\d\)/)
      .and.to.match(/6 mm dense EVA → 10 mm dense EVA/);
    expect(table)
      .to.match(/Steps that differ \(\d+\)/)
      .and.to.match(/Shopping that differs \(\d+\)/);
    await page.keyboard.press('Escape');
  });

  it('loses nothing when the page is loaded again, not even undo', async () => {
    await saved(page);
    await page.reload();
    await page.locator('[data-trial="10"] [aria-pressed="true"]').waitFor();
    await page.getByText(/differences from/).waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.locator('[data-trial="6"] [aria-pressed="true"]').waitFor();
  });

  it('puts amber lamps, a switch and a pack in, and works out the circuit', async () => {
    // A flat pack behind a bent wall wants more room than the wall is away.
    await go(page, bench, 'shape');
    await type(page, 'Padding', '18 mm');
    await saved(page);
    await go(page, bench, 'inside');
    await page.getByRole('button', { name: 'Remove all' }).click();
    await page.getByRole('button', { name: 'Light it' }).click();
    await openDrawer(page, 'Circuit');
    await page.getByRole('img', { name: /Circuit: 3 × AAA.*[23] strings, [35][89] mA/ }).waitFor();
    expect(await page.getByText('130 Ω').count()).to.be.within(2, 3);
    await openDrawer(page, 'Hours');
    await page
      .getByRole('img', { name: /Run time [\d.]+ hours/ })
      .locator('svg')
      .first()
      .waitFor();
    expect(Number.parseFloat(await figure(page, 'lightHours'))).to.be.within(15, 45);
  });

  it('reads the bench meter, compares packs, and searches where the pack may sit', async () => {
    await openDrawer(page, 'Bench meter');
    await page.getByLabel('Volts across the slide switch, light on').fill('0,02');
    await page.getByRole('cell', { name: 'sound', exact: true }).waitFor();
    await page.getByLabel('Volts across the slide switch, light on').fill('4.5');
    await page.getByText('the switch is open or its joint is dry').waitFor();
    await openDrawer(page, 'Packs');
    await page.getByRole('row', { name: /3 × AAA flat holder \(now\)/ }).waitFor();
    expect(await page.getByRole('row', { name: /4 × AAA flat holder/ }).innerText()).to.match(/[\d.]+ h/);
    await openDrawer(page, 'Places');
    const places = page.getByRole('region', { name: 'Places' });
    await places.getByRole('button', { name: 'Search' }).click();
    await places.getByRole('button', { name: 'Put it there' }).first().waitFor();
    expect(await places.getByRole('listitem').first().innerText()).to.match(/mm to spare/);
    await noGraveFaults(page);
    await openDrawer(page, 'Circuit');
  });

  it('says when the pack does not fit, and cures it with one press', async () => {
    await go(page, bench, 'shape');
    await type(page, 'Padding', '2');
    const finding = page.locator('[data-rule^="pack-room"]');
    await finding.waitFor();
    expect(await finding.innerText()).to.match(/13 mm thick, the room behind shell is [\d.]+ mm/);
    await finding.getByRole('button', { name: /^Padding/ }).click();
    await finding.waitFor({ state: 'detached' });
  });

  it('keeps working while the server is away and saves when it is back', async () => {
    await saved(page);
    await bench.stop();
    await type(page, 'Ease in girth', '22');
    await page.locator('[data-save="away"]').waitFor();
    // Stations nobody has been to open all the same.
    await page.getByRole('link', { name: /^Log/ }).click();
    await page.getByRole('main', { name: 'Log' }).getByRole('button').first().waitFor();
    await page.getByRole('link', { name: /^Shape/ }).click();
    await bench.start();
    await saved(page);
    await page.reload();
    await page.getByLabel('Ease in girth', { exact: true }).waitFor();
    await shows(page, 'Ease in girth', '22 mm');
  });

  it('picks up a change that never reached the server', async () => {
    await bench.stop();
    await type(page, 'Ease in girth', '24');
    await page.locator('[data-save="away"]').waitFor();
    await page.close();
    await bench.start();
    page = await open();
    await go(page, bench, 'shape');
    await shows(page, 'Ease in girth', '24 mm');
    await saved(page);
  });

  it('drags the cuff edge along the arm as one step of undo', async () => {
    const field = page.getByLabel('Cuff edge from wrist', { exact: true });
    const mm = async (): Promise<number> => Number.parseFloat(await field.inputValue());
    await drag(page.locator('[data-handle="startMm"]'), 0, -26, async () => (await mm()) !== 10);
    expect(await mm()).to.be.within(16, 60);
    await page.getByRole('button', { name: 'Undo' }).click();
    await shows(page, 'Cuff edge from wrist', '10 mm');
  });

  it('drags lamps along the shell', async () => {
    await go(page, bench, 'inside');
    const grip = page.locator('[data-handle^="bracer-1.lamps"]');
    const up = (await openDetail(page, { kind: 'lamps' })).getByLabel('From its lower edge', { exact: true });
    const before = Number.parseFloat(await up.inputValue());
    const now = async (): Promise<number> => Number.parseFloat(await up.inputValue());
    await drag(grip, 12, -26, async () => (await now()) !== before);
    const after = await now();
    expect(after - before).to.be.within(3, 60);
  });

  it('hands out PDF, SVG, DXF and lists that say the same', async () => {
    await go(page, bench, 'cut');
    await type(page, 'Bar across measured', '98.5');
    const pdf = await download('Pattern, PDF');
    const text = execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' });
    expect(text)
      .to.include('Lampwarden bracers')
      .and.to.include('cut 2, one flipped')
      .and.to.include('bar measured 98.5 mm');
    expect(readFileSync(await download('Pattern, SVG'), 'utf8')).to.include('<g id="cut"');
    expect(readFileSync(await download('Pattern, DXF'), 'utf8')).to.include('LWPOLYLINE');
    expect(readFileSync(await download('Cut list, CSV'), 'utf8')).to.include('Lamp bracer');
    expect(readFileSync(await download('Steps, ICS'), 'utf8')).to.include('BEGIN:VEVENT');
  });

  it('follows the steps: a gate holds until what comes before is done', async () => {
    await go(page, bench, 'make');
    await page.getByRole('button', { name: /test again in the shell/ }).click();
    expect(await page.getByRole('button', { name: 'Done', exact: true }).isDisabled()).to.equal(true);
    expect(await page.getByLabel('The step', { exact: true }).innerText()).to.include(
      'Test the lights before gluing the lining',
    );
    await page.getByRole('button', { name: /^1\. Print/ }).click();
    // Read where it is taken: the bars at the print, a coat's millilitres at the coat.
    await type(page, 'Bar across measured', '99.5 mm');
    await shows(page, 'Bar across measured', '99.5 mm');
    await type(page, 'Bar across measured', '100 mm');
    await page
      .getByRole('button', { name: /coat 1 of/ })
      .first()
      .click();
    const coat = page.getByRole('form', { name: /^Reading: Sealer and paint/ });
    await coat.getByLabel(/it was, ml/).fill('none');
    await coat.getByRole('button', { name: 'Write it down' }).click();
    await coat.getByText('“none” is not a number of ml').waitFor();
    await coat.getByLabel(/it was, ml/).fill('75');
    await coat.getByRole('button', { name: 'Write it down' }).click();
    await coat.getByText(/Read: 75 ml\. .*yours, from 1 reading/).waitFor();
    await page.getByRole('button', { name: /^1\. Print/ }).click();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await page.getByText(/^1 of \d+ done/).waitFor();
    await page.getByRole('button', { name: /Try the paper on/ }).click();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await page.getByText(/^2 of \d+ done/).waitFor();
    // What it took, typed: a reading for every plan after.
    await page.getByRole('button', { name: /trace/ }).click();
    await page.getByLabel('It took, min').fill('soon');
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await page.getByText('“soon” is not a number of minutes').waitFor();
    await page.getByLabel('It took, min').fill('42');
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await page.getByText(/^3 of \d+ done/).waitFor();
  });

  it('shows the caution where it matters and starts a drying timer', async () => {
    await page.getByRole('button', { name: /cut 6 mm/ }).click();
    expect(await page.getByLabel('The step', { exact: true }).innerText()).to.include('Fresh blade');
    await page.getByRole('button', { name: 'Start the clock' }).click();
    await page.waitForFunction(() => document.title.includes('at work'));
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await page.getByRole('button', { name: /heat and form/ }).click();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await page.getByRole('button', { name: /heat and form/ }).click();
    await page
      .getByRole('timer')
      .getByText(/0:1\d:\d\d until foam cool/)
      .waitFor();
    await page.waitForFunction(() => document.title.includes('until foam cool'));
  });

  it('lays the work on weekdays, keeps tools quiet, and says what tonight is', async () => {
    await page.getByRole('tab', { name: 'Calendar' }).click();
    const monday = page.getByRole('group', { name: 'Your hours' }).getByLabel('Mon, h', { exact: true });
    await monday.fill('0');
    await monday.press('Enter');
    await page.getByLabel('Loud tools until').selectOption({ label: '20:00' });
    await page.getByRole('button', { name: 'Add a helper' }).click();
    await page
      .getByLabel('Steps', { exact: true })
      .getByText(/^(Tue|Wed|Thu|Fri|Sat|Sun) /)
      .first()
      .waitFor();
    await saved(page);
    expect(await page.getByLabel('Steps', { exact: true }).getByText(/^Mon /).count()).to.equal(0);
    await page.getByRole('tab', { name: 'Tonight' }).click();
    await page.getByRole('heading', { name: /day \d+ \w+: \d.* of work/ }).waitFor();
    await noGraveFaults(page);
  });

  it('asks whether it will be ready, and takes what would help in one step', async () => {
    await page.getByRole('tab', { name: 'Ready?' }).click();
    await page.getByRole('button', { name: 'Will it be ready?' }).click();
    await page.getByRole('heading', { name: /% likely to be ready in time/ }).waitFor();
    const row = page.getByRole('row', { name: /One colour, no weathering/ });
    await page.getByRole('button', { name: 'Recalculate' }).waitFor({ timeout: 60_000 });
    await row.getByRole('button', { name: 'Do that' }).click();
    await page.getByRole('button', { name: /paint 1 more colour/ }).waitFor({ state: 'detached' });
    await page.keyboard.press('Control+z');
    await page.getByRole('button', { name: /paint 1 more colour/ }).waitFor();
  });

  it('writes down what really happened against what was planned', async () => {
    await go(page, bench, 'log');
    await page.getByRole('button', { name: 'Hours of light' }).click();
    await page.getByLabel('Actual', { exact: true }).fill('a lot');
    await page.getByRole('button', { name: 'Write' }).click();
    await page.getByText('“a lot” is not a number').waitFor();
    await page.getByLabel('Actual', { exact: true }).fill('15');
    await page.getByLabel('Kind of entry').selectOption({ label: 'otherwise next time' });
    const entry = page.getByRole('form', { name: 'New entry' });
    const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#843' } })
      .jpeg()
      .toBuffer();
    await entry
      .locator('input[type=file]')
      .setInputFiles({ name: 'lamp.jpg', mimeType: 'image/jpeg', buffer: picture });
    await entry.getByRole('button', { name: 'Photo of the new entry, open large' }).waitFor();
    await page.getByRole('button', { name: 'Write' }).click();
    await page.getByRole('cell', { name: '15 h', exact: true }).waitFor();
    await page.getByRole('button', { name: 'Photo of Hours of light, open large' }).click();
    await page.getByRole('img', { name: 'Photo of Hours of light' }).waitFor();
    await page.keyboard.press('Escape');
    // The step ticked with its minutes stands beside what was planned of it.
    await page.getByRole('tab', { name: 'Against the plan' }).click();
    await page.getByRole('row', { name: /tracing.*42 min/ }).waitFor();
  });

  it('stows everything in a case, says what does not fit, and has a card for the day', async () => {
    await page.getByRole('tab', { name: 'Packing' }).click();
    await page.getByRole('button', { name: 'Case', exact: true }).click();
    await page.getByRole('img', { name: /^Suitcase 1 from above: Lamp bracer/ }).waitFor();
    await type(page, 'Deep', '60 mm');
    await page.getByText(/Lamp bracer.* goes into none of them/).waitFor();
    await type(page, 'Deep', '10 1/4"');
    await page.getByRole('img', { name: /^Suitcase 1 from above: Lamp bracer/ }).waitFor();
    await noGraveFaults(page);
    await page.getByRole('tab', { name: 'The day' }).click();
    await page
      .getByRole('article', { name: 'Card for the day' })
      .getByText(/^1\. Lamp bracer/)
      .waitFor();
    const file = await download('Event card, PDF');
    expect(execFileSync('pdftotext', [file, '-'], { encoding: 'utf8' })).to.include('Putting on');
  });

  it('learns from a finished part on the scale', async () => {
    await page.getByRole('tab', { name: 'What it really takes' }).click();
    await page
      .getByRole('row', { name: /Tracing, cutting/ })
      .getByText('yours, from 1 reading')
      .waitFor();
    const scale = page.getByRole('form', { name: 'A finished part weighed' });
    await scale.getByLabel('One copy weighs, g').fill('3');
    await scale.getByRole('button', { name: 'Take the weight' }).click();
    await scale.getByText('no more than its foam and fittings alone').waitFor();
    await scale.getByLabel('One copy weighs, g').fill('260');
    await scale.getByRole('button', { name: 'Take the weight' }).click();
    await page
      .getByRole('row', { name: /Mass of glue/ })
      .getByText('yours, from 1 reading')
      .waitFor();
    await page.getByRole('button', { name: /^Erase reading of one copy/ }).waitFor();
  });

  it('is all there after closing the tab and a server restart', async () => {
    await saved(page);
    await page.close();
    await bench.stop('SIGTERM');
    await bench.start();
    page = await open();
    await go(page, bench, 'log');
    await page.getByRole('cell', { name: '15 h', exact: true }).waitFor();
    await page.getByRole('button', { name: 'Photo of Hours of light, open large' }).waitFor();
    await page.getByRole('tab', { name: 'What it really takes' }).click();
    await page
      .getByRole('row', { name: /Mass of glue/ })
      .getByText('yours, from 1 reading')
      .waitFor();
    await go(page, bench, 'make');
    await page.getByText(/^5 of \d+ done/).waitFor();
  });

  it('undoes to the start', async () => {
    await go(page, bench, 'shape');
    const start = await page.getByLabel('Ease in girth', { exact: true }).inputValue();
    for (const ease of ['30', '31', '32', '33']) await type(page, 'Ease in girth', ease);
    const undo = page.getByRole('button', { name: 'Undo' });
    for (let i = 0; i < 200 && (await undo.isEnabled()); i++) await undo.click();
    expect(await undo.isEnabled()).to.equal(false);
    await shows(page, 'Ease in girth', start);
    expect(page.url()).to.include(calm);
  });
});
