'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { frameTexts } from '@/core/texts/frame';
import { noteAnswer, useLost } from '../controls/connection';

const EVERY_MS = 2000;

/** Says that the server does not answer, asks until it does, and then draws the page anew. */
export function ConnectionNote() {
  const router = useRouter();
  const lost = useLost();
  useEffect(() => {
    if (!lost) return;
    const ask = async () => {
      const answer = await fetch('/api/version').catch(() => undefined);
      if (!answer?.ok) return;
      noteAnswer(true);
      router.refresh();
    };
    const timer = setInterval(() => void ask(), EVERY_MS);
    return () => clearInterval(timer);
  }, [lost, router]);
  return (
    <div role="status" aria-live="polite">
      {lost ? <p className="notice">{frameTexts.lost}</p> : null}
    </div>
  );
}
