import { useEffect, useLayoutEffect, useRef } from 'react';
import { prefsNow, type Prefs } from '../store/prefs';

/** A command that has a key: the lists of keys and the command line are made of these. */
export interface CommandInfo {
  /** Its own among those of its view. */
  readonly id: string;
  /** As KeyboardEvent.key gives it; "mod+z" with Ctrl or Command. */
  readonly keys: readonly string[];
  /** How the list of keys shows it. */
  readonly shown: string;
  readonly does: string;
}

/** What each command of a list does; told which of its keys was pressed. */
export type Runs<T extends readonly CommandInfo[]> = Record<T[number]['id'], (key: string) => void>;

interface Mounted {
  readonly view: string;
  readonly infos: readonly CommandInfo[];
  readonly runs: Readonly<Record<string, (key: string) => void>>;
}

/** Those that can be run now: the shell's and the view's. The view's come first. */
const mounted: Mounted[] = [];
/** A command that waits for its view to be there. */
let waiting: { readonly view: string; readonly id: string } | null = null;

/** Letters, digits and signs are commands by themselves (WCAG 2.1.4); arrows, Space and keys with Ctrl are not. */
const isCharacter = (key: string): boolean => [...key].length === 1 && key !== ' ';

const letterOf = (e: KeyboardEvent): string => /^(?:Key|Digit)(.)$/.exec(e.code)?.[1]!.toLowerCase() ?? e.key;
const named = (e: KeyboardEvent): string => {
  const mod = e.ctrlKey || e.metaKey;
  const key = e.altKey && prefsNow().keys === 'alt' ? letterOf(e) : e.key.length === 1 ? e.key.toLowerCase() : e.key;
  return `${mod ? 'mod+' : ''}${e.shiftKey && (mod || e.key.startsWith('Arrow')) ? 'shift+' : ''}${key}`;
};

/** Whether the player wants this key pressed as it was. */
function wanted(e: KeyboardEvent, name: string): boolean {
  if (!isCharacter(name)) return !e.altKey;
  const { keys } = prefsNow();
  return keys === 'alt' ? e.altKey : keys === 'alone' && !e.altKey;
}

/** How a key is shown to a player who wants it pressed so; null where it does nothing. */
export function shownKey({ shown, keys }: CommandInfo, how: Prefs['keys']): string | null {
  if (!keys.some(isCharacter)) return shown;
  if (how === 'off') return null;
  return how === 'alt' ? `Alt ${shown}` : shown;
}

const WRITES = 'input:not([type=checkbox], [type=radio]), textarea, select, [contenteditable=true]';
/** What is laid over the view; the lists of choosers stand in such. A list that belongs to the view itself takes only the keys that it prevents. */
const OPENED = '[role=dialog]:not([data-stand]), [role=alertdialog], [role=menu]';

/** Whether the place that has the focus needs this key for itself. */
function taken(e: KeyboardEvent, name: string): boolean {
  const at = e.target instanceof Element ? e.target : null;
  if (!at || name === 'mod+k') return false;
  if (at.closest(WRITES) || at.closest(OPENED)) return true;
  if (name === ' ' || name === 'Enter') return !!at.closest('button, a, [role=radio], input, summary');
  return name.startsWith('Arrow') && !!at.closest('[data-own-keys]');
}

/** Listens for the keys of all that is mounted. Once, by the shell. */
export function useKeyboard(): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.defaultPrevented) return;
      const name = named(e);
      if (!wanted(e, name)) return;
      for (const { infos, runs } of [...mounted].reverse()) {
        const command = infos.find((c) => c.keys.includes(name));
        if (!command) continue;
        if (taken(e, name)) return;
        e.preventDefault();
        runs[command.id]!(name);
        return;
      }
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
}

/**
 * The commands of a view while it is up; the newest handlers are always the ones that run. They are there with the view's first
 * picture, not a moment after it: a key pressed in between would be lost, and the letters after it be commands.
 */
export function useCommands<const T extends readonly CommandInfo[]>(view: string, infos: T, runs: Runs<T>): void {
  const latest = useRef(runs);
  useLayoutEffect(() => {
    latest.current = runs;
  });
  useLayoutEffect(() => {
    const entry: Mounted = {
      view,
      infos,
      runs: Object.fromEntries(infos.map(({ id }) => [id, (key: string) => latest.current[id as T[number]['id']](key)])),
    };
    if (view === SHELL) mounted.unshift(entry);
    else mounted.push(entry);
    if (waiting?.view === view) {
      const { id } = waiting;
      waiting = null;
      setTimeout(() => entry.runs[id]!(''));
    }
    return () => void mounted.splice(mounted.indexOf(entry), 1);
  }, [view, infos]);
}

export const SHELL = 'shell';

/** The commands that can be run where the player is, the view's first. */
export const commandsHere = (): readonly CommandInfo[] => [...mounted].reverse().flatMap((m) => m.infos);

/** Runs a command of a view, at once where the view is up, else as soon as it is there. False where it has to be gone to. */
export function runCommand(view: string, id: string): boolean {
  const entry = mounted.find((m) => m.view === view && m.infos.some((c) => c.id === id));
  if (entry) entry.runs[id]!('');
  else waiting = { view, id };
  return entry !== undefined;
}
