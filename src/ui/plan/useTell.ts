'use client';
import { termTexts } from '@/core/texts/term';
import { callApi } from '../controls/callApi';
import type { MessageAct } from '../controls/messageAct';
import { useMessages } from '../controls/Messages';

/** The offer to tell those whom an act concerns, with their number; nothing where there is nobody. */
export function useTell(): (history: string) => Promise<MessageAct[]> {
  const say = useMessages();
  return async (history) => {
    const seen = await callApi<{ seen: number }>('GET', `/api/history/${history}`);
    if (!seen.ok || seen.value.seen === 0) return [];
    const tell = async () => {
      const told = await callApi<{ told: number }>('POST', `/api/history/${history}/tell`);
      say(told.ok ? termTexts.told(told.value.told) : told.message, told.ok ? history : undefined);
    };
    return [{ label: termTexts.tell(seen.value.seen), run: tell }];
  };
}
