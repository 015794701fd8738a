import { createHash, randomBytes } from 'node:crypto';
import type { Reader } from '@/data/reader';
import type { Person } from '@/data/people/people';
import { noteArrival, noteComing, personByEmail, writePassword } from '@/data/people/people';
import { platformById } from '@/data/lti/platforms';
import { deleteSessions, insertSession, sessionById, touchSession } from '@/data/people/sessions';
import type { Viewer } from '@/core/entries/viewer';
import { isOnStaff } from '@/core/entries/viewer';
import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused, tooOften } from '@/core/refusals';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { hasSecondStep, owesSecondStep, spendCode } from './secondStep';
import { TooBusy, hashPassword, isOutdated, verifyNobody, verifyPassword } from './password';
import type { Try } from './tries';
import { forgetTries, giveBackTries, secondsToWait, takeTries } from './tries';

/** Writes about one session, which hold whatever others write. */
const FREE = { aside: true, locks: [] } as const;
const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Students stay signed in on a device for 90 days; staff for 12 hours of silence and 7 days in all. */
const LIMITS = {
  student: { idle: 90 * DAY, all: 90 * DAY },
  staff: { idle: 12 * HOUR, all: 7 * DAY },
  shared: { idle: 2 * HOUR, all: 2 * HOUR },
  /** Opened by a course site's launch: the next launch opens another. */
  site: { idle: 2 * HOUR, all: 12 * HOUR },
} as const;

export const COOKIE_SECONDS = LIMITS.student.all / 1000;

/** `__Host-` needs https; on plain http (a demo, a test) the cookie has its plain name. */
export const cookieName = (baseUrl: string): string =>
  baseUrl.startsWith('https:') ? '__Host-pembit' : 'pembit_session';

/** The cookie of a session that a course site's launch opened: it lives in that site's frames. */
export const siteCookieName = (baseUrl: string): string =>
  baseUrl.startsWith('https:') ? '__Host-pembit_site' : 'pembit_site';
export const SITE_COOKIE_SECONDS = LIMITS.site.all / 1000;

const idOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Whoever is signed in, with what they see by. */
export type SignedIn = Readonly<{
  person: Person;
  viewer: Extract<Viewer, { kind: 'person' }>;
  session: string;
  /** The token that acts for them, in the place of a session. */
  token?: string;
  /** Whether others use this device: then nothing is kept on it. */
  shared?: boolean;
  /** The course site that opened it, and which pages may show what is answered in a frame. */
  site?: Readonly<{ id: string; name: string; origins: readonly string[] }>;
  /** Whether it was opened by the school's sign-in: signing out can go on there. */
  bySchool?: boolean;
  /** Whether what the request is about is still as whoever asks has seen it (RFC 9110, If-Match). */
  unchanged?: (reader: Reader) => Promise<boolean>;
}>;

/** What somebody types to sign in, and the network address that they come from. */
export type Credentials = Readonly<{
  email: string;
  password: string;
  code?: string;
  from?: string;
  shared?: boolean;
}>;

/** Makes a new session for whoever shows who they are; the token goes into the cookie and is not kept. */
export async function signIn(
  pembit: Pembit,
  credentials: Credentials,
): Promise<Outcome<{ token: string; person: Person }>> {
  const shown = await showWhoOneIs(pembit, credentials);
  if (!shown.ok) return shown;
  const { shared } = credentials;
  return done({ token: await openSession(pembit, shown.value.id, { shared }), person: shown.value });
}

/**
 * Whose address and password these are. Whoever has a second step is asked for its code once the password fits. What is wrong is
 * counted, and too much of it ends in a pause.
 */
export async function showWhoOneIs(
  pembit: Pembit,
  { email, password, code, from = '' }: Credentials,
): Promise<Outcome<Person>> {
  const account = email.trim().toLowerCase();
  const here = `${from} ${account}`;
  // Where many others try at an account, one address has fewer tries; it is not shut out by what they do.
  const besieged = (await secondsToWait(pembit, 'account', account)) > 0;
  const counted: readonly Try[] = [
    ['signIn', here],
    ['address', from],
    besieged ? ['besieged', here] : ['account', account],
  ];
  // Counted before the hash is taken: what comes in the same moment is counted as well.
  const wait = await takeTries(pembit, counted);
  if (wait > 0) return tooOften(wait);
  const right = () => giveBackTries(pembit, counted);
  const found = await personByEmail(pembit, email);
  let fits: boolean;
  try {
    // Somebody invited who has not chosen a password yet is like nobody here.
    fits =
      found?.passwordHash && !found.deactivated
        ? await verifyPassword(password, found.passwordHash)
        : await verifyNobody(password);
  } catch (error) {
    if (error instanceof TooBusy) await right();
    throw error;
  }
  if (!found || !fits) return refused('wrongSignIn');
  if (await hasSecondStep(pembit, found.id)) {
    if (!code) {
      await right();
      return refused('codeNeeded');
    }
    if (!(await spendCode(pembit, found.id, code))) return refused('wrongCode');
  }
  await right();
  await forgetTries(pembit, 'signIn', here);
  if (isOutdated(found.passwordHash)) await rehash(pembit, found.id, password);
  const { passwordHash: _, ...person } = found;
  return done(person);
}

