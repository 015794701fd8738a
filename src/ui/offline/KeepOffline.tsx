'use client';
import { useEffect } from 'react';
import type { KeptDays } from './keptPlan';
import { keepDays } from './keptPlan';

/** Keeps what the page shows on the device, and has the device show it when there is no connection. */
export function KeepOffline({ kept }: { kept: Omit<KeptDays, 'savedAt'> }) {
  useEffect(() => {
    // A browser without either shows its own page; nothing else depends on it.
    if (!('serviceWorker' in navigator) || !('indexedDB' in window)) return;
    void navigator.serviceWorker
      .register('/sw.js')
      .then(() => keepDays({ ...kept, savedAt: new Date().toISOString() }))
      .catch(() => undefined);
  }, [kept]);
  return null;
}
