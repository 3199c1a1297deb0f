import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** Where the server of `./fomrik dev` said it is. */
const server = process.env['FOMRIK_SERVER'] ?? 'http://127.0.0.1:4600';

export default defineConfig({
  plugins: [react(), tailwindcss()],
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
