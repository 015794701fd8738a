'use client';
import { useEffect } from 'react';
import { drawFor } from '../controls/useKept';

/** Watches that the page stays one person's. */
export function DrawnFor({ email }: { email: string }) {
  useEffect(() => drawFor(email), [email]);
  return null;
}
