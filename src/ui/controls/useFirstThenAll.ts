import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/**
 * The beginning of a long list where the server draws it, and while the browser takes over what the server has drawn; all of it
 * from then on. A page that one comes back to has its whole list at once, and stands where it stood.
 */
export function useFirstThenAll<T>(list: readonly T[], first: number): readonly T[] {
  const alive = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return alive ? list : list.slice(0, first);
}
