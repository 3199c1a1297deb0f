import { solidFile } from '@fomrik/core/files/mesh/writeMesh';
import { expect } from 'chai';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { egg } from '../core/src/skin/testing/surfaces';
import {
  addPart,
  go,
  noGraveFaults,
  openDrawer,
  openGroup,
  onWorkbench,
  saved,
  shows,
  type Workbench,
} from './harness';

const build = 'demo-lampwarden-gull';

/** A mask from a surface, on the real bench: too tight at first, sized, cut anew; and another surface from a file. */
describe('a mask skinned over a surface', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  before(async () => {
    await go(page, bench, 'shape', build);
  });
  const surface = () => page.getByRole('region', { name: 'Surface' });

  it('a head does not fit at first, and fits once the surface is sized to it', async () => {
    await page.getByText(/Gull mask: piece \d presses \d+ mm into the wearer/).waitFor();
    await surface().getByRole('button', { name: 'Size it to the head' }).click();
    await surface().getByRole('button', { name: 'Straight ahead' }).click();
    await surface()
      .getByText(/The head is inside: \d/)
      .waitFor();
    await page.getByText(/presses \d+ mm into the wearer/).waitFor({ state: 'detached' });
    await saved(page);
    await noGraveFaults(page);
  });

  it('reads a surface from a file, asks its unit, mends it, keeps it, and proposes seams for it', async () => {
    const ball = egg(80, 90, 100, 14);
    // One face is missing, and one is there twice.
    ball.triangles = [...ball.triangles.slice(1), ball.triangles[5]!];
    const bytes = await solidFile([{ name: 'ball', mesh: ball }], 'stl');
    const file = join(mkdtempSync(join(tmpdir(), 'fomrik-')), 'buoy.stl');
    writeFileSync(file, bytes);
    await page.getByLabel('Surface as OBJ, STL, PLY or glTF').setInputFiles(file);
    await surface()
      .getByText(/buoy.stl: 2352 triangles, 160 × 180 × 200 mm/)
      .waitFor();
    await surface().getByRole('button', { name: 'Use it' }).click();
    await surface()
      .getByText(/1 doubled or empty faces dropped, 1 small holes closed; 1 shell/)
      .waitFor();
    await shows(page, 'Size', '100');
    await surface().getByRole('button', { name: 'Propose seams' }).click();
    await surface()
      .getByText(/^\d+ pieces; the worst must stretch about \d+ %/)
      .waitFor();
    await saved(page);
    const kept = (await (await fetch(`${bench.url}/api/builds/${build}`)).json()) as {
      doc: { meshes: { name: string; triangles: number[] }[]; parts: { params: { mesh: string } }[] };
    };
    expect(kept.doc.meshes.map((m) => m.name)).to.deep.equal(['buoy']);
    expect(kept.doc.meshes[0]!.triangles.length / 3).to.be.within(1000, 3000);
    // It is drawn, cut and laid on sheets like any other part.
    await go(page, bench, 'cut', build);
    await page
      .getByText(/piece 1/)
      .first()
      .waitFor();
  });

  it('draws a seam by pressing on the solid, and undo takes it back', async () => {
    await go(page, bench, 'shape', build);
    const pieces = () => page.getByText(/^piece \d/).count();
    await page
      .getByText(/^piece 1/)
      .first()
      .waitFor();
    await surface().getByRole('button', { name: 'Draw a seam' }).click();
    const box = (await page.locator('canvas').boundingBox())!;
    const keep = surface().getByRole('button', { name: /^Keep the seam/ });
    // Down the middle, until three presses met the shell.
    for (let n = 0; n < 24 && !/3 spots/.test(await keep.innerText()); n++) {
      const [x, y] = [0.47 + 0.012 * Math.floor(n / 6), 0.34 + 0.06 * (n % 6)];
      await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
      await page.waitForTimeout(300);
    }
    // All that names a piece is on screen once its number has been the same for two seconds.
    let before = await pieces();
    for (let same = 0; same < 20; same++) {
      await page.waitForTimeout(100);
      const now = await pieces();
      if (now !== before) same = 0;
      before = now;
    }
    await surface().getByRole('button', { name: 'Keep the seam (3 spots)' }).click();
    await openDrawer(page, 'Drawn seams');
    await shows(page, 'Line, spot 1', '1');
    await saved(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByLabel('Line, spot 1').waitFor({ state: 'detached' });
    await saved(page);
    // What is shown follows once it is worked out.
    for (let n = 0; n < 100 && (await pieces()) !== before; n++) await page.waitForTimeout(100);
    expect(await pieces()).to.equal(before);
  });

  it('comes apart: one side stays, the rest is a part of its own, and undo takes it away', async () => {
    const parts = () => page.getByRole('navigation', { name: 'Rack' });
    expect(await surface().getByRole('button', { name: 'Make the rest a part' }).count()).to.equal(0);
    const group = await openGroup(page, 'Comes apart');
    await group.getByRole('button', { name: /open the table/ }).click();
    await page.getByRole('tabpanel').getByRole('button', { name: 'parting', exact: true }).click();
    await shows(page, 'Up, parting 1', '80 mm');
    await surface().getByRole('button', { name: 'Make the rest a part' }).click();
    await parts().getByText('Gull mask, the rest').waitFor();
    await saved(page);
    const { doc } = (await (await fetch(`${bench.url}/api/builds/${build}`)).json()) as {
      doc: { parts: { name: string; params: { apart: { keep: string }[] } }[] };
    };
    expect(doc.parts.map((p) => p.params.apart.map((a) => a.keep))).to.deep.equal([['over'], ['under']]);
    await page.getByRole('button', { name: 'Undo' }).click();
    await parts().getByText('Gull mask, the rest').waitFor({ state: 'detached' });
    await page.getByRole('button', { name: 'Undo' }).click();
    await saved(page);
  });

  it('says what is wrong with a file that is no surface, and nothing is lost', async () => {
    await go(page, bench, 'shape', build);
    const file = join(mkdtempSync(join(tmpdir(), 'fomrik-')), 'broken.glb');
    writeFileSync(file, 'no surface');
    await page.getByLabel('Surface as OBJ, STL, PLY or glTF').setInputFiles(file);
    await page.getByText('broken.glb cannot be read as glTF.').waitFor();
    await surface().getByRole('button', { name: 'Read a surface' }).isEnabled();
  });

  it('a made-up scan of a lantern of flat faces is mended, and made as nets that fold', async () => {
    await surface().getByLabel('or a made-up scan of').selectOption({ label: 'a lantern of flat faces' });
    await surface()
      .getByText(/made-up lantern: \d+ triangles/)
      .waitFor();
    await surface().getByRole('button', { name: 'Use it' }).click();
    await surface()
      .getByText(/loose bits left out/)
      .waitFor();
    await page.getByLabel('Made of').selectOption({ label: 'flat facets folded from nets' });
    await page
      .getByText(/^net( of facet [0-9]+)? · cut/)
      .first()
      .waitFor();
    await shows(page, 'Nets at most', '500 mm');
    await saved(page);
    await noGraveFaults(page);
  });
});

