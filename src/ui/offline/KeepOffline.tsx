'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { offlineTexts } from '@/core/texts/offline';
import { callApi } from '../controls/callApi';
import { useMessages } from '../controls/Messages';
import type { KeptDays, KeptTick } from './keptPlan';
import { keepDays, sendTicks } from './keptPlan';

/** Whether a tick has reached the server, or never can: then it is not sent again. */
async function send({ entry, done }: KeptTick): Promise<boolean> {
  const answer = await callApi('PUT', `/api/entries/${entry}/done`, { done });
  return answer.ok || [400, 404, 409, 410].includes(answer.status);
}

/**
 * Keeps what the page shows on the device, and has the device show it when there is no connection; sends the ticks that were
 * made meanwhile.
 */
export function KeepOffline({ kept }: { kept: Omit<KeptDays, 'savedAt'> }) {
  const router = useRouter();
  const say = useMessages();
  useEffect(() => {
    // A browser without either shows its own page; nothing else depends on it.
    if (!('serviceWorker' in navigator) || !('indexedDB' in window)) return;
    void navigator.serviceWorker
      .register('/sw.js')
      .then(() => keepDays({ ...kept, savedAt: new Date().toISOString() }))
      .then(() => sendTicks(kept.person, send))
      .then((sent) => {
        if (sent === 0) return;
        say(offlineTexts.sent(sent));
        router.refresh();
      })
      .catch(() => undefined);
  }, [kept, router, say]);
  return null;
}
