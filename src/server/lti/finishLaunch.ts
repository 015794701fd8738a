import { createHash } from 'node:crypto';
import type { JWTPayload } from 'jose';
import { errors, jwtVerify } from 'jose';
import type { Launch, LaunchFault } from '@/core/lti/message';
import { readMessage } from '@/core/lti/message';
import type { Platform } from '@/core/lti/platform';
import { platformById } from '@/data/lti/platforms';
import { spendOnce } from '@/data/lti/passing';
import type { Pembit } from '../pembit';
import { SiteSilent, keysOf } from './askSite';
import type { LaunchState } from './beginLaunch';
import { isOfBrowser, readState } from './beginLaunch';

/** In seconds: clocks of servers differ by so much at most. */
const SKEW = 60;
/** A token is for now: sites sign it in the moment in which it is asked for. */
const OLDEST = 600;

export type Finished =
  | Readonly<{ ok: true; launch: Launch; platform: Platform; state: LaunchState }>
  /** The browser that began it has not shown itself: it may have kept nothing, or be another. */
  | Readonly<{ ok: false; fault: 'otherBrowser'; state: LaunchState; platform: Platform; kept: boolean }>
  | Readonly<{ ok: false; fault: Exclude<LaunchFault, 'otherBrowser'> }>;

/** What came back from a site. */
export type Returned = Readonly<{
  state: string;
  idToken: string;
  /** Why the site says no. */
  error?: string;
  /** What the browser kept of the launch, by its key. */
  keptOf: (nonce: string) => string | undefined;
}>;

/** The second step: what the site says, checked against what was asked; a launch holds once. */
export async function finishLaunch(pembit: Pembit, returned: Returned): Promise<Finished> {
  if (returned.state === '' || (returned.idToken === '' && returned.error === undefined))
    return { ok: false, fault: 'noForm' };
  const state = readState(pembit, returned.state);
  if (!state) return { ok: false, fault: 'noState' };
  const nowMs = pembit.now().epochMilliseconds;
  if (state.until <= nowMs) return { ok: false, fault: 'stateOver' };
  const platform = await platformById(pembit, state.platform);
  if (!platform) return { ok: false, fault: 'unknownSite' };
  if (!platform.accepted) return { ok: false, fault: 'waitingSite' };
  if (returned.error !== undefined) return { ok: false, fault: 'siteRefused' };
  const kept = returned.keptOf(state.nonce);
  if (!isOfBrowser(state, kept))
    return { ok: false, fault: 'otherBrowser', state, platform, kept: kept !== undefined };
  const claims = await claimsOf(pembit, platform, returned.idToken);
  if ('fault' in claims) return { ok: false, fault: claims.fault };
  const { deployments, origins, asksNames } = platform;
  const { baseUrl } = pembit.config;
  const read = readMessage(claims.said, { nonce: state.nonce, deployments, baseUrl, origins, asksNames });
  if (!read.ok) return { ok: false, fault: read.fault as Exclude<LaunchFault, 'otherBrowser'> };
  const id = createHash('sha256').update(`nonce ${platform.id} ${state.nonce}`).digest('base64url');
  const first = await pembit.queue.write((writer) => spendOnce(writer, id, { nowMs, until: state.until }), {
    aside: true,
  });
  return first ? { ok: true, launch: read.launch, platform, state } : { ok: false, fault: 'spent' };
}

type Fault = Exclude<LaunchFault, 'otherBrowser'>;

/** The claims of an ID token (OpenID Connect Core, 3.1.3.7): signed with RS256 by a key that the site shows, for us, by it, now. */
async function claimsOf(
  pembit: Pembit,
  platform: Platform,
  token: string,
): Promise<Readonly<{ said: JWTPayload }> | Readonly<{ fault: Fault }>> {
  const { issuer, clientId } = platform;
  try {
    const { payload } = await jwtVerify(token, keysOf(pembit, platform), {
      algorithms: ['RS256'],
      issuer,
      audience: clientId,
      clockTolerance: SKEW,
      maxTokenAge: OLDEST,
      requiredClaims: ['exp', 'iat'],
      currentDate: new Date(pembit.now().epochMilliseconds),
    });
    // Several audiences: it says for which of them it was made.
    const several = Array.isArray(payload.aud) && payload.aud.length > 1;
    const made = payload.azp === undefined ? !several : payload.azp === clientId;
    return made ? { said: payload } : { fault: 'wrongAudience' };
  } catch (error) {
    const fault = faultOf(error);
    if (!fault) throw error;
    return { fault };
  }
}

const CLAIM_FAULTS: Readonly<Record<string, Fault>> = {
  iss: 'wrongIssuer',
  aud: 'wrongAudience',
  iat: 'wrongTime',
  nbf: 'wrongTime',
  exp: 'wrongTime',
};

/** Why a token is not taken; undefined for what is no fault of the token's. */
function faultOf(error: unknown): Fault | undefined {
  if (error instanceof errors.JWTExpired) return 'expired';
  if (error instanceof errors.JWTClaimValidationFailed) return CLAIM_FAULTS[error.claim] ?? 'missingClaims';
  if (error instanceof errors.JWKSNoMatchingKey || error instanceof errors.JWSSignatureVerificationFailed) return 'wrongKey';
  if (error instanceof SiteSilent || error instanceof errors.JWKSTimeout || error instanceof errors.JWKSInvalid) return 'noKeys';
  if (error instanceof errors.JOSEError) return (error.code === 'ERR_JOSE_GENERIC') ? 'noKeys' : 'notSigned';
  return undefined;
} // prettier-ignore
