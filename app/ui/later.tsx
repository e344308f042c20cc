import { useEffect, useState, type ComponentType, type ReactNode } from 'react';
import { whenFirstView } from './first-view';

/**
 * A component whose file loads when the first view is there, or when it is first wanted: the first view is there sooner. Once it has loaded it
 * is there at once, with no moment between in which keys could be lost. A file that does not load is an error of the view.
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, meanwhile: ReactNode = null): ComponentType<P> {
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
      fetched().then(
        () => gone || setSeen({ part: file.part }),
        (e: unknown) => gone || setSeen({ part: null, error: e instanceof Error ? e : new Error(String(e)) }),
      );
      return () => {
        gone = true;
      };
    }, [seen.part]);
    if (seen.error) throw seen.error;
    const { part: Part } = seen;
    return Part ? <Part {...props} /> : meanwhile;
  };
}
