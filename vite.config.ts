import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'app',
  plugins: [react(), tailwind()],
  worker: { format: 'es' },
  build: {
    outDir: '../dist/app',
    emptyOutDir: true,
    assetsInlineLimit: 0, // data: fonts would break the content security policy
    target: 'es2022',
    chunkSizeWarningLimit: 1600, // in kB before gzip: the PDF writer is one such file, loaded when a sheet is made
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4714', changeOrigin: true, headers: { origin: 'http://127.0.0.1:4714' } } } },
});
