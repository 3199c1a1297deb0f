import { expect } from 'chai';
import type { Locator, Page } from 'playwright-core';
import { onWorkbench, resting, saved, type Workbench } from './harness';

/** What a stranger has in mind, made with a mouse and counted: a press, a choice, a value typed and a drag are one each. */
class Hand {
  presses = 0;
  constructor(private readonly page: Page) {}
  async press(what: Locator): Promise<void> {
    this.presses += 1;
    await what.click();
  }
  async set(label: string | RegExp, text: string, within: Page | Locator = this.page): Promise<void> {
    this.presses += 1;
    const field = within.getByLabel(label, { exact: true });
    await field.fill(text);
    await field.press('Enter');
  }
  async pick(label: string, choice: string, within: Page | Locator = this.page): Promise<void> {
    this.presses += 1;
    await within.getByLabel(label, { exact: true }).selectOption({ label: choice });
  }
  async dragTo(what: Locator, to: { x: number; y: number }): Promise<void> {
    this.presses += 1;
    const { x, y, width, height } = await resting(what);
    await this.page.mouse.move(x + width / 2, y + height / 2);
    await this.page.mouse.down();
    await this.page.mouse.move(to.x, to.y, { steps: 8 });
    await this.page.mouse.up();
  }
}

describe('what strangers have in mind, by mouse', function () {
  this.timeout(180_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));

  const button = (name: string | RegExp): Locator =>
    page.getByRole('button', typeof name === 'string' ? { name, exact: true } : { name });
  const station = (name: string): Locator =>
    page.getByLabel('Stations').getByRole('link', { name: new RegExp(name) });
  const known = (): Promise<void> =>
    page.locator('[data-figure="massG"]').getByText(/[1-9]/).first().waitFor();
  const begin = async (): Promise<Hand> => {
    await page.goto(bench.url);
    await page.getByText('Lampwarden bracers', { exact: true }).waitFor();
    const hand = new Hand(page);
    await hand.press(button('New build'));
    return hand;
  };
  const noStop = async (): Promise<void> => {
    await page.getByText(/worked out in full/).waitFor({ state: 'detached' });
    expect(await page.getByLabel('Stations').innerText()).to.not.include('!');
  };

  it('a first lit pattern in nine presses, without a stop', async () => {
    const hand = await begin();
    await hand.press(button('Or one part…'));
    await hand.press(page.getByRole('radio', { name: 'Bracer', exact: true }));
    await hand.press(button('Create'));
    await known();
    await hand.press(station('Inside'));
    await hand.press(button('Light it'));
    await page.locator('li[data-kind="pack"]').waitFor();
    await hand.press(station('Cut'));
    const [file] = await Promise.all([page.waitForEvent('download'), hand.press(button('Pattern, PDF'))]);
    expect(file.suggestedFilename()).to.match(/\.pdf$/);
    expect(hand.presses).to.be.at.most(9);
    await noStop();
    await saved(page);
  });

  it('a helmet of their own in thirty: their measures, another visor, a crest, two lamps in the brow, the pack at the nape', async () => {
    const hand = await begin();
    await hand.press(page.getByRole('radio', { name: 'Helmet and gorget' }));
    const dialog = page.getByRole('dialog', { name: 'New build' });
    await dialog.getByLabel(/^Head girth/).waitFor();
    await hand.set(/^Head girth/, '585 mm', dialog);
    await hand.set(/^Head length/, '200 mm', dialog);
    await hand.set(/^Neck girth/, '38 cm', dialog);
    await hand.press(button('Create'));
    await page.locator('[data-handle="skirtMm"]').waitFor();
    await hand.pick('Visor', 'brow peak only');
    await hand.set('Crest', '60 mm');
    await hand.press(station('Inside'));
    await hand.press(button('Light it'));
    await page.locator('li[data-kind="pack"]').waitFor();
    await hand.press(page.locator('li[data-kind="lamps"]').getByRole('button').first());
    await hand.set('Lamps', '2');
    await hand.press(page.locator('li[data-kind="pack"]').getByRole('button').first());
    await hand.press(page.getByLabel('View', { exact: true }).getByRole('button', { name: 'Back' }));
    const solid = (await page.locator('canvas').boundingBox())!;
    await hand.dragTo(page.locator('[data-handle*=".pack"]'), {
      x: solid.x + solid.width * 0.5,
      y: solid.y + solid.height * 0.62,
    });
    await saved(page);
    expect(hand.presses).to.be.at.most(30);
    const id = /build\/([^/]+)/.exec(page.url())![1]!;
    const { doc } = (await (await fetch(`${bench.url}/api/builds/${id}`)).json()) as {
      doc: {
        wearer: { measures: { key: string; valueMm: number }[] };
        parts: {
          params: Record<string, unknown>;
          features: { kind: string; params: { count?: number } }[];
        }[];
      };
    };
    const [helmet] = doc.parts;
    expect(doc.wearer.measures.find((m) => m.key === 'neckGirth')?.valueMm).to.equal(380);
    expect(helmet!.params).to.include({ crestMm: 60 });
    expect(helmet!.features.find((f) => f.kind === 'lamps')?.params.count).to.equal(2);
  });

  it('a six-tube device in thirty-five, its tubes pasted from a spreadsheet', async () => {
    const hand = await begin();
    await hand.press(page.getByRole('radio', { name: 'Pack', exact: true }));
    await hand.press(button('Create'));
    await known();
    await hand.press(station('Shape'));
    await hand.press(page.getByRole('tab', { name: /^Tubes/ }));
    const table = page.getByRole('tabpanel');
    const add = table.getByRole('button', { name: 'tube', exact: true });
    while ((await table.locator('[data-row^="tubes-"]').count()) < 6) await hand.press(add);
    const cells = table.locator('[data-row="tubes-1"] input');
    const value = Number.parseFloat(await cells.first().inputValue());
    const lines = Array.from({ length: 6 }, (_, i) => `${value - 20 + i * 8}`).join('\n');
    await cells.first().focus();
    hand.presses += 1;
    await page.evaluate((text) => {
      const data = new DataTransfer();
      data.setData('text', text);
      document.activeElement!.dispatchEvent(
        new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
      );
    }, lines);
    await page.waitForFunction(
      (wanted) =>
        document.querySelector<HTMLInputElement>('[data-row="tubes-6"] input')?.value.startsWith(wanted),
      String(value + 20),
    );
    expect(hand.presses).to.be.at.most(35);
    await saved(page);
  });

  it('nine spikes on a head in twelve', async () => {
    const hand = await begin();
    await hand.press(button('Or one part…'));
    await hand.press(page.getByRole('radio', { name: 'Helmet', exact: true }));
    await hand.press(button('Create'));
    await known();
    await hand.press(station('Shape'));
    await hand.press(
      page.getByRole('navigation', { name: 'Rack' }).getByRole('button', { name: 'Part', exact: true }),
    );
    await hand.press(page.getByRole('menuitem', { name: /^Faceted/ }));
    const where = page.getByRole('region', { name: 'Where it is' });
    await hand.press(where.getByRole('heading').getByRole('button'));
    await hand.pick('Hangs from', 'Helmet');
    await hand.pick('Copies', 'in a circle');
    await hand.set('How many', '9');
    expect(hand.presses).to.be.at.most(12);
    await saved(page);
    const id = /build\/([^/]+)/.exec(page.url())![1]!;
    const { doc } = (await (await fetch(`${bench.url}/api/builds/${id}`)).json()) as {
      doc: { parts: { mount: { copies?: { count: number } } }[] };
    };
    expect(doc.parts[1]!.mount.copies!.count).to.equal(9);
  });
});
