import { useCallback } from 'react';
import { keptValue } from '../store/kept-value';

type Theme = 'light' | 'dark';
/** The player's choice, or null: as the system asks. */
const choice = keptValue<Theme | null>('theme', (value) => (value === 'light' || value === 'dark' ? value : null));
const themeOf = (chosen: Theme | null): Theme => chosen ?? (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light');

export function applyTheme(): void {
  document.documentElement.dataset.theme = themeOf(choice.get());
}

export function useTheme(): [Theme, () => void] {
  const now = themeOf(choice.use());
  const toggle = useCallback(() => {
    choice.set(themeOf(choice.get()) === 'dark' ? 'light' : 'dark');
    applyTheme();
  }, []);
  return [now, toggle];
}
