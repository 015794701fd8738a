import { Temporal } from 'temporal-polyfill';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { accountsOf, removeAccount } from '@/data/people/schoolAccounts';
import type { Pembit } from '../pembit';
import type { SignedIn } from './session';

export type OwnAccount = Readonly<{ id: string; issuer: string; since: Temporal.PlainDate }>;

/** The accounts of the school's sign-in that open one's own, with the day since when. */
export async function ownAccounts(pembit: Pembit, { person }: SignedIn): Promise<OwnAccount[]> {
  const zone = requireZone('Etc/UTC');
  return (await accountsOf(pembit, person.id)).map(({ id, issuer, linkedAtMs }) => ({
    id,
    issuer: new URL(issuer).host,
    since: toWall(zone, Temporal.Instant.fromEpochMilliseconds(linkedAtMs)).toPlainDate(),
  }));
}

/** Ends a link of one's own. */
export async function endLink(pembit: Pembit, { person }: SignedIn, id: string): Promise<Outcome<null>> {
  const found = await pembit.queue.write((writer) => removeAccount(writer, id, person.id), { aside: true });
  return found ? done(null) : refused('notFound');
}
