'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { frameTexts } from '@/core/texts/frame';
import { noteAnswer, useConnection } from '../controls/connection';

const EVERY_MS = 2000;

/** Says that the server does not answer, or knows no more who asks; asks until it does, and then draws the page anew. */
export function ConnectionNote({ bySite }: Readonly<{ bySite: boolean }>) {
  const router = useRouter();
  const connection = useConnection();
  useEffect(() => {
    if (connection === 'there') return;
    const ask = async () => {
      const answer = await fetch('/api/version').catch(() => undefined);
      if (!answer?.ok) return;
      noteAnswer('there');
      router.refresh();
    };
    const timer = setInterval(() => void ask(), EVERY_MS);
    return () => clearInterval(timer);
  }, [connection, router]);
  return (
    <div role="status" aria-live="polite">
      {connection === 'lost' ? <p className="notice">{frameTexts.lost}</p> : null}
      {connection === 'signedOut' ? (
        <p className="notice">
          {frameTexts.signedOut}{' '}
          {bySite ? (
            frameTexts.openAgain
          ) : (
            <a href="/sign-in" target="_blank" rel="noopener">
              {frameTexts.signInAgain}
            </a>
          )}
        </p>
      ) : null}
    </div>
  );
}