/** Keeps the password in the way it is kept today; where that takes too long just now, the next time. */
async function rehash(pembit: Pembit, id: PersonId, password: string): Promise<void> {
  const hash = await hashPassword(password).catch(() => undefined);
  if (hash) await pembit.queue.write((writer) => writePassword(writer, id, hash), { aside: true });
}

/** A new session of somebody who has shown who they are; on a device that others use, for two hours at most. */
export async function openSession(
  pembit: Pembit,
  person: PersonId,
  {
    shared = false,
    bySchool = false,
    platform,
  }: Readonly<{ shared?: boolean; bySchool?: boolean; platform?: string }> = {},
): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  const nowMs = pembit.now().epochMilliseconds;
  const session = {
    id: idOf(token),
    person,
    createdAtMs: nowMs,
    seenAtMs: nowMs,
    shared,
    bySchool,
    platform,
  };
  await pembit.queue.write(async (writer) => {
    await insertSession(writer, session);
    await noteComing(writer, person, nowMs);
  }, FREE);
  return token;
}

/**
 * The person behind a cookie's token, or undefined when there is no session, or it has run out. Who has yet to set up a second
 * step that the school asks for is nobody, but where `owing` says that such a one is dealt with.
 */
export async function signedInBy(
  pembit: Pembit,
  token: string | undefined,
  { owing = false }: Readonly<{ owing?: boolean }> = {},
): Promise<SignedIn | undefined> {
  if (!token) return undefined;
  const session = await sessionById(pembit, idOf(token));
  if (!session) return undefined;
  const { person, viewer, arrivesIn } = await keptPerson(pembit, session.person);
  if (!person || person.deactivated) return undefined;
  const limits = session.platform ? LIMITS.site : session.shared ? LIMITS.shared : isOnStaff(viewer) || person.isAdmin ? LIMITS.staff : LIMITS.student; // prettier-ignore
  const nowMs = pembit.now().epochMilliseconds;
  const over = nowMs - session.createdAtMs > limits.all || nowMs - session.seenAtMs > limits.idle;
  if (over) {
    await pembit.queue.write((writer) => deleteSessions(writer, { id: session.id }), FREE);
    return undefined;
  }
  // A note of each request would be a write for each; five minutes are exact enough for 12 hours.
  if (nowMs - session.seenAtMs > 5 * 60_000)
    await pembit.queue.write((writer) => touchSession(writer, session.id, nowMs), FREE);
  if (arrivesIn.length > 0) await pembit.queue.write((writer) => noteArrival(writer, person.id));
  const { shared, bySchool } = session;
  const site = session.platform === undefined ? undefined : await platformById(pembit, session.platform);
  // Whoever runs a course's site vouches for people of its courses: nobody administers the school on that word.
  const known = site ? { ...person, isAdmin: false } : person;
  const by = site && { site: { id: site.id, name: site.name, origins: site.origins } };
  const actor = { person: known, viewer, session: session.id, shared, bySchool, ...by };
  return !owing && (await owesSecondStep(pembit, actor)) ? undefined : actor;
}

/** By the cookies of a browser: what a course site opened goes before one's own session, which no frame of a site has. */
export async function signedInWith(
  pembit: Pembit,
  cookieOf: (name: string) => string | undefined,
  options: Readonly<{ owing?: boolean }> = {},
): Promise<SignedIn | undefined> {
  const { baseUrl } = pembit.config;
  const bySite = await signedInBy(pembit, cookieOf(siteCookieName(baseUrl)), options);
  return bySite ?? (await signedInBy(pembit, cookieOf(cookieName(baseUrl)), options));
}

/** How long ago one may have signed in for what needs a person who is here just now. */
const FRESH_MS = 10 * 60_000;

/** Whether somebody has signed in just now; a course site's word is no sign-in. */
export async function isFresh(pembit: Pembit, { session, site }: SignedIn): Promise<boolean> {
  if (site) return false;
  const found = await sessionById(pembit, session);
  return found !== undefined && pembit.now().epochMilliseconds - found.createdAtMs < FRESH_MS;
}

export const signOut = (pembit: Pembit, signedIn: SignedIn): Promise<void> =>
  pembit.queue.write((writer) => deleteSessions(writer, { id: signedIn.session }), FREE);

export const signOutEverywhere = (pembit: Pembit, signedIn: SignedIn): Promise<void> =>
  pembit.queue.write((writer) => deleteSessions(writer, { person_id: signedIn.person.id }), { aside: true });
