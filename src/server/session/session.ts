import { createHash, randomBytes } from 'node:crypto';
import type { Reader } from '@/data/database';
import type { Person } from '@/data/people/people';
import { personByEmail } from '@/data/people/people';
import { deleteSessions, insertSession, sessionById, touchSession } from '@/data/people/sessions';
import type { Viewer } from '@/core/entries/viewer';
import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused, tooOften } from '@/core/refusals';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { hasSecondStep, owesSecondStep, spendCode } from './secondStep';
import { countTry, forgetTries, secondsToWait } from './tries';
import { verifyNobody, verifyPassword } from './password';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** Students stay signed in on a device for 90 days; staff for 12 hours of silence and 7 days in all. */
const LIMITS = {
  student: { idle: 90 * DAY, all: 90 * DAY },
  staff: { idle: 12 * HOUR, all: 7 * DAY },
} as const;

export const COOKIE_SECONDS = LIMITS.student.all / 1000;

/** `__Host-` needs https; on plain http (a demo, a test) the cookie has its plain name. */
export const cookieName = (baseUrl: string): string =>
  baseUrl.startsWith('https:') ? '__Host-pembit' : 'pembit_session';

const idOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Whoever is signed in, with what they see by. */
export type SignedIn = Readonly<{
  person: Person;
  viewer: Extract<Viewer, { kind: 'person' }>;
  session: string;
  /** Whether what the request is about is still as whoever asks has seen it (RFC 9110, If-Match). */
  unchanged?: (reader: Reader) => Promise<boolean>;
}>;

/** What somebody types to sign in, and the network address that they come from. */
export type Credentials = Readonly<{ email: string; password: string; code?: string; from?: string }>;

/**
 * Makes a new session; the token goes into the cookie and is not kept. Whoever has a second step is asked for its code once
 * the password fits. What is wrong is counted, and too much of it ends in a pause.
 */
export async function signIn(
  pembit: Pembit,
  { email, password, code, from = '' }: Credentials,
): Promise<Outcome<{ token: string; person: Person }>> {
  const account = email.trim().toLowerCase();
  const counted = [
    ['signIn', `${from} ${account}`],
    ['account', account],
    ['address', from],
  ] as const;
  const wait = Math.max(...counted.map(([what, who]) => secondsToWait(pembit, what, who)));
  if (wait > 0) return tooOften(wait);
  const wrong = (reason: 'wrongSignIn' | 'wrongCode') => {
    for (const [what, who] of counted) countTry(pembit, what, who);
    return refused(reason);
  };
  const found = await personByEmail(pembit, email);
  // Somebody invited who has not chosen a password yet is like nobody here.
  const fits = found?.passwordHash
    ? await verifyPassword(password, found.passwordHash)
    : await verifyNobody(password);
  if (!found || !fits) return wrong('wrongSignIn');
  if (await hasSecondStep(pembit, found.id)) {
    if (!code) return refused('codeNeeded');
    if (!(await spendCode(pembit, found.id, code))) return wrong('wrongCode');
  }
  forgetTries(pembit, 'signIn', `${from} ${account}`);
  const { passwordHash: _, ...person } = found;
  return done({ token: await openSession(pembit, person.id), person });
}

/** A new session of somebody who has shown who they are. */
export async function openSession(pembit: Pembit, person: PersonId): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(
    (writer) => insertSession(writer, { id: idOf(token), person, createdAtMs: nowMs, seenAtMs: nowMs }),
    { aside: true },
  );
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
  const { person, viewer } = await keptPerson(pembit, session.person);
  if (!person) return undefined;
  const limits = viewer.staffOf.size > 0 || person.isAdmin ? LIMITS.staff : LIMITS.student;
  const nowMs = pembit.now().epochMilliseconds;
  const over = nowMs - session.createdAtMs > limits.all || nowMs - session.seenAtMs > limits.idle;
  if (over) {
    await pembit.queue.write((writer) => deleteSessions(writer, { id: session.id }), { aside: true });
    return undefined;
  }
  // A note of each request would be a write for each; five minutes are exact enough for 12 hours.
  if (nowMs - session.seenAtMs > 5 * 60_000)
    await pembit.queue.write((writer) => touchSession(writer, session.id, nowMs), { aside: true });
  const actor = { person, viewer, session: session.id };
  return !owing && (await owesSecondStep(pembit, actor)) ? undefined : actor;
}

export const signOut = (pembit: Pembit, signedIn: SignedIn): Promise<void> =>
  pembit.queue.write((writer) => deleteSessions(writer, { id: signedIn.session }), { aside: true });

export const signOutEverywhere = (pembit: Pembit, signedIn: SignedIn): Promise<void> =>
  pembit.queue.write((writer) => deleteSessions(writer, { person_id: signedIn.person.id }), { aside: true });
