import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { go, noGraveFaults, onWorkbench, saved, type Workbench } from './harness';

const helm = 'demo-lampwarden-harbour';

/** Bought things on the real bench: walls drilled and covered, light on the face, and the shop's book. */
describe('a bought thing, refitted', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));

  it('shows its walls as templates, and what is laid on them as foam', async () => {
    await go(page, bench, 'shape', helm);
    await page.getByText(/layer on band 1 · cut 1 · 5 mm light EVA/).waitFor();
    await page.getByText(/band 1 · template for drilling/).waitFor();
    await page
      .getByText(/protects nobody any more/)
      .first()
      .waitFor();
    await noGraveFaults(page);
  });

  it('says how brightly its peak lights the face', async () => {
    await go(page, bench, 'inside', helm);
    const lux = async (): Promise<number> => {
      const text = await page
        .getByText(/puts about \d+ lx on the face/)
        .first()
        .textContent();
      return Number(/(\d+) lx/.exec(text!)![1]);
    };
    const before = await lux();
    expect(before).to.be.above(5);
    await noGraveFaults(page);
  });

  it('drills its holes as a step of the plan', async () => {
    await go(page, bench, 'make', helm);
    await page
      .getByText(/drill 3 holes in the case/)
      .first()
      .waitFor();
  });

  it('goes into the shop’s book and comes out of it in another build', async () => {
    await go(page, bench, 'shape', helm);
    await page.getByRole('button', { name: 'Keep Harbour helm in the shop’s book' }).click();
    await page.getByText('Harbour helm is in the shop’s book.').waitFor();
    await go(page, bench, 'shape', 'demo-lampwarden-tide');
    await page.getByRole('button', { name: 'Part', exact: true }).click();
    await page
      .getByRole('menuitem', { name: /Harbour helm/ })
      .first()
      .click();
    await page.getByText(/band 1 · template for drilling/).waitFor();
    await saved(page);
    const { doc } = (await (await fetch(`${bench.url}/api/builds/demo-lampwarden-tide`)).json()) as {
      doc: { parts: { name: string }[]; circuits: { name: string }[] };
    };
    expect(doc.parts.map((p) => p.name)).to.deep.equal(['Dial band', 'Tide dial', 'Harbour helm']);
    expect(doc.circuits.map((c) => c.name)).to.deep.equal(['Tide light', 'Peak light']);
  });
});
