import * as oidc from 'openid-client';
import { z } from 'zod';
import type { PersonId } from '@/core/ids';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import type { Person } from '@/data/people/people';
import { personByEmail, personById } from '@/data/people/people';
import { accountOf, insertAccount, linkedAt } from '@/data/people/schoolAccounts';
import type { Pembit } from '../pembit';
import { isProven, proofOf } from '../proof';
import { openSession } from './session';

const PURPOSE = 'school sign-in';
/** How long somebody may take at the school's sign-in. */
const HOLDS_MS = 10 * 60_000;

/** What goes along in a cookie, signed, while somebody is at the school's sign-in. */
const journey = z.object({
  state: z.string(),
  nonce: z.string(),
  verifier: z.string(),
  to: z.string(),
  /** Whose account is to be linked; absent: somebody signs in. */
  link: z.string().optional(),
  until: z.number(),
});

const known = new Map<string, Promise<oidc.Configuration>>();

/** The provider's own description, read once; a failure is tried again the next time. */
function provider({ config, log }: Pembit): Promise<oidc.Configuration> | undefined {
  const { schoolSignIn } = config;
  if (!schoolSignIn) return undefined;
  const { issuer, client, secret } = schoolSignIn;
  const url = new URL(issuer);
  // Unencrypted only on this machine, where the stand-in is.
  const local = url.protocol === 'http:' && ['127.0.0.1', 'localhost'].includes(url.hostname);
  // The signature of an ID token is checked, although it comes from the provider directly (OpenID Connect Core, 3.1.3.7).
  const execute = [oidc.enableNonRepudiationChecks, ...(local ? [oidc.allowInsecureRequests] : [])];
  const found = known.get(issuer) ?? oidc.discovery(url, client, secret, undefined, { execute });
  known.set(issuer, found);
  found.catch((error: unknown) => {
    known.delete(issuer);
    log.warn({ err: error, issuer }, 'The school’s sign-in could not be asked what it can do');
  });
  return found;
}

const callback = ({ config }: Pembit) => `${config.baseUrl}/api/school-sign-in/callback`;

/**
 * Where the school's sign-in is, and the cookie's value to go there with. Code flow with PKCE, state and nonce. With `link` it is
 * to show once more who one is, whatever sign-in it remembers.
 */
export async function beginSchoolSignIn(
  pembit: Pembit,
  to: string,
  link?: PersonId,
): Promise<Outcome<{ url: string; cookie: string }>> {
  const found = await provider(pembit)?.catch(() => undefined);
  if (!found) return refused('noSchoolSignIn');
  const verifier = oidc.randomPKCECodeVerifier();
  const [state, nonce] = [oidc.randomState(), oidc.randomNonce()];
  const url = oidc.buildAuthorizationUrl(found, {
    redirect_uri: callback(pembit),
    scope: 'openid email',
    code_challenge: await oidc.calculatePKCECodeChallenge(verifier),
    code_challenge_method: 'S256',
    state,
    nonce,
    ...(link ? { prompt: 'login' } : {}),
  });
  const text = Buffer.from(JSON.stringify({ state, nonce, verifier, to, link, until: Date.now() + HOLDS_MS })).toString('base64url'); // prettier-ignore
  return done({ url: url.href, cookie: `${text}.${proofOf(pembit.secret, PURPOSE, text)}` });
}

function readCookie(pembit: Pembit, cookie: string): z.output<typeof journey> | undefined {
  const [text = '', given = ''] = cookie.split('.');
  if (!isProven(pembit.secret, PURPOSE, text, given)) return undefined;
  const read = journey.safeParse(JSON.parse(Buffer.from(text, 'base64url').toString('utf8')));
  return read.success && read.data.until > Date.now() ? read.data : undefined;
}

type Claims = Readonly<{ iss: string; sub: string; email?: string; email_verified?: boolean }>;
const claimsOf = z.object({
  iss: z.string(),
  sub: z.string(),
  email: z.string().optional(),
  // Some providers write it as a text.
  email_verified: z.union([z.boolean(), z.literal('true').transform(() => true), z.literal('false').transform(() => false)]).optional(), // prettier-ignore
});

