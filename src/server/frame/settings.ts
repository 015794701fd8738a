import type { SettingsInput } from '@/core/frame/schoolSettings';
import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseIdsOf } from '@/data/plan/frameStore';
import { allTerms } from '@/data/plan/loadPlan';
import { schoolSettings, writeSettings } from '@/data/plan/schoolSettings';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import { keptSettings } from './keptSettings';
import type { SignedIn } from '../session/session';

/** The administrator changes the school's name, how it writes dates, when its weeks begin, how long it keeps things. */
export function changeSettings(
  pembit: Pembit,
  actor: SignedIn,
  input: SettingsInput,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'changeSettings', async (change) => {
    if (!mayOffice(actor, 'changeSettings')) return refused('notYours');
    await writeSettings(change, { ...(await schoolSettings(change)), ...input });
    // Dates stand in every page and feed.
    for (const term of await allTerms(change))
      change.concerns(...(await courseIdsOf(change, term.id)).map((course) => `course:${course}` as const));
    change.summarise(frameHistoryTexts.changedSettings);
    return done({ name: input.name });
  });
}

/** What anybody may read of how the school can be used by everybody. */
export async function accessFacts(pembit: Pembit): Promise<Readonly<{ name: string; contact: string; statement: string }>> {
  const { name, accessContact: contact, accessStatement: statement } = await keptSettings(pembit);
  return { name, contact, statement };
} // prettier-ignore

/** The line that the office set for everybody; empty: none. */
export const schoolNotice = async (pembit: Pembit): Promise<string> => (await keptSettings(pembit)).notice;
