import type { Wearer } from '@fomrik/core/body';
import type { BuildDoc } from '@fomrik/core/document';
import { readBuildFile } from '@fomrik/core/files/buildFile';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DataSource } from 'typeorm';
import { BuildStore } from './buildStore';
import { ShopStore } from './shopStore';

/**
 * Loads every build file of a folder once, under an id made from its file name.
 * Dates are moved so that the work begins today.
 * A build that is there already, changed or thrown away, is left alone.
 * @returns names of the builds that were added.
 */
export async function seedBuilds(db: DataSource, folder: string, today = new Date()): Promise<string[]> {
  const builds = new BuildStore(db);
  const shop = new ShopStore(db);
  const added: string[] = [];
  for (const file of readdirSync(folder)
    .filter((f) => f.endsWith('.fomrik.json'))
    .sort()
    .reverse()) {
    const id = `demo-${file.replace('.fomrik.json', '')}`;
    if (await builds.has(id)) continue;
    const read = readBuildFile(readFileSync(join(folder, file), 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${read.message}`);
    await builds.importFile(id, { ...read.value, build: fromToday(read.value.build, today) });
    await keepWearer(shop, read.value.build.wearer);
    added.push(read.value.build.name);
  }
  return added;
}

const DAY_MS = 86_400_000;

/** The same build begun today, its event as many days ahead as in the file. */
function fromToday(build: BuildDoc, today: Date): BuildDoc {
  const { startDate, eventDate } = build.brief;
  const iso = (ms: number): string => new Date(ms).toISOString().slice(0, 10);
  const ahead = Date.parse(eventDate) - Date.parse(startDate);
  const start = Math.floor(today.getTime() / DAY_MS) * DAY_MS;
  return { ...build, brief: { ...build.brief, startDate: iso(start), eventDate: iso(start + ahead) } };
}

async function keepWearer(shop: ShopStore, wearer: Wearer): Promise<void> {
  const known = await shop.wearers();
  if (!known.some((w) => w.name === wearer.name))
    await shop.putWearer(wearer.name.toLowerCase().replace(/[^a-z0-9]+/g, '-'), wearer);
}
