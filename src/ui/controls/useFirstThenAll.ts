import { startTransition, useEffect, useState } from 'react';

/**
 * The beginning of a long list, and all of it as soon as the page is alive: the server draws the beginning alone, the rest is
 * drawn by the browser, which meanwhile answers to clicks.
 */
export function useFirstThenAll<T>(list: readonly T[], first: number): readonly T[] {
  const [alive, setAlive] = useState(false);
  useEffect(() => startTransition(() => setAlive(true)), []);
  return alive ? list : list.slice(0, first);
}
