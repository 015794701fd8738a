'use client';
import { useSyncExternalStore } from 'react';

const listeners = new Set<() => void>();
let lost = false;

/** Notes whether the server has answered what was last asked of it. */
export function noteAnswer(answered: boolean): void {
  if (lost === !answered) return;
  lost = !answered;
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
      if (!lost) end();
    };
    const timer = setTimeout(end, ms);
    listeners.add(look);
  });
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether the server has not answered of late. */
export const useLost = (): boolean =>
  useSyncExternalStore(
    subscribe,
    () => lost,
    () => false,
  );
