import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { licencesOf } from './scripts/licences.mjs';

const root = fileURLToPath(new URL('app', import.meta.url));
const standIn = (file: string): string => fileURLToPath(new URL(`app/workers/${file}`, import.meta.url));
/** Parts of the PDF writer's libraries that no sheet needs, more than half of what its worker would weigh. */
const LEFT_OUT = [
  { find: /^(node-html-better-parser|html-entities|culori|brotli\/decompress\.js)$/, replacement: standIn('left-out.ts') },
  { find: /^\.\/(Courier|Helvetica|Times|Symbol|ZapfDingbats)[-A-Za-z]*\.compressed\.json$/, replacement: standIn('left-out.json') },
];

/** The faces that every view begins with, and its accidentals, are asked for with the page: no text changes its face before the eye. */
const fontsAhead = (): Plugin => ({
  name: 'fonts-ahead',
  transformIndexHtml: {
    order: 'post',
    handler: (_, { bundle }) =>
      Object.keys(bundle ?? {})
        .filter((file) => /((commissioner|fraunces)-latin-wght-normal|signs)-[^/]*\.woff2$/.test(file))
        .map((file) => ({ tag: 'link', attrs: { rel: 'preload', as: 'font', type: 'font/woff2', href: `/${file}`, crossorigin: '' } })),
  },
});

/** The style and the faces of text go before the scripts, which are much larger: the frame stands while they come. */
const scriptsAfter = (): Plugin => ({
  name: 'scripts-after',
  transformIndexHtml: {
    order: 'post',
    handler: (html) => html.replace(/<(script type="module"|link rel="modulepreload")/g, '<$1 fetchpriority="low"'),
  },
});

/** The files of each view by the word of its address, for the server to name with the page (server/ahead.ts): they need not wait until the scripts ask. */
const viewsAhead = (): Plugin => ({
  name: 'views-ahead',
  generateBundle(_, bundle) {
    const chunks = Object.values(bundle).filter((f) => f.type === 'chunk');
    const first = new Set(chunks.filter((c) => c.isEntry).flatMap((c) => [c.fileName, ...c.imports]));
    const views = chunks.flatMap((c) => {
      const [, word] = /\/views\/\w+\/(\w+)View\.tsx$/.exec(c.facadeModuleId ?? '') ?? [];
      return word ? [[word.toLowerCase(), [c.fileName, ...c.imports].filter((f) => !first.has(f))] as const] : [];
    });
    this.emitFile({ type: 'asset', fileName: 'views-ahead.json', source: JSON.stringify(Object.fromEntries(views)) });
  },
});

/** Files that went into the page's scripts and its workers', which are built before it, and into its faces of text. */
const wentIn = new Set<string>();
const noted = (): Plugin => ({
  name: 'noted',
  generateBundle(_, bundle) {
    for (const file of Object.values(bundle))
      for (const one of file.type === 'chunk' ? file.moduleIds : file.originalFileNames)
        if (!one.startsWith('\0')) wentIn.add(resolve(root, one));
  },
});

/** The licences of all that went in lie beside it. */
const licences = (): Plugin => ({
  name: 'licences',
  generateBundle() {
    this.emitFile({ type: 'asset', fileName: 'licences.txt', source: licencesOf([...wentIn]) });
  },
});

export default defineConfig({
  root: 'app',
  // The router names no build for production, so that a bundler takes the one with its warnings.
  resolve: {
    alias: [
      ...LEFT_OUT,
      {
        find: /^react-router$/,
        replacement: fileURLToPath(new URL('node_modules/react-router/dist/production/index.mjs', import.meta.url)),
      },
    ],
  },
  plugins: [
    react(),
    tailwind(),
    fontsAhead(),
    scriptsAfter(),
    viewsAhead(),
    noted(),
    licences(),
    // The built files are kept by the browser, each build's own, so that a reload opens them with the server away. Answers
    // of the API are never kept. A newer build waits until the player lets it in.
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      useCredentials: true, // behind the gate of a shared notebook the manifest needs the device's cookie
      manifest: {
        id: '/',
        name: 'Crow Ladder',
        short_name: 'Crow Ladder',
        description: 'Scale shapes across the neck, joined, moved to any key or tuning, and drilled.',
        start_url: '/',
        display: 'standalone',
        background_color: '#191a1f',
        theme_color: '#16181d',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        maximumFileSizeToCacheInBytes: 6 * 1024 * 1024,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/pair$/],
        cleanupOutdatedCaches: true,
      },
    }),
  ],
  worker: { format: 'es', plugins: () => [noted()] },
  build: {
    outDir: '../dist/app',
    emptyOutDir: true,
    assetsInlineLimit: 0, // data: fonts would break the content security policy
    target: 'es2022',
    // What loads later brings its own parts: naming them all ahead of it in the page costs more than it saves.
    modulePreload: {
      resolveDependencies: (_, files, { hostType }) => (hostType === 'html' ? files : files.filter((f) => f.endsWith('.css'))),
    },
    // What the first load needs goes out in two files, not in sixty: the libraries, which seldom change, and the application.
    rolldownOptions: {
      output: {
        codeSplitting: {
          groups: [
            { name: 'libraries', test: /[\\/]node_modules[\\/]/, tags: ['$initial'], priority: 2, includeDependenciesRecursively: false },
            { name: 'first', tags: ['$initial'], priority: 1, includeDependenciesRecursively: false },
            // What several views share: one file in place of fifty, for each costs a way to the server and back.
            { name: 'shared', test: /[\\/](app|core|contract)[\\/](?!.*worker)/, minShareCount: 3 },
          ],
        },
      },
    },
    chunkSizeWarningLimit: 1600, // in kB before gzip: the PDF writer is one such file, loaded when a sheet is made
  },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4714', changeOrigin: true, headers: { origin: 'http://127.0.0.1:4714' } } } },
});
