'use client';
import { useEffect, useState } from 'react';
import { callApi } from '../controls/callApi';
import type { DraftReading } from './readDraft';

const PAUSE_MS = 400;

/** What looks questionable in what is being written, a moment after each change. */
export function useChecks(reading: DraftReading, id: string | undefined): readonly string[] {
  const [found, setFound] = useState<readonly string[]>([]);
  const asked = reading.ok && reading.input.kind !== 'note' ? JSON.stringify(reading.input) : undefined;
  useEffect(() => {
    let wanted = true;
    const timer = setTimeout(() => {
      if (!asked) return setFound([]);
      const body = { id, entry: JSON.parse(asked) as unknown };
      void callApi<readonly { why: string }[]>('POST', '/api/checks/preview', body).then((answer) => {
        if (wanted) setFound(answer.ok ? answer.value.map(({ why }) => why) : []);
      });
    }, PAUSE_MS);
    return () => {
      wanted = false;
      clearTimeout(timer);
    };
  }, [asked, id]);
  return found;
}
