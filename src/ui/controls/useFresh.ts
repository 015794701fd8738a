'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useTransition } from 'react';
import { callApi } from './callApi';

const EVERY_MS = 3000;

/**
 * Draws the page anew when somebody else has changed something, within seconds, while it is looked at. `version` is the one
 * that the page was drawn from: what came between drawing and the first look is not missed.
 */
export function useFresh(version: number): void {
  const router = useRouter();
  const [drawing, startDrawing] = useTransition();
  useEffect(() => {
    // Another drawing that is asked for before the last has come takes its place: on a slow line none would ever come.
    if (drawing) return;
    let looking = false;
    const look = async () => {
      // One look at a time: without an answer it goes on trying by itself.
      if (looking || document.visibilityState !== 'visible') return;
      looking = true;
      const answer = await callApi<{ version: number }>('GET', '/api/version');
      looking = false;
      if (answer.ok && answer.value.version !== version) startDrawing(() => router.refresh());
    };
    const timer = setInterval(() => void look(), EVERY_MS);
    return () => clearInterval(timer);
  }, [router, version, drawing]);
}
