import { useSyncExternalStore } from 'react';

/** A value that this browser keeps for its player, under a name. */
export interface KeptValue<T> {
  readonly get: () => T;
  /** False where the browser keeps nothing; the value holds until the page goes then. */
  readonly set: (value: T) => boolean;
  readonly use: () => T;
  readonly subscribe: (listener: () => void) => () => void;
}

const stored = (key: string): string | null => {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
};

function parsed(text: string | null): unknown {
  if (text === null) return null;
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** Keeps a value as JSON. `read` makes a sound value of whatever stands there; null is given to it where nothing does. */
export function keptValue<T>(name: string, read: (value: unknown) => T): KeptValue<T> {
  const key = `crow-ladder:${name}`;
  const listeners = new Set<() => void>();
  let known: { readonly text: string | null; readonly value: T } | null = null;
  let held: { readonly value: T } | null = null;
  const get = (): T => {
    if (held) return held.value;
    const text = stored(key);
    if (!known || known.text !== text) known = { text, value: read(parsed(text)) };
    return known.value;
  };
  const set = (value: T): boolean => {
    let keeps = true;
    try {
      localStorage.setItem(key, JSON.stringify(value));
      held = null;
    } catch {
      held = { value };
      keeps = false;
    }
    listeners.forEach((l) => l());
    return keeps;
  };
  const subscribe = (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  return { get, set, subscribe, use: () => useSyncExternalStore(subscribe, get) };
}
