import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { API, ID } from '../contract';

/** Written by the build (vite.config.ts): the files of each view by the word of its address. */
const VIEWS_AHEAD = 'views-ahead.json';

type Views = ReadonlyMap<string, readonly string[]>;

/** Without it the page asks for its files by itself, a little later. */
function viewsIn(webRoot: string): Views {
  try {
    const kept = JSON.parse(readFileSync(join(webRoot, VIEWS_AHEAD), 'utf8')) as Readonly<Record<string, readonly string[]>>;
    return new Map(Object.entries(kept));
  } catch {
    return new Map();
  }
}

/**
 * What a page will ask for is named with it, in the header Link, and not only when its scripts have got so far (HTML standard,
 * link types preload and modulepreload): the study that its address names, and the files of its view.
 */
export function ahead(webRoot: string): (path: string) => { readonly Link?: string } {
  const views = viewsIn(webRoot);
  return (path) => {
    const [, id = '', word = ''] = /^(?:\/study\/([^/]+))?\/([a-z]+)/.exec(path) ?? [];
    const study = ID.test(id) ? [`<${API.studies}/${id}>; rel=preload; as=fetch; crossorigin`] : [];
    const files = (views.get(word) ?? []).map((file) => `</${file}>; rel=modulepreload; crossorigin; fetchpriority=low`);
    const all = [...study, ...files];
    return all.length ? { Link: all.join(', ') } : {};
  };
}
