import { expect } from 'chai';
import type { Page } from 'playwright-core';
import {
  go,
  noGraveFaults,
  onWorkbench,
  openDetail,
  openDrawer,
  resting,
  saved,
  type,
  type Workbench,
} from './harness';

/** What lies inside, from the tray to a whole method of light, on the real bench. */
describe('the inside of a prop', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));

  const inside = () => page.getByRole('complementary').getByRole('region', { name: 'Put in' });
  const choose = async (part: string): Promise<void> => {
    await page
      .getByRole('navigation', { name: 'Rack' })
      .getByRole('button', { name: new RegExp(`^${part}`) })
      .click();
  };

  it('drags a device from the tray onto the shell, where it stays', async () => {
    await go(page, bench, 'inside', 'demo-lampwarden-bracers');
    await page.locator('canvas').waitFor();
    await page.waitForTimeout(1500);
    const before = await inside().locator('li').count();
    const tray = page.getByRole('group', { name: 'Put in' });
    const solid = await resting(page.locator('canvas'));
    const from = await resting(tray.getByRole('button', { name: 'Device' }));
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(solid.x + solid.width * 0.5, solid.y + solid.height * 0.75, { steps: 6 });
    await page.mouse.up();
    const line = inside().locator('li[data-kind="gadget"]');
    await line.waitFor();
    expect(await inside().locator('li').count()).to.equal(before + 1);
    const up = await line.getByLabel('From its lower edge', { exact: true }).inputValue();
    expect(Number.parseFloat(up)).to.be.lessThan(90);
    // Let go beside the shell it stays in the tray.
    await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
    await page.mouse.down();
    await page.mouse.move(solid.x + 12, solid.y + 12, { steps: 4 });
    await page.mouse.up();
    await page.waitForTimeout(300);
    expect(await inside().locator('li').count()).to.equal(before + 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await line.waitFor({ state: 'detached' });
  });

  it('compares the methods of light and takes one whole, in one step', async () => {
    await openDrawer(page, 'Methods');
    await page.getByRole('button', { name: 'Compare the methods' }).click();
    await page.getByRole('button', { name: '12 V strip cut in segments' }).click();
    await inside().locator('li[data-kind="light-strip"]').waitFor();
    expect(await inside().locator('li[data-kind="lamps"]').count()).to.equal(0);
    await page.getByText('The build has changed since; compare anew.').waitFor();
    await noGraveFaults(page);
    await page.getByRole('button', { name: 'Undo' }).click();
    await inside().locator('li[data-kind="lamps"]').waitFor();
    await saved(page);
  });

  it('makes a light box after a recipe, and gives it back in one step', async () => {
    await go(page, bench, 'inside', 'demo-lampwarden-bracers');
    await page
      .getByRole('group', { name: 'Put in' })
      .getByRole('button', { name: 'Light box', exact: true })
      .click();
    const box = await openDetail(page, { kind: 'light-box' });
    const litBy = box.getByLabel('Lit by', { exact: true });
    await litBy.waitFor();
    expect(await litBy.inputValue()).to.equal('lamps');
    await box.getByRole('button', { name: 'Strip behind two foams and acrylic' }).click();
    await box.getByLabel('Read off it, %', { exact: true }).waitFor();
    expect(await litBy.inputValue()).to.equal('12v');
    expect(await box.getByLabel('Over it', { exact: true }).inputValue()).to.equal('acrylic-sanded');
    expect(await box.getByLabel('Layers', { exact: true }).inputValue()).to.equal('2');
    await page.getByRole('button', { name: 'Undo' }).click();
    await box.getByLabel('Read off it, %', { exact: true }).waitFor({ state: 'detached' });
    expect(await litBy.inputValue()).to.equal('lamps');
    await page.getByRole('button', { name: 'Undo' }).click();
    await box.waitFor({ state: 'detached' });
  });

  it('describes a bought thing, puts a pack in its room, and says what does not go in', async () => {
    await go(page, bench, 'shape', 'demo-lampwarden-arms');
    await page.getByRole('button', { name: 'Part', exact: true }).click();
    await page.getByRole('menuitem', { name: /^Bought thing, opened up/ }).click();
    await choose('Bought thing, opened up');
    await type(page, 'Deep', '40 mm');
    await go(page, bench, 'inside', 'demo-lampwarden-arms');
    await choose('Bought thing, opened up');
    await page.getByRole('button', { name: 'Light it' }).click();
    const pack = inside().locator('li[data-kind="pack"]');
    await openDetail(page, { kind: 'pack' });
    expect(await pack.getByLabel('Where').locator('option:checked').innerText()).to.equal('inside');
    await noGraveFaults(page);
    // Three cells side by side want more than a shallow case has.
    await go(page, bench, 'shape', 'demo-lampwarden-arms');
    await choose('Bought thing, opened up');
    await type(page, 'Deep', '12 mm');
    await page
      .getByText(/Bought thing, opened up: .* mm (deep|thick|room)/)
      .first()
      .waitFor();
    await page.getByLabel('In it was').selectOption({ label: 'a mains plug' });
    await page
      .getByText(/it ran on the mains: it is not opened or cut here/)
      .first()
      .waitFor();
    await type(page, 'Deep', '40 mm');
    await page.getByLabel('In it was').selectOption({ label: 'cells' });
    await saved(page);
  });

  it('lets a pack into the layers of a body, with its lid, and says when it is glued in', async () => {
    await go(page, bench, 'inside', 'demo-lampwarden-arms');
    await choose('Signal pistol, body');
    await page.getByRole('button', { name: 'Light it' }).click();
    const pack = await openDetail(page, { kind: 'pack' });
    await pack.getByLabel('Pack', { exact: true }).selectOption({ label: 'another, measured' });
    const thick = pack.getByLabel('Thickness', { exact: true });
    await thick.fill('8');
    await thick.press('Enter');
    await pack.getByLabel('Where').selectOption({ label: 'body, layer 3 of 4' });
    await page
      .getByText(/own pack of .* is glued in: 1 layer lies over its pocket/)
      .first()
      .waitFor();
    await page.getByRole('button', { name: 'Into body, layer 4 of 4' }).click();
    await page
      .getByText(/is glued in/)
      .first()
      .waitFor({ state: 'detached' });
    await saved(page);
  });

  it('takes the regulator away from a ring, says what that does, and gives it back', async () => {
    await choose('Wick-pike, lantern');
    const circuit = page.locator('[data-circuit="wick"]');
    const head = circuit.getByRole('button').first();
    if ((await head.getAttribute('aria-expanded')) !== 'true') await head.click();
    await circuit
      .getByLabel('Regulator', { exact: true })
      .selectOption({ label: 'none: straight from the pack' });
    await page
      .getByText(/is made for 5 V/)
      .first()
      .waitFor();
    await circuit.getByLabel('Regulator', { exact: true }).selectOption({ label: 'step-up board' });
    await page
      .getByText(/is made for 5 V/)
      .first()
      .waitFor({ state: 'detached' });
    await noGraveFaults(page);
    await saved(page);
  });
});