/** What the provider says of whoever came back: by the ID token, and where that has no address by UserInfo (OpenID Connect Core, 5.3). */
async function claimsFrom(
  found: oidc.Configuration,
  url: URL,
  asked: z.output<typeof journey>,
): Promise<Claims> {
  const tokens = await oidc.authorizationCodeGrant(found, url, {
    pkceCodeVerifier: asked.verifier,
    expectedState: asked.state,
    expectedNonce: asked.nonce,
    idTokenExpected: true,
  });
  const claims = claimsOf.parse(tokens.claims());
  if (claims.email !== undefined && claims.email_verified !== undefined) return claims;
  if (!found.serverMetadata().userinfo_endpoint) return claims;
  // The answer is for this very subject, or it is refused.
  const info = await oidc.fetchUserInfo(found, tokens.access_token, claims.sub);
  const { email, email_verified } = claimsOf.parse({ ...info, iss: claims.iss });
  return { ...claims, email: claims.email ?? email, email_verified: claims.email_verified ?? email_verified };
}

/** Whether an address counts as the person's own: verified; where the provider does not say so, as the operator has set. */
const isVouchedFor = ({ config }: Pembit, { email_verified: verified }: Claims): boolean =>
  verified ?? config.schoolSignIn?.takesUnverified ?? false;

/**
 * Whom a provider's account is: the person it is linked to; else whoever has its verified address and no other account of that
 * provider. So an address that the school gives to somebody else later opens nothing of its first owner.
 */
async function personOf(pembit: Pembit, claims: Claims): Promise<Person | undefined> {
  const linked = await accountOf(pembit, claims.iss, claims.sub);
  if (linked) return personById(pembit, linked);
  if (claims.email === undefined || !isVouchedFor(pembit, claims)) return undefined;
  const person = await personByEmail(pembit, claims.email);
  if (!person || person.deactivated || (await linkedAt(pembit, person.id, claims.iss))) return undefined;
  await link(pembit, person.id, claims);
  return person;
}

const link = (pembit: Pembit, person: PersonId, { iss, sub }: Claims): Promise<void> =>
  pembit.queue.write(
    (writer) =>
      insertAccount(writer, { person, issuer: iss, subject: sub, nowMs: pembit.now().epochMilliseconds }),
    { aside: true },
  );

export type SchoolSignIn = Readonly<{ to: string; token?: string; linked?: true }>;

/**
 * A session for whoever the school's sign-in vouches for, or the link that somebody signed in asked for. Nobody gets an account
 * this way.
 */
export async function finishSchoolSignIn(
  pembit: Pembit,
  query: string,
  cookie: string,
  /** Who is signed in here. */
  actor?: PersonId,
): Promise<Outcome<SchoolSignIn>> {
  const found = await provider(pembit)?.catch(() => undefined);
  const asked = readCookie(pembit, cookie);
  if (!found || !asked) return refused('noSchoolSignIn');
  const claims = await claimsFrom(found, new URL(`${callback(pembit)}${query}`), asked).catch(
    (error: unknown) => {
      pembit.log.warn({ err: error }, 'The school’s sign-in was refused');
      return undefined;
    },
  );
  if (!claims) return refused('notVouchedFor');
  if (asked.link !== undefined)
    return finishLinking(pembit, claims, { asked: asked.link, actor, to: asked.to });
  const person = await personOf(pembit, claims);
  if (!person || person.deactivated) {
    pembit.log.warn({ issuer: claims.iss }, 'The school’s sign-in led to no account here');
    return refused('notVouchedFor');
  }
  return done({ token: await openSession(pembit, person.id, { bySchool: true }), to: asked.to });
}

async function finishLinking(
  pembit: Pembit,
  claims: Claims,
  { asked, actor, to }: Readonly<{ asked: string; actor?: PersonId; to: string }>,
): Promise<Outcome<SchoolSignIn>> {
  const owner = await accountOf(pembit, claims.iss, claims.sub);
  // Whoever asked is still who is signed in, and the account is nobody else's.
  if (actor === undefined || actor !== asked || (owner && owner !== actor)) return refused('notVouchedFor');
  if (!owner) await link(pembit, actor, claims);
  return done({ to, linked: true });
}

/** Where signing out at the provider is (OpenID Connect RP-Initiated Logout 1.0); undefined where it has none. */
export async function schoolSignOut(pembit: Pembit): Promise<string | undefined> {
  const found = await provider(pembit)?.catch(() => undefined);
  if (!found?.serverMetadata().end_session_endpoint) return undefined;
  return oidc.buildEndSessionUrl(found, { post_logout_redirect_uri: `${pembit.config.baseUrl}/sign-in` })
    .href;
}
