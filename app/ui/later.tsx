import { startTransition, useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { whenFirstView } from './first-view';

/** A file that a view can do without is asked for again after so long, in ms. */
const AGAIN_MS = 3000;

/**
 * A component whose file loads when the first view is there, or when it is first wanted: the first view is there sooner. Once it has loaded it
 * is there at once, with no moment between in which keys could be lost. A file that does not load is an error of the view; one that
 * the view can do without (`spare`) is asked for again until it comes.
 */
export function later<P extends object>(
  load: () => Promise<ComponentType<P>>,
  { meanwhile = null, spare = false }: { readonly meanwhile?: ReactNode; readonly spare?: boolean } = {},
): ComponentType<P> {
  const file: { part: ComponentType<P> | null; coming: Promise<void> | null } = { part: null, coming: null };
  const fetched = (): Promise<void> => {
    const keep = (part: ComponentType<P>): void => void (file.part = part);
    file.coming ??= load().then(keep);
    // Not there now, perhaps later: the next one who wants it asks again.
    file.coming.catch(() => (file.coming = null));
    return file.coming;
  };
  if (typeof document === 'object') whenFirstView(() => void fetched().catch(() => undefined));
  return function Later(props: P) {
    const [seen, setSeen] = useState<{ part: ComponentType<P> | null; error?: Error }>(() => ({ part: file.part }));
    useEffect(() => {
      if (seen.part) return undefined;
      let gone = false;
      let timer: ReturnType<typeof setTimeout> | undefined;
      const failed = (e: unknown): void => {
        if (gone) return;
        if (spare) timer = setTimeout(ask, AGAIN_MS);
        else setSeen({ part: null, error: e instanceof Error ? e : new Error(String(e)) });
      };
      const ask = (): void => void fetched().then(() => gone || startTransition(() => setSeen({ part: file.part })), failed);
      ask();
      return () => {
        gone = true;
        clearTimeout(timer);
      };
    }, [seen.part]);
    if (seen.error) throw seen.error;
    const { part: Part } = seen;
    return Part ? <Part {...props} /> : meanwhile;
  };
}
