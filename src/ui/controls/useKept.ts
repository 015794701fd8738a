'use client';
import { useCallback, useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
const cache = new Map<string, { text: string | null; value: unknown }>();

const SHARED = 'shared-device';

/** What is kept where others use the device: in this page alone, until it is left. */
const passing = new Map<string, string>();
const isShared = () => sessionStorage.getItem(SHARED) !== null;

const textOf = (key: string) => (isShared() ? (passing.get(key) ?? null) : sessionStorage.getItem(key));

function write(key: string, text: string | undefined): void {
  passing.delete(key);
  if (text === undefined) sessionStorage.removeItem(key);
  else if (isShared()) passing.set(key, text);
  else sessionStorage.setItem(key, text);
}

function read<T>(key: string, initial: T): T {
  const text = textOf(key);
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
      write(key, next === undefined ? undefined : JSON.stringify(next));
      listeners.forEach((listener) => listener());
    },
    [key],
  );
  return [value, keep];
}

/** Whom this page was last drawn for. */
let drawnFor: string | undefined;
const ownerOf = (person: string) => person.trim().toLowerCase();

/**
 * When somebody else has signed in meanwhile, on another tab or by way of the school, nothing that the former one typed is
 * theirs: it is forgotten, and the page begins anew.
 */
export function drawFor(person: string): void {
  const before = drawnFor ?? sessionStorage.getItem('kept-for') ?? ownerOf(person);
  drawnFor = ownerOf(person);
  if (before === drawnFor) return;
  keepFor(person, isShared());
  window.location.reload();
}

/** What is kept belongs to one person: whoever else signs in on this tab begins with nothing. On a shared device nothing is kept. */
export function keepFor(person: string, shared: boolean): void {
  const owner = ownerOf(person);
  drawnFor = owner;
  if (shared || sessionStorage.getItem('kept-for') !== owner) sessionStorage.clear();
  if (shared) sessionStorage.setItem(SHARED, '1');
  else {
    sessionStorage.removeItem(SHARED);
    sessionStorage.setItem('kept-for', owner);
  }
}
