import type { MiddlewareHandler } from 'hono';
import { serveStatic } from '@hono/node-server/serve-static';
import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ahead } from './ahead';
import { refuse } from './guards';

/** Built files by name; any other address is a view of the one page. A missing asset is a 404, never the page. */
export function pages(webRoot: string): MiddlewareHandler {
  const files = serveStatic({
    root: relative(process.cwd(), webRoot) || '.',
    precompressed: true, // scripts/compress.mjs
    onFound: (path, c) => {
      c.header('Cache-Control', path.includes('assets') ? 'public, max-age=31536000, immutable' : 'no-cache');
    },
  });
  const linksOf = ahead(webRoot);
  return async (c, next) => {
    const isFile = /\.[a-z0-9]+$/i.test(c.req.path);
    if (!isFile) {
      const page = readFileSync(join(webRoot, 'index.html'), 'utf8');
      return c.html(page, 200, { 'Cache-Control': 'no-cache', ...linksOf(c.req.path) });
    }
    const found = await files(c, next);
    return found ?? refuse(c, 404, 'NOT_FOUND', 'There is no such file.');
  };
}
