import { useSyncExternalStore } from 'react';

const never = () => () => undefined;

/** Whether the browser has taken over what the server has drawn; a page that one comes back to has been at once. */
export const useTakenOver = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/**
 * The beginning of a long list where the server draws it, and while the browser takes over what the server has drawn; all of it
 * from then on. A page that one comes back to has its whole list at once, and stands where it stood.
 */
export function useFirstThenAll<T>(list: readonly T[], first: number): readonly T[] {
  return useTakenOver() ? list : list.slice(0, first);
}
