// Builds the client to dist/app and the server to dist/server/main.js.
import { build as vite } from 'vite';
import { bundleServer } from './bundle-server.mjs';
import { compress } from './compress.mjs';

await vite({ logLevel: process.env.VERBOSE ? 'info' : 'warn' });
await bundleServer('dist/server', { sourcemap: true });
await compress('dist/app');
