import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

export default defineConfig({
  root: 'app',
  plugins: [
    react(),
    tailwind(),
    // The built files are kept by the browser, each build's own, so that a reload opens them with the server away. Answers
    // of the API are never kept. A newer build waits until the player lets it in.
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      manifest: false,
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: 6 * 1024 * 1024,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        cleanupOutdatedCaches: true,
      },
    }),
  ],
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
