import { z } from 'zod';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { panelTexts } from '@/core/texts/term';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

const room = z.object({ url: z.url(), number: z.string().max(40), code: z.string().max(40) });

/** Asks the meeting service for a room. In a demo that is the stand-in; no other service is connected yet. */
export async function makeRoom(
  pembit: Pembit,
  actor: SignedIn,
  title: string,
): Promise<Outcome<{ url: string; text: string }>> {
  if (actor.viewer.staffOf.size === 0) return refused('notYours');
  if (!pembit.config.standins) return refused('noMeetingService');
  try {
    const answer = await fetch(`http://127.0.0.1:${pembit.config.standinsPort}/meetings`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ title, host: actor.person.name }),
      signal: AbortSignal.timeout(10_000),
    });
    const made = room.parse(await answer.json());
    return done({ url: made.url, text: panelTexts.roomText({ number: made.number, code: made.code }) });
  } catch {
    return refused('noMeetingService');
  }
}
