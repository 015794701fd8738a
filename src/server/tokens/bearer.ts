import { createHash } from 'node:crypto';
import { Temporal } from 'temporal-polyfill';
import type { Token } from '@/core/tokens/token';
import { permits, viewerWithin } from '@/core/tokens/token';
import { isOpenTo, noteTokenUse, tokenByHash } from '@/data/tokens/tokens';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { owesSecondStep } from '../session/secondStep';

/*
 * What every route asks, apart from what makes tokens: nothing here leads to plans, so that no route carries them for it.
 */

/** So that a token that got somewhere is known for what it is. */
export const PREFIX = 'pembit_';
/** A note of each request would be a write for each. */
const NOTED_EVERY_MS = 5 * 60_000;

/** What is kept of a token. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');

/** Whoever a token acts for, as far as it reaches. */
export type Bearer = Readonly<{ actor: SignedIn; token: Token }>;

/**
 * The owner of a token, with no more than they may at this moment and than it says; undefined where it is over, or its owner
 * could not act either.
 */
export async function ownerWithin(
  pembit: Pembit,
  token: Token,
  { write }: Readonly<{ write: boolean }>,
): Promise<SignedIn | undefined> {
  if (token.expires && Temporal.Instant.compare(token.expires.at, pembit.now()) <= 0) return undefined;
  const { person, viewer } = await keptPerson(pembit, token.owner);
  if (!person || person.deactivated) return undefined;
  if (await owesSecondStep(pembit, { person, viewer })) return undefined;
  const isAdmin = person.isAdmin && permits(token, 'school', write);
  // No session: what needs somebody who is here just now is not for tokens.
  return {
    person: { ...person, isAdmin },
    viewer: viewerWithin(viewer, token),
    session: '',
    token: token.id,
  };
}

/** Whoever a token acts for by what it consists of; undefined where it was ended or acts for nobody. It is looked up with each request. */
export async function bearerOf(
  pembit: Pembit,
  secret: string,
  { write }: Readonly<{ write: boolean }>,
): Promise<Bearer | undefined> {
  const token = secret.startsWith(PREFIX) ? await tokenByHash(pembit, hashOf(secret)) : undefined;
  const actor = token && (await ownerWithin(pembit, token, { write }));
  if (!actor) return undefined;
  const nowMs = pembit.now().epochMilliseconds;
  if (nowMs - (token.lastUsed?.epochMilliseconds ?? 0) > NOTED_EVERY_MS)
    await pembit.queue.write((writer) => noteTokenUse(writer, token.id, nowMs), { aside: true, locks: [] });
  return { actor, token };
}

/** Whether pages of an origin may ask with some token, before they say which. */
export const isOriginOpen = (pembit: Pembit, origin: string): Promise<boolean> =>
  isOpenTo(pembit, origin, pembit.now().epochMilliseconds);
