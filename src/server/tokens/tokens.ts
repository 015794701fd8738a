import { randomBytes, randomUUID } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { PersonId } from '@/core/ids';
import { may } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { coursesOf } from '@/core/entries/viewer';
import { tokenTexts as say } from '@/core/texts/tokens';
import type { TokenInput } from '@/core/tokens/token';
import { permits } from '@/core/tokens/token';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { noteInOffice } from '@/data/people/officeLog';
import type { OwnedToken } from '@/data/tokens/tokens';
import { deleteToken, everyToken, insertToken, tokenById, tokensOfPerson } from '@/data/tokens/tokens';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';
import { isFresh } from '../session/session';
import { PREFIX, hashOf } from './bearer';

const MOST = 30;

const mayFor = (actor: SignedIn, act: 'makeToken' | 'endToken', owner: PersonId): boolean =>
  may(actor, act, { parts: [], owner }).ok;

/** Makes a token for oneself, for whoever has signed in just now; what it consists of is told this once. */
export async function makeToken(
  pembit: Pembit,
  actor: SignedIn,
  input: TokenInput,
): Promise<Outcome<{ id: string; name: string; token: string }>> {
  const owner = actor.person.id;
  if (!mayFor(actor, 'makeToken', owner)) return refused('notFound');
  const bad = (field: string, message: string) => refused('badRequest', [{ field, message }]);
  const scopes = new Set(input.scopes);
  if (permits({ scopes }, 'school', false) && !actor.person.isAdmin) return bad('scopes', say.officeOnly);
  if (input.courses && permits({ scopes }, 'school', false)) return bad('courses', say.schoolHasNone);
  const own = new Set(coursesOf(actor.viewer));
  if (input.courses?.some((course) => !own.has(course))) return bad('courses', say.notYourCourse);
  const now = pembit.now();
  const expires = input.expires && {
    on: input.expires,
    at: toInstant(
      requireZone(await zoneFor(pembit, actor)),
      input.expires.add({ days: 1 }).toPlainDateTime(),
    ),
  };
  if (expires && Temporal.Instant.compare(expires.at, now) <= 0) return bad('expires', say.past);
  if (!(await isFresh(pembit, actor))) return refused('signInAnew');
  const secret = PREFIX + randomBytes(32).toString('base64url');
  const token = {
    id: randomUUID(),
    owner,
    name: input.name,
    scopes,
    ...(input.courses ? { courses: new Set(input.courses) } : {}),
    origins: input.origins,
    created: now,
    ...(expires ? { expires } : {}),
  };
  return pembit.queue.write(
    async (writer) => {
      if ((await tokensOfPerson(writer, owner)).length >= MOST)
        return bad('name', say.tooMany({ most: MOST }));
      await insertToken(writer, token, hashOf(secret));
      return done({ id: token.id, name: token.name, token: secret });
    },
    { aside: true },
  );
}

/** The zone whose days somebody means: of their courses' term. */
async function zoneFor(pembit: Pembit, { viewer }: SignedIn): Promise<string> {
  const { terms } = await planSeenBy(pembit, viewer, { notes: false });
  return terms.at(-1)?.tzid ?? 'UTC';
}

/** Ends a token, one's own or, by the office, anybody's: from the answer on it opens nothing. */
export async function endToken(
  pembit: Pembit,
  actor: SignedIn,
  id: string,
): Promise<Outcome<{ name: string }>> {
  const found = await tokenById(pembit, id);
  if (!found || !mayFor(actor, 'endToken', found.owner)) return refused('notFound');
  const nowMs = pembit.now().epochMilliseconds;
  await pembit.queue.write(
    async (writer) => {
      await deleteToken(writer, id);
      if (found.owner !== actor.person.id)
        await noteInOffice(
          { ...writer, nowMs },
          { act: 'token', actor: actor.person.id, person: found.owner },
        );
    },
    { aside: true },
  );
  return done({ name: found.name });
}

/** One's own tokens, and for the office those of others as well. */
export async function tokensFor(
  pembit: Pembit,
  actor: SignedIn,
): Promise<Readonly<{ own: readonly OwnedToken[]; others: readonly OwnedToken[] }>> {
  const all = actor.person.isAdmin ? await everyToken(pembit) : await tokensOfPerson(pembit, actor.person.id);
  const own = all.filter(({ owner }) => owner === actor.person.id);
  return { own, others: all.filter((token) => !own.includes(token)) };
}
