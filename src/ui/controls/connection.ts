'use client';
import { useSyncExternalStore } from 'react';

/** `lost`: the server did not answer; `signedOut`: it does not know any more who asks. */
export type Connection = 'there' | 'lost' | 'signedOut';

const listeners = new Set<() => void>();
let state: Connection = 'there';

/** Notes how what was last asked of the server was answered. */
export function noteAnswer(next: Connection): void {
  if (state === next) return;
  state = next;
  listeners.forEach((listener) => listener());
}

/** Waits until the server has answered again, or for so long. */
export function untilBack(ms: number): Promise<void> {
  return new Promise((resolve) => {
    const end = () => {
      clearTimeout(timer);
      listeners.delete(look);
      resolve();
    };
    const look = () => {
      if (state !== 'lost') end();
    };
    const timer = setTimeout(end, ms);
    listeners.add(look);
  });
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

export const useConnection = (): Connection =>
  useSyncExternalStore(
    subscribe,
    () => state,
    () => 'there',
  );
