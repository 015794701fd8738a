'use client';
import Link from 'next/link';
import { frameTexts } from '@/core/texts/frame';

/** In the place of a page that could not be drawn: what happened, and what to do. */
export default function PageError({ reset }: { reset: () => void }) {
  return (
    <main style={{ padding: '48px 24px', maxWidth: 560 }}>
      <h1>{frameTexts.brokenTitle}</h1>
      <p style={{ padding: '8px 0 16px' }}>{frameTexts.brokenLead}</p>
      <p style={{ display: 'flex', gap: 16, alignItems: 'center' }}>
        <button type="button" onClick={reset}>
          {frameTexts.again}
        </button>
        <Link href="/">{frameTexts.product}</Link>
      </p>
    </main>
  );
}
