import { createHmac, timingSafeEqual } from 'node:crypto';
import * as oidc from 'openid-client';
import { z } from 'zod';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { personByEmail } from '@/data/people/people';
import type { Pembit } from '../pembit';
import { openSession } from './session';

/** How long somebody may take at the school's sign-in. */
const HOLDS_MS = 10 * 60_000;

/** What goes along in a cookie, signed, while somebody is at the school's sign-in. */
const journey = z.object({
  state: z.string(),
  nonce: z.string(),
  verifier: z.string(),
  to: z.string(),
  until: z.number(),
});

const known = new Map<string, Promise<oidc.Configuration>>();

/** The provider's own description, read once; a failure is tried again the next time. */
function provider({ config }: Pembit): Promise<oidc.Configuration> | undefined {
  const { schoolSignIn } = config;
  if (!schoolSignIn) return undefined;
  const { issuer, client, secret } = schoolSignIn;
  const url = new URL(issuer);
  // Unencrypted only on this machine, where the stand-in is.
  const local = url.protocol === 'http:' && ['127.0.0.1', 'localhost'].includes(url.hostname);
  const found =
    known.get(issuer) ??
    oidc.discovery(url, client, secret, undefined, local ? { execute: [oidc.allowInsecureRequests] } : {}); // prettier-ignore
  known.set(issuer, found);
  found.catch(() => known.delete(issuer));
  return found;
}

const callback = ({ config }: Pembit) => `${config.baseUrl}/api/school-sign-in/callback`;
const mac = ({ secret }: Pembit, text: string) =>
  createHmac('sha256', secret).update(`school sign-in ${text}`).digest('base64url');

/** Where the school's sign-in is, and the cookie's value to go there with. Code flow with PKCE, state and nonce. */
export async function beginSchoolSignIn(
  pembit: Pembit,
  to: string,
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
  });
  const text = Buffer.from(JSON.stringify({ state, nonce, verifier, to, until: Date.now() + HOLDS_MS })).toString('base64url'); // prettier-ignore
  return done({ url: url.href, cookie: `${text}.${mac(pembit, text)}` });
}

function readCookie(pembit: Pembit, cookie: string): z.output<typeof journey> | undefined {
  const [text = '', given = ''] = cookie.split('.');
  const [a, b] = [Buffer.from(mac(pembit, text)), Buffer.from(given)];
  if (a.length !== b.length || !timingSafeEqual(a, b)) return undefined;
  const read = journey.safeParse(JSON.parse(Buffer.from(text, 'base64url').toString('utf8')));
  return read.success && read.data.until > Date.now() ? read.data : undefined;
}

/**
 * A session for whoever the school's sign-in vouches for: somebody with an account here, whose address the school has
 * verified. Nobody gets an account this way.
 */
export async function finishSchoolSignIn(
  pembit: Pembit,
  query: string,
  cookie: string,
): Promise<Outcome<{ token: string; to: string }>> {
  const found = await provider(pembit)?.catch(() => undefined);
  const asked = readCookie(pembit, cookie);
  if (!found || !asked) return refused('noSchoolSignIn');
  const claims = await oidc
    .authorizationCodeGrant(found, new URL(`${callback(pembit)}${query}`), {
      pkceCodeVerifier: asked.verifier,
      expectedState: asked.state,
      expectedNonce: asked.nonce,
      idTokenExpected: true,
    })
    .then(
      (tokens) => tokens.claims(),
      (error: unknown) => {
        pembit.log.warn({ err: error }, 'The school’s sign-in was refused');
        return undefined;
      },
    );
  if (typeof claims?.email !== 'string' || claims.email_verified !== true) return refused('notVouchedFor');
  const person = await personByEmail(pembit, claims.email);
  if (!person) return refused('notVouchedFor');
  return done({ token: await openSession(pembit, person.id), to: asked.to });
}
