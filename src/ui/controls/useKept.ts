'use client';
import { useCallback, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
const cache = new Map<string, { text: string | null; value: unknown }>();

function read<T>(key: string, initial: T): T {
  const text = sessionStorage.getItem(key);
  const known = cache.get(key);
  if (known && known.text === text) return known.value as T;
  const value = text === null ? initial : (JSON.parse(text) as T);
  cache.set(key, { text, value });
  return value;
}

/** State that a reload of the page keeps, for this tab; `undefined` forgets it. */
export function useKept<T>(key: string, initial: T): [T, (value: T | undefined) => void] {
  const subscribe = useCallback((listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  }, []);
  const value = useSyncExternalStore(
    subscribe,
    () => read(key, initial),
    () => initial,
  );
  const keep = useCallback(
    (next: T | undefined) => {
      if (next === undefined) sessionStorage.removeItem(key);
      else sessionStorage.setItem(key, JSON.stringify(next));
      listeners.forEach((listener) => listener());
    },
    [key],
  );
  return [value, keep];
}

/** What is kept belongs to one person: whoever else signs in on this tab begins with nothing. */
export function keepFor(person: string): void {
  const owner = person.trim().toLowerCase();
  if (sessionStorage.getItem('kept-for') !== owner) sessionStorage.clear();
  sessionStorage.setItem('kept-for', owner);
}
