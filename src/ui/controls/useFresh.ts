'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { callApi } from './callApi';

const EVERY_MS = 3000;

/** Draws the page anew when somebody else has changed something, within seconds, while it is looked at. */
export function useFresh(): void {
  const router = useRouter();
  useEffect(() => {
    let seen: number | undefined;
    const look = async () => {
      if (document.visibilityState !== 'visible') return;
      const answer = await callApi<{ version: number }>('GET', '/api/version');
      if (!answer.ok) return;
      if (seen !== undefined && answer.value.version !== seen) router.refresh();
      seen = answer.value.version;
    };
    void look();
    const timer = setInterval(() => void look(), EVERY_MS);
    return () => clearInterval(timer);
  }, [router]);
}
