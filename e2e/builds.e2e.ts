import type { BuildDoc, Field, Params, Row, RowsField } from '@fomrik/core/document';
import { newPart, standardKinds } from '@fomrik/core/parts';
import { readBuildFile } from '@fomrik/core/files/buildFile';
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import type { Locator, Page } from 'playwright-core';
import type { Doing, Recipe } from '../demo/more/recipe';
import { recipes } from '../demo/more/recipes';
import { onWorkbench, openGroup, saved, type Workbench } from './harness';

const formOf = (kind: string) => standardKinds.forms.get(kind)!;

/** The build as it was written to its file. */
function written(id: string): BuildDoc {
  const read = readBuildFile(
    readFileSync(new URL(`../demo/more/${id}.fomrik.json`, import.meta.url), 'utf8'),
  );
  if (!read.ok) throw new Error(read.message);
  return read.value.build;
}

/** What no other story drives: frames of pipes, copies in a ring, shafts that come apart, bought sleeves lit. All are driven in long runs. */
const everyRun = ['tide-watch', 'bilge-pump', 'breakwater-axe', 'ring-caller', 'groyne-mace'];
const driven = recipes.filter((r) => process.env['FOMRIK_LONG'] || everyRun.includes(r.id));

/** Whole builds of the handbook, each made from nothing through the interface as its page says. */
describe('whole builds through the interface', function () {
  this.timeout(300_000);
  let bench: Workbench;
  let page: Page;
  onWorkbench((tools) => ({ bench, page } = tools));

  const inspector = (): Locator => page.getByRole('complementary', { name: 'Inspector' });
  const rack = (): Locator => page.getByRole('navigation', { name: 'Rack' });
  const station = async (name: string): Promise<void> => {
    const tab = page
      .getByRole('navigation', { name: 'Stations' })
      .getByRole('link', { name: new RegExp(name) });
    if ((await tab.getAttribute('aria-current')) === null) await tab.click();
  };
  const choose = (name: string): Promise<void> =>
    rack()
      .getByRole('button', { name: new RegExp(`^${name}`) })
      .click();

  async function asStored(): Promise<BuildDoc> {
    await saved(page);
    const id = /build\/([^/]+)/.exec(page.url())![1]!;
    return ((await (await fetch(`${bench.url}/api/builds/${id}`)).json()) as { doc: BuildDoc }).doc;
  }

  /** Types or picks a value where its label is, if it is another. */
  async function put(within: Locator, label: string, value: string | number, choice: boolean): Promise<void> {
    const field = within.getByLabel(label, { exact: true }).and(page.locator('input, select')).first();
    await field.waitFor();
    if (choice) {
      if ((await field.inputValue()) !== String(value)) await field.selectOption(String(value));
      return;
    }
    if (Number.parseFloat(await field.inputValue()) === value) return;
    await field.fill(String(value));
    await field.press('Enter');
  }

  /** Cells of a whole list, pasted from its first on; what stands below is removed. */
  async function putRows(field: RowsField, rows: readonly Row[]): Promise<void> {
    const line = (i: number): Locator => page.locator(`[data-row="${field.key}-${i}"]`);
    const count = (): Promise<number> => page.locator(`[data-row^="${field.key}-"]`).count();
    const more = page.getByRole('button', { name: field.line, exact: true });
    // A wide list stands in the drawer; pressing the tab of an open one shuts it.
    const tab = page.getByRole('tab', { name: new RegExp(`^${field.label}`) });
    if (field.of.length > 3) await tab.waitFor();
    if (!(await more.isVisible()) && field.of.length > 3) await tab.click();
    await more.waitFor();
    for (let left = await count(); left > Math.max(rows.length, field.range[0]); left--) {
      await page.getByRole('button', { name: `Remove ${field.line} ${left}`, exact: true }).click();
      await line(left).waitFor({ state: 'detached' });
    }
    if (rows.length === 0) return;
    if ((await count()) === 0) await more.click();
    const cells = rows.map((r) => field.of.map((f) => r[f.key]).join('\t')).join('\n');
    await line(1).locator('input, select').first().focus();
    await page.evaluate(
      (text) => {
        const data = new DataTransfer();
        data.setData('text', text);
        document.activeElement!.dispatchEvent(
          new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }),
        );
      },
      rows.length === 1 && field.of.length === 1 ? `${cells}\n` : cells,
    );
    await line(rows.length).waitFor();
  }

  async function putParams(fields: readonly Field[], begun: Params, set: Params): Promise<void> {
    let now = begun;
    const left = new Set(fields.filter((f) => set[f.key] !== undefined));
    // What a value shows comes after it.
    while (left.size > 0) {
      const next = [...left].find((f) => !f.when || f.when(now));
      if (!next) throw new Error(`not asked of this form: ${[...left].map((f) => f.label).join(', ')}`);
      left.delete(next);
      const value = set[next.key]!;
      await openGroup(page, next.group);
      if (next.type === 'rows') await putRows(next, value as Row[]);
      else
        await put(
          inspector(),
          next.label,
          value as string | number,
          next.type === 'choice' || next.type === 'foam',
        );
      now = { ...now, [next.key]: value };
    }
  }

  async function putFoam(form: string, foam: readonly (readonly [string, number])[]): Promise<void> {
    const group = await openGroup(page, 'Name and foam');
    if (formOf(form).sheets !== 'layers') {
      await put(group, 'Foam', foam[0]![0], true);
      await put(group, 'Thickness', foam[0]![1], true);
      return;
    }
    const layers = (): Promise<number> => group.locator('[data-row^="layer-"]').count();
    while ((await layers()) > foam.length)
      await group.getByRole('button', { name: `Remove layer ${await layers()}` }).click();
    while ((await layers()) < foam.length)
      await group.getByRole('button', { name: 'layer', exact: true }).click();
    for (const [i, [foamId, mm]] of foam.entries()) {
      await put(group, `Layer ${i + 1}`, foamId, true);
      await put(group, `Layer ${i + 1}, thickness`, mm, true);
    }
  }

  async function putMount({ on, side }: Extract<Doing, { add: string }>, doc: BuildDoc): Promise<void> {
    if (!on && !side) return;
    const group = await openGroup(page, 'Where it is');
    if (side) await put(group, 'Side', side, true);
    if (!on) return;
    const host = doc.parts.find((p) => p.name === on.part)!;
    await put(group, 'Hangs from', `part:${host.id}`, true);
    await put(group, 'Where on it', on.anchor, true);
    const { copies, letIn, ...at } = { alongMm: 0, turnDeg: 0, ...on.rest };
    const labels = {
      alongMm: 'Along',
      acrossMm: 'Across',
      offMm: 'Off the face',
      turnDeg: 'Turned',
      leanDeg: 'Leaned to the side',
      nodDeg: 'Leaned along',
    };
    for (const [key, value] of Object.entries(at))
      await put(group, labels[key as keyof typeof labels], value as number, false);
    if (letIn) await put(group, 'What it lies in', letIn === 'half' ? 'half' : 'cut', true);
    if (copies?.way === 'round') {
      await put(group, 'Copies', 'round', true);
      await put(group, 'How many', copies.count, false);
      await put(group, 'Radius', copies.radiusMm, false);
      await put(group, 'Sweep', copies.sweepDeg, false);
    }
  }

  async function add(what: Extract<Doing, { add: string }>, doc: BuildDoc): Promise<void> {
    await station('Shape');
    const { label, fields } = formOf(what.add);
    const item = page.getByRole('menuitem').filter({ has: page.getByText(label, { exact: true }) });
    // What is worked out just then may take the focus from the menu, which closes: it is opened again.
    for (let tries = 0; tries < 3 && !(await item.isVisible()); tries++) {
      if (!(await page.getByRole('menu').first().isVisible()))
        await rack().getByRole('button', { name: 'Part', exact: true }).click();
      await item.waitFor({ timeout: 20_000 }).catch(() => undefined);
    }
    // The menu's pictures are still coming; it stands where it is.
    await item.click({ force: true });
    const title = formOf(what.add).sheets === 'none' ? 'Name' : 'Name and foam';
    const naming = await openGroup(page, title);
    await naming.getByLabel('Name', { exact: true }).fill(what.as);
    await naming.getByLabel('Name', { exact: true }).press('Enter');
    await putMount(what, doc);
    if (what.foam) await putFoam(what.add, what.foam);
    await putParams(fields, newPart('p', doc.wearer, what.add).params, what.set ?? {});
  }

  async function detail({ detail: kind, of, set }: Extract<Doing, { detail: string }>): Promise<void> {
    await station('Shape');
    await choose(of);
    const { verb, fields } = standardKinds.features.get(kind)!;
    const before = await page.locator(`li[data-kind="${kind}"]`).count();
    await openGroup(page, 'Details');
    await inspector()
      .getByRole('group', { name: 'Add a detail' })
      .getByRole('button', { name: verb, exact: true })
      .click();
    await putLine(page.locator(`li[data-kind="${kind}"]`).nth(before), fields, set);
  }

  /** Values of a detail, in its line. */
  async function putLine(line: Locator, fields: readonly Field[], set: Params = {}): Promise<void> {
    await line.waitFor();
    const opens = line.locator('button[aria-expanded="false"]').first();
    if ((await opens.count()) > 0) await opens.click();
    for (const field of fields)
      if (set[field.key] !== undefined)
        await put(line, field.label, set[field.key] as number, field.type === 'choice');
  }

  async function light({
    light: of,
    with: kind,
    hours,
    set,
  }: Extract<Doing, { light: string }>): Promise<void> {
    await station('Inside');
    await choose(of);
    const first = page.getByRole('region', { name: 'First light' });
    await first.waitFor();
    if (kind) {
      const radio = first.getByRole('radio', { name: standardKinds.features.get(kind)!.label, exact: true });
      if ((await radio.count()) > 0) await radio.click();
    }
    if (hours) await put(first, 'Hours of light a day', hours, false);
    await first.getByRole('button', { name: 'Light it' }).click();
    await first.waitFor({ state: 'detached', timeout: 120_000 });
    if (kind && set)
      await putLine(
        page.locator(`li[data-kind="${kind}"]`).first(),
        standardKinds.features.get(kind)!.fields,
        set,
      );
  }

  async function paint({ paint: of, colour, surface }: Extract<Doing, { paint: string }>): Promise<void> {
    await station('Shape');
    await choose(of);
    const finish = await openGroup(page, 'Finish');
    await finish.getByRole('button', { name: 'Choose colours' }).click();
    await finish.getByLabel('Most of it', { exact: true }).fill(colour);
    await finish.getByLabel('Most of it: surface').selectOption(surface);
  }

  async function made({ id, doing }: Recipe): Promise<BuildDoc> {
    await page.goto(bench.url);
    await page.getByRole('button', { name: 'New build', exact: true }).click();
    await page.getByRole('button', { name: 'Create' }).click();
    await page.waitForURL(/\/build\//);
    for (const what of doing)
      if ('add' in what) await add(what, written(id));
      else if ('detail' in what) await detail(what);
      else if ('paint' in what) await paint(what);
      else await light(what);
    return asStored();
  }

  for (const recipe of driven)
    it(recipe.name, async () => {
      const [doc, file] = [await made(recipe), written(recipe.id)];
      const told = (build: BuildDoc) =>
        build.parts.map(({ name, form, params, stack, scheme, mount, features }) => ({
          name,
          form,
          params,
          stack: stack.map((p) => [p.foamId, p.nominalMm]),
          scheme,
          mount: {
            ...mount,
            alongMm: 0,
            acrossMm: 0,
            turnDeg: 0,
            leanDeg: 0,
            nodDeg: 0,
            offMm: 0,
            ...mount,
            part: '',
          },
          features: features.map((f) => f.kind),
        }));
      expect(told(doc)).to.deep.equal(told(file));
      expect(doc.circuits.length).to.equal(file.circuits.length);
    });
});
