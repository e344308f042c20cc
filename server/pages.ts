import type { MiddlewareHandler } from 'hono';
import { serveStatic } from '@hono/node-server/serve-static';
import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { API, ID } from '../contract';
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
  return async (c, next) => {
    const isFile = /\.[a-z0-9]+$/i.test(c.req.path);
    if (!isFile) {
      const page = readFileSync(join(webRoot, 'index.html'), 'utf8');
      return c.html(page, 200, { 'Cache-Control': 'no-cache', ...studyAhead(c.req.path) });
    }
    const found = await files(c, next);
    return found ?? refuse(c, 404, 'NOT_FOUND', 'There is no such file.');
  };
}

/** The study that a view's address names is asked for with the page, not when the scripts have got so far (HTML standard, link type preload). */
function studyAhead(path: string): { readonly Link?: string } {
  const id = /^\/study\/([^/]+)\//.exec(path)?.[1] ?? '';
  return ID.test(id) ? { Link: `<${API.studies}/${id}>; rel=preload; as=fetch; crossorigin` } : {};
}
