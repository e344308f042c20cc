import { useCallback, useSyncExternalStore } from 'react';
import { keptValue } from '../store/kept-value';

type Theme = 'light' | 'dark';
/** The player's choice, or null: as the system asks, at once when it asks for another. */
const choice = keptValue<Theme | null>('theme', (value) => (value === 'light' || value === 'dark' ? value : null));
const system = (): MediaQueryList => matchMedia('(prefers-color-scheme: dark)');
const themeOf = (chosen: Theme | null, dark: boolean): Theme => chosen ?? (dark ? 'dark' : 'light');

function show(): void {
  document.documentElement.dataset.theme = themeOf(choice.get(), system().matches);
}

/** From now on the page wears the theme chosen, or that of the system. */
export function applyTheme(): void {
  show();
  system().addEventListener('change', show);
}

function onSystem(tell: () => void): () => void {
  const query = system();
  query.addEventListener('change', tell);
  return () => query.removeEventListener('change', tell);
}

export function useTheme(): [Theme, () => void] {
  const dark = useSyncExternalStore(onSystem, () => system().matches);
  const now = themeOf(choice.use(), dark);
  const toggle = useCallback(() => {
    choice.set(themeOf(choice.get(), system().matches) === 'dark' ? 'light' : 'dark');
    show();
  }, []);
  return [now, toggle];
}
