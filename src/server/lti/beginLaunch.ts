import { createHash, randomBytes } from 'node:crypto';
import { z } from 'zod';
import type { LaunchFault } from '@/core/lti/message';
import type { Platform } from '@/core/lti/platform';
import { targetPath } from '@/core/lti/target';
import { platformsOf } from '@/data/lti/platforms';
import type { Pembit } from '../pembit';
import { isProven, proofOf } from '../proof';

const PURPOSE = 'course site launch';
/** How long the site may take to say who somebody is. */
const HOLDS_MS = 10 * 60_000;
/** Whatever a site puts into the address of a login comes back in the state; longer ones are opened anew by hand. */
const LONGEST_AGAIN = 1500;

/** What goes to the site and comes back, signed by the server's secret. */
const state = z.object({
  /** The registration of the site. */
  platform: z.string(),
  nonce: z.string(),
  /** A hash of what the browser keeps. */
  browser: z.string(),
  until: z.number(),
  /** The frame that keeps things for us where cookies do not come (LTI Client Side postMessages 1.0). */
  storage: z.string().max(200).optional(),
  /** The query by which the login was begun: the same in a tab of its own. */
  again: z.string().optional(),
});
export type LaunchState = z.output<typeof state>;

const asked = z.object({
  iss: z.string().min(1).max(255),
  login_hint: z.string().min(1).max(4000),
  target_link_uri: z.string().min(1).max(2000),
  client_id: z.string().min(1).max(255).optional(),
  lti_message_hint: z.string().max(8000).optional(),
  lti_storage_target: z.string().max(200).optional(),
});

const hashOf = (text: string) => createHash('sha256').update(text).digest('base64url');

/** A short name for what belongs to one launch: several frames of a page begin at once. */
export const launchKey = (nonce: string): string => hashOf(`key ${nonce}`).slice(0, 16);

export type Begun = Readonly<{
  /** Where the site says who somebody is. */
  url: string;
  /** Of the launch, for the names of what the browser keeps. */
  key: string;
  /** What the browser keeps until the site has answered: in a cookie, and with the site's own frame where there is one. */
  browser: string;
  storage?: Readonly<{ target: string; origin: string }>;
}>;

type Begins = Readonly<{ ok: true; begun: Begun }> | Readonly<{ ok: false; fault: LaunchFault }>;

/** The first step (OpenID Connect third-party login): to the site's sign-in, with state and nonce. */
export async function beginLaunch(pembit: Pembit, form: URLSearchParams): Promise<Begins> {
  const read = asked.safeParse(Object.fromEntries(form));
  if (!read.success) return { ok: false, fault: 'noForm' };
  const { iss, client_id: clientId, login_hint: hint, lti_message_hint: messageHint, target_link_uri: target, lti_storage_target: frame } = read.data; // prettier-ignore
  const found = await platformsOf(pembit, iss, clientId);
  const platform = found.find(({ accepted }) => accepted) ?? found[0];
  // Without a client id, an issuer with several registrations does not say which of them it means.
  if (!platform || (clientId === undefined && found.length > 1)) return { ok: false, fault: 'unknownSite' };
  if (!platform.accepted) return { ok: false, fault: 'waitingSite' };
  if (targetPath(target, pembit.config.baseUrl) === undefined) return { ok: false, fault: 'foreignTarget' };
  const [nonce, browser] = [randomBytes(24).toString('base64url'), randomBytes(24).toString('base64url')];
  const again = new URLSearchParams([...form].filter(([name]) => name !== 'lti_storage_target')).toString();
  const said: LaunchState = {
    platform: platform.id,
    nonce,
    browser: hashOf(browser),
    until: pembit.now().epochMilliseconds + HOLDS_MS,
    ...(frame ? { storage: frame } : {}),
    ...(again.length <= LONGEST_AGAIN ? { again } : {}),
  };
  const url = new URL(platform.authUrl);
  const query = {
    scope: 'openid',
    response_type: 'id_token',
    response_mode: 'form_post',
    prompt: 'none',
    client_id: platform.clientId,
    redirect_uri: `${pembit.config.baseUrl}/lti/launch`,
    login_hint: hint,
    ...(messageHint === undefined ? {} : { lti_message_hint: messageHint }),
    state: written(pembit, said),
    nonce,
  };
  for (const [name, value] of Object.entries(query)) url.searchParams.set(name, value);
  const storage = frame ? { storage: { target: frame, origin: url.origin } } : {};
  return { ok: true, begun: { url: url.href, key: launchKey(nonce), browser, ...storage } };
}

function written(pembit: Pembit, said: LaunchState): string {
  const text = Buffer.from(JSON.stringify(said)).toString('base64url');
  return `${text}.${proofOf(pembit.secret, PURPOSE, text)}`;
}

/** The state that came back, if it is one of ours; whether it still holds is for whoever asks. */
export function readState(pembit: Pembit, text: string): LaunchState | undefined {
  const [body = '', proof = ''] = text.split('.');
  if (!isProven(pembit.secret, PURPOSE, body, proof)) return undefined;
  const read = state.safeParse(JSON.parse(Buffer.from(body, 'base64url').toString('utf8')));
  return read.success ? read.data : undefined;
}

/** Whether what a browser kept is of the launch that a state belongs to. */
export const isOfBrowser = (said: LaunchState, kept: string | undefined): boolean =>
  kept !== undefined && hashOf(kept) === said.browser;

/** Where the site's own frame is, which keeps things where cookies do not come. */
export const storageOf = ({ storage }: LaunchState, { authUrl }: Platform): Begun['storage'] =>
  storage === undefined ? undefined : { target: storage, origin: new URL(authUrl).origin };
