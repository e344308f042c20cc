import { useEffect, useRef } from 'react';

export interface KeyCommand {
  /** As KeyboardEvent.key gives it; "mod+z" with Ctrl or Command. */
  keys: string[];
  /** How the list of keys shows it. */
  shown: string;
  does: string;
  /** Told which of its keys was pressed. */
  run: (key: string) => void;
}

const named = (e: KeyboardEvent): string =>
  `${e.ctrlKey || e.metaKey ? 'mod+' : ''}${e.shiftKey && (e.ctrlKey || e.metaKey || e.key.startsWith('Arrow')) ? 'shift+' : ''}${e.key.length === 1 ? e.key.toLowerCase() : e.key}`;

const WRITES = 'input, textarea, select, [contenteditable=true]';
/** What is laid over the view; the lists of choosers stand in such. A list that belongs to the view itself takes only the keys that it prevents. */
const OPENED = '[role=dialog], [role=menu]';

/** Whether the place that has the focus needs this key for itself. */
function taken(e: KeyboardEvent, name: string): boolean {
  const at = e.target instanceof Element ? e.target : null;
  if (!at) return false;
  if (at.closest(WRITES) || at.closest(OPENED)) return true;
  if (name === ' ' || name === 'Enter') return !!at.closest('button, a, [role=radio]');
  return name.startsWith('Arrow') && !!at.closest('[data-own-keys]');
}

/** Single-key commands while a view is up; the newest handlers are always the ones that run. */
export function useKeys(commands: KeyCommand[]): void {
  const latest = useRef(commands);
  useEffect(() => {
    latest.current = commands;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.altKey || e.defaultPrevented) return;
      const name = named(e);
      const command = latest.current.find((c) => c.keys.includes(name));
      if (!command || taken(e, name)) return;
      e.preventDefault();
      command.run(name);
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
}
