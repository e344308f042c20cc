// Builds the client to dist/app and the server to dist/server/main.js.
import { build as esbuild } from 'esbuild';
import { build as vite } from 'vite';
import { compress } from './compress.mjs';

await vite({ logLevel: process.env.VERBOSE ? 'info' : 'warn' });
await esbuild({
  entryPoints: ['server/main.ts', 'server/worker.ts'],
  outdir: 'dist/server',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  packages: 'external',
  sourcemap: true,
  logLevel: 'warning',
});
await compress('dist/app');
