import { termTexts } from '@/core/texts/term';
import { callApi } from './callApi';
import type { MessageAct } from './messageAct';

/** The offer to tell those whom an act concerns, with their number; nothing where there is nobody. */
export async function tellOffer(
  history: string,
  say: (text: string) => void,
): Promise<MessageAct | undefined> {
  const seen = await callApi<{ seen: number }>('GET', `/api/history/${history}`);
  if (!seen.ok || seen.value.seen === 0) return undefined;
  const run = async () => {
    const told = await callApi<{ told: number; gathered: number }>('POST', `/api/history/${history}/tell`);
    say(told.ok ? termTexts.told(told.value) : told.message);
  };
  return { label: termTexts.tell({ n: seen.value.seen }), run };
}
