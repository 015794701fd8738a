import { historyTexts } from '@/core/texts/history';
import { trustTexts } from '@/core/texts/trust';
import { toldLately } from '@/data/events/tellings';
import { withNames } from '@/data/history/personRefs';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** For how long whoever told something reads how its letters go. */
const SAID_MS = 2 * 24 * 3_600_000;

/** How the letters go that somebody had sent about their acts of the last days, a line for each. */
export async function lettersSoFar(
  pembit: Pembit,
  { person }: SignedIn,
): Promise<readonly Readonly<{ key: string; words: string }>[]> {
  const sinceMs = pembit.now().epochMilliseconds - SAID_MS;
  const told = await toldLately(pembit, { actor: person.id, sinceMs });
  const named = await withNames(pembit, told, historyTexts.somebody);
  return named.map(({ history, summary, ...counts }) => ({
    key: history,
    words: trustTexts.lettersSoFar(summary, counts),
  }));
}
