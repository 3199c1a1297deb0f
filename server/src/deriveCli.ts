import { fontFiles, type FontSource } from '@fomrik/core/files/pdf/fonts';
import { derive } from '@fomrik/core/report';
import { docInFile } from '@fomrik/core/files/buildArchive';
import { sheetFile } from '@fomrik/core/files/sheetFile';
import { type ExportSource, makeExport, offeredExports } from '@fomrik/core/files/exports';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { parseArgs } from 'node:util';

/** `fomrik derive FILE --out DIR [--json] [--book]`: everything the browser can download, without a browser. */
function usage(message: string): never {
  console.error(`${message}\nUsage: ./fomrik derive FILE --out DIR [--json] [--book]`);
  process.exit(2);
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    out: { type: 'string' },
    json: { type: 'boolean', default: false },
    book: { type: 'boolean', default: false },
  },
});
const [file] = positionals;
if (!file || !values.out) usage('Name a build file and a folder for the results.');

let bytes: Uint8Array;
try {
  bytes = readFileSync(file);
} catch (error) {
  usage(`Cannot read ${file}: ${(error as Error).message}`);
}
const read = docInFile(bytes);
if (!read.ok) usage(`${file}: ${read.message}`);

const printFont: FontSource = (name) => readFile(createRequire(import.meta.url).resolve(fontFiles[name]));

const build = read.value;
const report = derive(build);
mkdirSync(values.out, { recursive: true });
const files = offeredExports(build, report).filter((f) => f.slow !== true || values.book);
const source: ExportSource = {
  doc: build,
  report,
  stamp: new Date(`${build.brief.startDate}T00:00:00Z`),
  font: printFont,
  unit: 'mm',
};
for (const file of files) writeFileSync(join(values.out, file.id), await makeExport(file, source));
report.packed.sheets.forEach((_, i) => {
  for (const kind of ['svg', 'dxf'] as const)
    writeFileSync(join(values.out!, `sheet-${i + 1}.${kind}`), sheetFile(report, i, kind, build.name));
});
if (values.json) writeFileSync(join(values.out, 'report.json'), JSON.stringify(report, null, 1));
for (const finding of report.findings) console.log(`${finding.severity.padEnd(4)} ${finding.title}`);
console.log(
  `Wrote ${files.length + 2 * report.packed.sheets.length + (values.json ? 1 : 0)} files to ${values.out}`,
);
