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
 * Keeps the coming weeks on the device, and has the device show them when there is no connection; sends the ticks that were
 * made meanwhile. `version` grows when anything of a plan changes: then they are kept anew.
 */
export function KeepOffline({ person, version }: { person: string; version: number }) {
  const router = useRouter();
  const say = useMessages();
  useEffect(() => {
    // A browser without either shows its own page; nothing else depends on it.
    if (!('serviceWorker' in navigator) || !('indexedDB' in window)) return;
    // What comes after the page was left is not kept: whoever signs out leaves nothing behind.
    let left = false;
    void navigator.serviceWorker
      .register('/sw.js')
      .then(() => callApi<Omit<KeptDays, 'savedAt'>>('GET', '/api/kept'))
      .then(async (kept) => {
        if (left) return 0;
        if (kept.ok) await keepDays({ ...kept.value, savedAt: new Date().toISOString() });
        return sendTicks(person, send);
      })
      .then((sent) => {
        if (sent === 0) return;
        say(offlineTexts.sent({ n: sent }));
        router.refresh();
      })
      .catch(() => undefined);
    return () => {
      left = true;
    };
  }, [person, version, router, say]);
  return null;
}
