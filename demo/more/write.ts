import { writeBuildFile } from '@fomrik/core/files/buildFile';
import { derive } from '@fomrik/core/report';
import { finishedPicture } from '@fomrik/core/stepPicture';
import { pngOf } from '@fomrik/core/view';
import { mkdirSync, writeFileSync } from 'node:fs';
import { applied } from './apply';
import { buildPage } from './page';
import { recipes } from './recipes';

/** Writes the files, pages and pictures of all builds anew: `npx tsx demo/more/write.ts`. */
const at = (path: string): URL => new URL(path, import.meta.url);
mkdirSync(at('../../docs/builds/'), { recursive: true });
for (const recipe of recipes) {
  const doc = applied(recipe);
  const report = derive(doc);
  const file = { fomrik: 2 as const, build: doc, pins: [], log: [] };
  writeFileSync(at(`${recipe.id}.fomrik.json`), writeBuildFile(file as never));
  writeFileSync(at(`../../docs/builds/${recipe.id}.md`), buildPage(recipe, doc, report));
  writeFileSync(
    at(`../../docs/builds/${recipe.id}.png`),
    pngOf(finishedPicture(report.body, report.parts, doc.parts, 360, 480, recipe.seenFromBehind ? 200 : 20)),
  );
}
