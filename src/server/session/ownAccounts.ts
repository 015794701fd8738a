import { Temporal } from 'temporal-polyfill';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { removeSiteAccount, siteAccountsOf } from '@/data/lti/accounts';
import { everyPlatform } from '@/data/lti/platforms';
import { accountsOf, removeAccount } from '@/data/people/schoolAccounts';
import type { Pembit } from '../pembit';
import type { SignedIn } from './session';

export type OwnAccount = Readonly<{ id: string; issuer: string; since: Temporal.PlainDate }>;

const dayOf = (ms: number) =>
  toWall(requireZone('Etc/UTC'), Temporal.Instant.fromEpochMilliseconds(ms)).toPlainDate();

/** The accounts of the school's sign-in that open one's own, with the day since when. */
export async function ownAccounts(pembit: Pembit, { person }: SignedIn): Promise<OwnAccount[]> {
  return (await accountsOf(pembit, person.id)).map(({ id, issuer, linkedAtMs }) => ({
    id,
    issuer: new URL(issuer).host,
    since: dayOf(linkedAtMs),
  }));
}

/** The course sites that open one's own account, with the day since when. */
export async function ownSites(pembit: Pembit, { person }: SignedIn): Promise<OwnAccount[]> {
  const [accounts, platforms] = await Promise.all([siteAccountsOf(pembit, person.id), everyPlatform(pembit)]);
  const names = new Map(platforms.map(({ issuer, name }) => [issuer, name]));
  return accounts.map(({ id, issuer, linkedAtMs }) => ({ id, issuer: names.get(issuer) ?? issuer, since: dayOf(linkedAtMs) }));
} // prettier-ignore

/** Ends that a course site opens one's own account: its sessions are over, and the next launch asks anew. */
export async function endSite(pembit: Pembit, { person }: SignedIn, id: string): Promise<Outcome<null>> {
  const found = await pembit.queue.write((writer) => removeSiteAccount(writer, id, person.id), { aside: true }); // prettier-ignore
  return found ? done(null) : refused('notFound');
}

/** Ends a link of one's own. */
export async function endLink(pembit: Pembit, { person }: SignedIn, id: string): Promise<Outcome<null>> {
  const found = await pembit.queue.write((writer) => removeAccount(writer, id, person.id), { aside: true });
  return found ? done(null) : refused('notFound');
}
