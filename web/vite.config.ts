import tailwindcss from '@tailwindcss/vite';
import babel from '@rolldown/plugin-babel';
import react, { reactCompilerPreset } from '@vitejs/plugin-react';
import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig, type Plugin } from 'vite';

/** Where the server of `./fomrik dev` said it is. */
const server = process.env['FOMRIK_SERVER'] ?? 'http://127.0.0.1:4600';

/** Lists the built files, so that a device can keep them for when the server is away. */
const offlineList = (): Plugin => ({
  name: 'offline-list',
  apply: 'build',
  writeBundle: ({ dir = 'dist' }) => {
    const files = readdirSync(dir, { recursive: true, withFileTypes: true })
      .filter((f) => f.isFile() && !['index.html', 'worker.js', 'offline.json'].includes(f.name))
      .map(
        (f) => `/${join(f.parentPath, f.name).slice(dir.length).replaceAll('\\', '/').replace(/^\//, '')}`,
      );
    writeFileSync(join(dir, 'offline.json'), JSON.stringify(['/', ...files.sort()]));
  },
});

export default defineConfig({
  plugins: [react(), babel({ presets: [reactCompilerPreset()] }), tailwindcss(), offlineList()],
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
