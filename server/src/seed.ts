import type { BuildDoc, BuildFile } from '@fomrik/core/document';
import { readBuildFile } from '@fomrik/core/files/buildFile';
import { randomUUID } from 'node:crypto';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { DataSource } from 'typeorm';
import { atomic } from './atomic';
import { BuildStore, insertBuild } from './buildStore';
import { keepPictures } from './pictureStore';
import { keepWearer, ShopStore } from './shopStore';

/**
 * Loads every build file of a folder once, all of them or none, under an id made from its file name.
 * Dates are moved so that the work begins today.
 * A build that is there already, changed or deleted, is left alone.
 * @returns names of the builds that were added.
 */
export async function seedBuilds(db: DataSource, folder: string, today = new Date()): Promise<string[]> {
  const builds = new BuildStore(db);
  const shop = new ShopStore(db);
  if (!existsSync(folder)) throw new Error(`There is no folder of build files called ${folder}.`);
  const files = readdirSync(folder)
    .filter((f) => f.endsWith('.fomrik.json'))
    .sort()
    .reverse();
  const known = new Set((await shop.wearers()).map((w) => w.name));
  const fresh: { id: string; file: BuildFile }[] = [];
  for (const file of files) {
    const id = `demo-${file.replace('.fomrik.json', '')}`;
    if (await builds.has(id)) continue;
    const read = readBuildFile(readFileSync(join(folder, file), 'utf8'));
    if (!read.ok) throw new Error(`${file}: ${read.message}`);
    fresh.push({ id, file: read.value });
  }
  await atomic(db, async (tx) => {
    for (const { id, file } of fresh) {
      await keepPictures(tx, file.pictures);
      await insertBuild(tx, id, fromToday(file.build, today), file.pins, file.log);
      const { wearer } = file.build;
      if (!known.has(wearer.name)) await keepWearer(tx, randomUUID(), 0, wearer);
      known.add(wearer.name);
    }
  });
  return fresh.map(({ file }) => file.build.name);
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
