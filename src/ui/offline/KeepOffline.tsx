'use client';
import { useEffect } from 'react';
import type { Packed } from '../controls/packed';
import { useUnpacked } from '../controls/packed';
import type { KeptDays } from './keptPlan';
import { keepDays } from './keptPlan';

/** Keeps what the page shows on the device, and has the device show it when there is no connection. */
export function KeepOffline({ kept }: { kept: Packed<Omit<KeptDays, 'savedAt'>> }) {
  const plan = useUnpacked(kept);
  useEffect(() => {
    // A browser without either shows its own page; nothing else depends on it.
    if (!('serviceWorker' in navigator) || !('indexedDB' in window)) return;
    void navigator.serviceWorker
      .register('/sw.js')
      .then(() => keepDays({ ...plan, savedAt: new Date().toISOString() }))
      .catch(() => undefined);
  }, [plan]);
  return null;
}
