import type { BuildDoc } from '@fomrik/core/document';
import { derive } from '@fomrik/core/report';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Page } from 'playwright-core';
import { go, noGraveFaults, onWorkbench, saved, shows, type, type Workbench } from './harness';

/** From flat pieces to sheets, on the real bench. */
describe('the cutting bench', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  /** What is ticked stays so when a test is tried again. */
  let triedBefore = false;
  onWorkbench((tools) => ({ bench, page } = tools));

  const nesting = () => page.getByRole('group', { name: 'Nesting' });
  const sheets = async (): Promise<number> =>
    Number(/Sheets: (\d+)/.exec((await page.getByRole('heading', { name: /^Sheets: / }).textContent())!)![1]);

  it('nests true shapes until it is stopped, keeps the best over a reload, and goes back to boxes', async () => {
    await go(page, bench, 'cut', 'demo-lampwarden-harness');
    const boxes = await sheets();
    await nesting()
      .getByText(/Laid by boxes/)
      .waitFor();
    await nesting().getByRole('button', { name: 'Nest true shapes' }).click();
    await nesting()
      .getByText(/\d+ sheets, \d+ % used, after \d+ tries; no layout takes fewer than \d+/)
      .waitFor();
    await page.waitForTimeout(4000);
    await noGraveFaults(page);
    await nesting().getByRole('button', { name: 'Stop and keep the best' }).click();
    await nesting()
      .getByText(/^Nested/)
      .waitFor();
    const nested = await sheets();
    expect(nested).to.be.at.most(boxes);
    await saved(page);
    await page.reload();
    await nesting()
      .getByText(/^Nested/)
      .waitFor();
    expect(await sheets()).to.equal(nested);
    await nesting().getByRole('button', { name: 'Back to boxes' }).click();
    await nesting()
      .getByText(/Laid by boxes/)
      .waitFor();
    expect(await sheets()).to.equal(boxes);
    await page.getByRole('button', { name: 'Undo' }).click();
    await nesting()
      .getByText(/^Nested/)
      .waitFor();
    await saved(page);
  });

  it('moves a piece by hand to another sheet, drags and turns it, each one step to take back', async () => {
    const boxes = await sheets();
    const last = page.getByRole('button', { name: /: arrow keys move it/ }).last();
    const where = (): Promise<string | null> => last.getAttribute('points');
    await last.focus();
    await page
      .getByRole('group', { name: 'Piece in hand' })
      .getByRole('button', { name: 'To a fresh sheet' })
      .click();
    // Alone on its sheet it has room to be turned.
    await page.getByRole('heading', { name: new RegExp(`^Sheets: ${boxes + 1}`) }).waitFor();
    const before = await where();
    const becomes = async (wanted: (points: string | null) => boolean): Promise<void> => {
      for (let i = 0; i < 200; i++) {
        if (wanted(await where())) return;
        await page.waitForTimeout(50);
      }
      throw new Error('the piece stayed where it was');
    };
    await last.focus();
    await last.press('r');
    await becomes((points) => points !== before);
    await page.keyboard.press('Control+z');
    await becomes((points) => points === before);
    await page.keyboard.press('Control+z');
    await page.getByRole('heading', { name: new RegExp(`^Sheets: ${boxes}$`) }).waitFor();
    await noGraveFaults(page);
  });

  it('locks a piece: nesting goes on round it', async () => {
    const piece = page.getByRole('button', { name: /^1 .*: arrow keys move it/ }).first();
    await piece.focus();
    await page.getByRole('button', { name: 'Lock here' }).first().click();
    await page
      .getByRole('button', { name: /^1 .*, locked: arrow keys/ })
      .first()
      .waitFor();
    const where = (): Promise<string | null> =>
      page
        .getByRole('button', { name: /, locked: arrow keys/ })
        .first()
        .getAttribute('points');
    const before = await where();
    await nesting().getByRole('button', { name: /^Nest/ }).click();
    await nesting()
      .getByText(/after [1-9]\d* tries/)
      .waitFor();
    await nesting().getByRole('button', { name: 'Stop and keep the best' }).click();
    await nesting()
      .getByText(/^Nested/)
      .waitFor();
    expect(await where()).to.equal(before);
    await saved(page);
  });

  it('puts what is left of the sheets on the shelf once all is cut, and another build lays its pieces on it', async () => {
    const left = page.getByRole('region', { name: 'What is left' });
    const url = `${bench.url}/api/builds/demo-lampwarden-bracers`;
    if (!triedBefore) await left.getByText(/cutting steps are not ticked yet/).waitFor();
    triedBefore = true;
    // Every cut of the bracers ticked, as it would be over some evenings.
    const { doc, version } = (await (await fetch(url)).json()) as { doc: BuildDoc; version: number };
    const cuts = derive(doc).steps.filter((s) => s.kind === 'cut');
    const done = Object.fromEntries(cuts.map((s) => [s.id, '2026-11-01T10:00:00.000Z']));
    const put = await fetch(url, {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ doc: { ...doc, make: { ...doc.make, done } }, baseVersion: version }),
    });
    expect(put.status).to.equal(200);
    await go(page, bench, 'cut', 'demo-lampwarden-bracers');
    await left.getByLabel('Where it is put').fill('rack 2');
    const onShelf = async (): Promise<unknown> => (await fetch(`${bench.url}/api/stock`)).json();
    const before = await onShelf();
    const putAway = left.getByRole('button', { name: 'Put what is left on the shelf' });
    await putAway.click();
    await left.getByText(/Put on the shared shelf on/).waitFor();
    expect(await onShelf()).to.not.deep.equal(before);
    await page.getByRole('button', { name: 'Take it back' }).click();
    await putAway.waitFor();
    expect(await onShelf()).to.deep.equal(before);
    await putAway.click();
    await left.getByText(/Put on the shared shelf on/).waitFor();
    await saved(page);
    await go(page, bench, 'cut', 'demo-lampwarden-arms');
    const shelf = page.getByRole('region', { name: 'Foam on the shelf' });
    await shelf.getByRole('button', { name: 'Take the shared shelf' }).click();
    await shelf
      .getByText(/offcut .* rack 2/)
      .first()
      .waitFor();
    await page
      .getByText(/offcut \d+ × \d+ mm, rack 2 · \d+ % used/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);
  });

  it('takes a bezel for a printer, sized, as STL, and a part as OBJ', async () => {
    await go(page, bench, 'cut', 'demo-lampwarden-bracers');
    const printed = page.getByRole('region', { name: 'Small printed parts' });
    await printed.getByRole('button', { name: 'Add' }).click();
    await type(page, 'Lamp across', '10 mm');
    await printed.getByText('Bore 10.4 mm for a lamp of 10 mm; the hole in the foam is 12.8 mm.').waitFor();
    const taken = async (name: string): Promise<Buffer> => {
      const [file] = await Promise.all([
        page.waitForEvent('download'),
        page.getByRole('button', { name, exact: true }).click(),
      ]);
      return readFileSync(await file.path());
    };
    const stl = await taken('STL of bezel-1');
    expect(stl.length).to.equal(84 + 50 * stl.readUInt32LE(80));
    const obj = (await taken('OBJ of Lamp bracer')).toString('utf8');
    expect(obj).to.match(/^# millimetres\no Lamp_bracer\nv /);
    await noGraveFaults(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);
  });

  it('replays a sheet as a machine reads it back, and takes its motion list away', async () => {
    await go(page, bench, 'cut', 'demo-lampwarden-bracers');
    await type(page, 'Kerf', '0.3 mm');
    await page.getByRole('button', { name: 'Replay of sheet 1' }).click();
    const cutter = page.getByRole('group', { name: 'Cutter on sheet 1' });
    await cutter.getByText(/m cut through/).waitFor();
    await cutter.getByLabel('Moment of the cutting').fill('100000');
    await cutter.getByText(/Now .*: outer/).waitFor();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Motion list of sheet 1' }).click(),
    ]);
    const text = readFileSync(await file.path(), 'utf8');
    expect(text).to.match(/^%\r\n\(Lampwarden bracers, sheet 1\)\r\nG21 G90/);
    expect(text.match(/: outer\)/g)!.length).to.be.greaterThan(1);
    await page.getByRole('button', { name: 'The sheet 1' }).click();
    await noGraveFaults(page);
  });

  it('measures a printer once and prints on it in another build', async () => {
    await type(page, 'Bar across measured', '97.5 mm');
    await type(page, 'Bar along measured', '98.5 mm');
    await page.getByLabel('Keep these bars as printer').fill('Upstairs');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    const upstairs = page.getByRole('button', { name: 'Upstairs: 97.5 × 98.5 mm' });
    await upstairs.waitFor();
    await go(page, bench, 'cut', 'demo-lampwarden-harness');
    await upstairs.click();
    await shows(page, 'Bar across measured', '97.5 mm');
    await shows(page, 'Bar along measured', '98.5 mm');
  });
});
