import { useSyncExternalStore } from 'react';

/** What the shell can lay over a view. */
export type PanelName = 'keys' | 'commands' | 'words' | 'settings' | 'devices';

let open: PanelName | null = null;
/** What had the focus before; it gets it back. */
let before: HTMLElement | null = null;
const listeners = new Set<() => void>();

function set(next: PanelName | null): void {
  if (next && !open) before = document.activeElement instanceof HTMLElement ? document.activeElement : null;
  open = next;
  listeners.forEach((l) => l());
}

export const openPanel = (name: PanelName): void => set(name);
export const closePanel = (): void => set(null);
export const panelNow = (): PanelName | null => open;
export const focusedBefore = (): HTMLElement | null => (before?.isConnected && before !== document.body ? before : null);
export const useOpenPanel = (): PanelName | null => useSyncExternalStore((l) => (listeners.add(l), () => listeners.delete(l)), () => open); // prettier-ignore
