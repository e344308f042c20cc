import { useCallback, useSyncExternalStore } from 'react';

type Theme = 'light' | 'dark';
const KEY = 'crow-ladder:theme';
const listeners = new Set<() => void>();

const stored = (): string | null => {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
};

/** The player's choice, else what the system asks for. */
const theme = (): Theme => {
  const choice = stored();
  if (choice === 'light' || choice === 'dark') return choice;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
};

export function applyTheme(): void {
  document.documentElement.dataset.theme = theme();
}

export function useTheme(): [Theme, () => void] {
  const now = useSyncExternalStore((l) => (listeners.add(l), () => listeners.delete(l)), theme);
  const toggle = useCallback(() => {
    try {
      localStorage.setItem(KEY, theme() === 'dark' ? 'light' : 'dark');
    } catch {
      return; // storage is forbidden: the system's theme stays
    }
    applyTheme();
    listeners.forEach((l) => l());
  }, []);
  return [now, toggle];
}
