import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { addPart, go, noGraveFaults, onWorkbench, openDrawer, saved, type Workbench } from './harness';

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
    await page.getByText(/^Harbour helm is in the shop’s book/).waitFor();
    await go(page, bench, 'shape', 'demo-lampwarden-tide');
    await addPart(page, /Harbour helm/);
    await page.getByText(/band 1 · template for drilling/).waitFor();
    await saved(page);
    const { doc } = (await (await fetch(`${bench.url}/api/builds/demo-lampwarden-tide`)).json()) as {
      doc: { parts: { name: string }[]; circuits: { name: string }[] };
    };
    expect(doc.parts.map((p) => p.name)).to.deep.equal(['Dial band', 'Tide dial', 'Harbour helm']);
    expect(doc.circuits.map((c) => c.name)).to.deep.equal(['Tide light', 'Peak light']);
  });

  it('a taped pattern: edges are numbered, mates that disagree are reported and evened by one press', async () => {
    await addPart(page, /Taped pattern/);
    await page.getByRole('button', { name: 'Piece B', exact: true }).click();
    const corner = page.getByRole('button', { name: /^Point 4: 10 across, 160 up/ });
    await corner.focus();
    await page.keyboard.press('Shift+ArrowUp');
    await page.getByText('Taped pattern: piece A, edge 2 is 10 mm shorter than piece B, edge 4.').waitFor();
    await page.getByRole('button', { name: 'Even them out' }).click();
    await page.getByText(/piece A, edge 2 is 10 mm shorter/).waitFor({ state: 'detached' });
    await saved(page);
    await noGraveFaults(page);
  });

  it('a device of found things: a second thing of one place is an alternative, the cheapest set first', async () => {
    await page.getByRole('button', { name: 'Part', exact: true }).click();
    await page.getByRole('menuitem', { name: /Device of found things/ }).click();
    await openDrawer(page, 'Found things');
    await page.getByLabel('Price, thing 2', { exact: true }).fill('9');
    await page.getByRole('button', { name: 'thing', exact: true }).click();
    await page.getByLabel('Place, thing 4', { exact: true }).fill('2');
    await page.getByLabel('Across below, thing 4', { exact: true }).fill('46');
    await page.getByLabel('Across above, thing 4', { exact: true }).fill('46');
    await page.getByLabel('Meets the next, thing 4', { exact: true }).selectOption('over');
    await page.getByLabel('By, thing 4', { exact: true }).fill('20');
    await page.getByLabel('Price, thing 4', { exact: true }).fill('3');
    await page.getByLabel('Price, thing 4', { exact: true }).blur();
    await page.getByRole('button', { name: /^All \d+ figures/ }).click();
    const figure = page.getByText('found things cost').locator('..');
    await figure.getByText('3.00').waitFor();
    await page.getByRole('textbox', { name: 'Set', exact: true }).fill('2');
    await page.getByRole('textbox', { name: 'Set', exact: true }).blur();
    await figure.getByText('9.00').waitFor();
    await saved(page);
  });

  it('a photograph of film beside a sheet: traced in the browser, all its pieces taken at once, its tilt known', async () => {
    await go(page, bench, 'shape', helm);
    await page
      .getByRole('button', { name: /Neck curtain/ })
      .first()
      .click();
    await page.getByRole('button', { name: 'Trace its outlines' }).click();
    // 150 mm as they were cut, within three thousandths.
    await page.getByRole('button', { name: /Take 1: (149\.[6-9]|150(\.[0-4])?) ±/ }).waitFor();
    await page.getByRole('button', { name: 'Take all 2 as pieces' }).click();
    await page.getByRole('button', { name: 'Flat', exact: true }).click();
    await page.getByText(/piece A · cut 1/).waitFor();
    await page.getByText(/piece B · cut 1/).waitFor();
    await saved(page);
    const { doc } = (await (await fetch(`${bench.url}/api/builds/${helm}`)).json()) as {
      doc: {
        parts: {
          name: string;
          params: { outline: { piece: number }[]; seams: object[] };
          features: { kind: string; place: { panel: string; points: [number, number][] } }[];
        }[];
      };
    };
    const { params: taken, features } = doc.parts.find((p) => p.name === 'Neck curtain')!;
    expect(new Set(taken.outline.map((p) => p.piece))).to.deep.equal(new Set([1, 2]));
    expect(taken.seams).to.deep.equal([]);
    // A line was drawn with a pen on each: it came along, once, and runs across the piece.
    expect(features.map((f) => `${f.kind} ${f.place.panel}`).sort()).to.deep.equal([
      'line piece-1',
      'line piece-2',
    ]);
    for (const { place } of features)
      expect(Math.abs(place.points[0]![0] - place.points.at(-1)![0])).to.be.closeTo(0.75, 0.05);
  });
});
