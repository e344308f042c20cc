import { lazy, useState, type ComponentType, type LazyExoticComponent, type ReactElement } from 'react';

/**
 * A view whose file loads when it is first gone to; the view before it stays until it is there. A file that did not load is an
 * error of that view, and is asked for again the next time.
 */
export function view(load: () => Promise<ComponentType>): ReactElement {
  const file: { part: LazyExoticComponent<ComponentType> } = { part: lazy(ask) };
  async function ask(): Promise<{ default: ComponentType }> {
    try {
      return { default: await load() };
    } catch (e) {
      file.part = lazy(ask);
      throw e;
    }
  }
  function View() {
    const [Part] = useState(() => file.part);
    return <Part />;
  }
  return <View />;
}
