import tailwindcss from '@tailwindcss/vite';
import babel from '@rolldown/plugin-babel';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { readdirSync, writeFileSync } from 'node:fs';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress, constants } from 'node:zlib';
import { defineConfig, type Plugin } from 'vite';

/** Where the server of `./fomrik dev` said it is. */
const server = process.env['FOMRIK_SERVER'] ?? 'http://127.0.0.1:4600';

const filesIn = (dir: string): string[] =>
  readdirSync(dir, { recursive: true, withFileTypes: true })
    .filter((f) => f.isFile() && !f.name.endsWith('.br'))
    .map((f) => join(f.parentPath, f.name));

/** Lists the built files, so that a device can keep them for when the server is away. */
const offlineList = (): Plugin => ({
  name: 'offline-list',
  apply: 'build',
  writeBundle: ({ dir = 'dist' }) => {
    const files = filesIn(dir)
      .map((path) => `/${path.slice(dir.length).replaceAll('\\', '/').replace(/^\//, '')}`)
      .filter((path) => !['/index.html', '/worker.js', '/offline.json'].includes(path));
    writeFileSync(join(dir, 'offline.json'), JSON.stringify(['/', ...files.sort()]));
  },
});

const shrink = promisify(brotliCompress);

/** Lays a compressed file beside each that gains by it: the server hands it to whoever can read it. */
const compressed = (): Plugin => ({
  name: 'compressed',
  apply: 'build',
  writeBundle: async ({ dir = 'dist' }) => {
    await Promise.all(
      filesIn(dir)
        .filter((path) => /\.(?:js|css|ttf|svg)$/.test(path))
        .map(async (path) => {
          const small = await shrink(await readFile(path), {
            params: { [constants.BROTLI_PARAM_QUALITY]: 9 },
          });
          await writeFile(`${path}.br`, small);
        }),
    );
  },
});

/** The compiler of React, for what React draws alone: reading all of core through it would take most of the build. */
const compiler = reactCompilerPreset();
compiler.rolldown.filter = { ...compiler.rolldown.filter, id: /\/web\/src\/.*\.tsx?$/ };

export default defineConfig({
  plugins: [react(), babel({ presets: [compiler] }), tailwindcss(), offlineList(), compressed()],
  worker: { format: 'es' },
  build: { target: 'es2023', chunkSizeWarningLimit: 1500 },
  server: {
    proxy: {
      '/api': {
        target: server,
        changeOrigin: true,
        headers: { origin: server },
      },
    },
  },
});