/** A plate pressed on the wearer spot by spot, its points moved, and undone. */
describe('a plate drawn on the wearer', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));
  const plates = 'demo-lampwarden-bracers';
  const kept = async () => {
    const { doc } = (await (await fetch(`${bench.url}/api/builds/${plates}`)).json()) as {
      doc: { parts: { form: string; params: { outline: { xMm: number; yMm: number }[] } }[] };
    };
    return doc.parts.find((p) => p.form === 'drawn-plate')!.params.outline;
  };

  it('is pressed on round its outline, kept, and cut', async () => {
    await go(page, bench, 'shape', plates);
    await addPart(page, /Drawn plate/);
    await page.getByRole('button', { name: /^Point 7 of the outline/ }).waitFor();
    await saved(page);
    expect(await kept()).to.have.length(7);
    await page.getByRole('button', { name: 'Draw it on the wearer' }).click();
    const keep = page.getByRole('button', { name: /^Keep the outline/ });
    expect(await keep.isDisabled()).to.equal(true);
    const box = (await page.locator('canvas').boundingBox())!;
    const round: [number, number][] = [
      [0.4, 0.6],
      [0.6, 0.6],
      [0.6, 0.4],
      [0.4, 0.4],
    ];
    // The wearer is drawn once it is worked out.
    for (const [i, [x, y]] of round.entries())
      for (let n = 0; n < 20 && !(await keep.innerText()).includes(`${i + 1} spot`); n++) {
        await page.mouse.click(box.x + x * box.width, box.y + y * box.height);
        await page.waitForTimeout(500);
      }
    await page.getByRole('button', { name: 'Keep the outline (4 spots)' }).click();
    await page.getByRole('button', { name: /^Point 5 of the outline/ }).waitFor({ state: 'detached' });
    await saved(page);
    const outline = await kept();
    expect(outline).to.have.length(4);
    // As it was pressed: two points below, two above, left and right of one another.
    const [a, b, c, d] = outline;
    expect(Math.max(a!.yMm, b!.yMm)).to.be.lessThan(Math.min(c!.yMm, d!.yMm));
    expect(Math.max(a!.xMm, d!.xMm)).to.be.lessThan(Math.min(b!.xMm, c!.xMm));
    await noGraveFaults(page);
  });

  it('goes by its points, from the keyboard too, and undo takes it back', async () => {
    const before = await kept();
    const point = page.getByRole('button', { name: /^Point 2 of the outline/ });
    await point.focus();
    await point.press('Shift+ArrowRight');
    await saved(page);
    expect((await kept())[1]!.xMm).to.be.closeTo(before[1]!.xMm + 10, 0.11);
    for (let n = 0; n < 2; n++) await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: /^Point 7 of the outline/ }).waitFor();
    await saved(page);
    expect(await kept()).to.have.length(7);
  });
});
